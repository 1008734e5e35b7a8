import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'

const WIDTH = 360
const MAIN = 66
const ROW = 40
const GAP = 8
const CENTRE = 130
const BESIDE = 212
const TEXT = 18

/** From the main upwards, as they are screwed on each other. */
const STACK = ['saddle', 'sleeve', 'piston', 'valve', 'tapper', 'setter', 'head', 'punch', 'cap', 'rod']
const BRANCH = ['flush-piece', 'hose', 'outlet', 'service']

const textsOf = (value: unknown): string[] => (Array.isArray(value) ? value.filter((v): v is string => typeof v === 'string') : [])

/**
 * What stands on a main that is tapped, part upon part; what is under pressure now is filled. Where that is not known, all of it is
 * treated as if it were.
 */
export function Assembly({ of }: { of: Record<string, unknown> }): ReactElement | null {
  const c = useTheme().colours
  const on = textsOf(of['on'])
  if (on.length === 0) return null
  const isBegun = of['begun'] === true
  const known = Array.isArray(of['under']) ? textsOf(of['under']) : isBegun ? null : ['main']
  const under = known ?? on
  const up = STACK.filter((part) => on.includes(part))
  const aside = BRANCH.filter((part) => on.includes(part))
  const rows = Math.max(up.length, aside.length)
  const height = 14 + rows * (ROW + GAP) + MAIN
  const top = (row: number): number => height - MAIN - (row + 1) * (ROW + GAP)
  const said = under.map(nameOf).join(', ')
  return (
    <figure style={{ margin: '8px auto 4px', maxWidth: 460 }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        style={{ width: '100%', display: 'block' }}
        aria-label={say(known === null ? 'ui.pressureNotKnown' : 'ui.underPressureNow', { parts: said })}
      >
        {up.length > 0 && <line x1={CENTRE} x2={CENTRE} y1={top(up.length - 1)} y2={height - MAIN} stroke={c.rule} strokeWidth={10} />}
        {aside.length > 0 && (
          <line x1={CENTRE} x2={BESIDE + 20} y1={top(0) + ROW / 2} y2={top(0) + ROW / 2} stroke={c.rule} strokeWidth={10} />
        )}
        <Part name="main" x={8} y={height - MAIN + 4} width={WIDTH - 16} height={MAIN - 10} isUnder={under.includes('main')} />
        {up.map((part, i) => (
          <Part key={part} name={part} x={CENTRE - 78} y={top(i)} width={156} height={ROW} isUnder={under.includes(part)} />
        ))}
        {aside.map((part, i) => (
          <Part key={part} name={part} x={BESIDE + 8} y={top(i)} width={WIDTH - BESIDE - 16} height={ROW} isUnder={under.includes(part)} />
        ))}
      </svg>
      <figcaption style={{ textAlign: 'center', color: known === null ? c.accent : c.ink, fontWeight: 700 }}>
        {say(known === null ? 'ui.pressureNotKnown' : 'ui.underPressureNow', { parts: said })}
      </figcaption>
    </figure>
  )
}

interface PartProps {
  name: string
  x: number
  y: number
  width: number
  height: number
  isUnder: boolean
}

function Part({ name, x, y, width, height, isUnder }: PartProps): ReactElement {
  const c = useTheme().colours
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={4}
        fill={isUnder ? c.accent : c.ground}
        stroke={isUnder ? c.accent : c.ink}
        strokeWidth={2}
      />
      <text
        x={x + width / 2}
        y={y + height / 2}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={TEXT}
        fontWeight={isUnder ? 700 : 400}
        fill={isUnder ? c.onAccent : c.ink}
      >
        {nameOf(name)}
      </text>
    </g>
  )
}

/** As the procedure writes it, with spaces. */
const nameOf = (part: string): string => part.replaceAll('-', ' ')
