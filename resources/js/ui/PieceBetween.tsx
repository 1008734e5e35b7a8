import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { useShow } from './units'

const WIDTH = 360
const HEIGHT = 150
const OLD = 62
const PIPE = 44
const TOP = 62
const TEXT = 18

/** A piece between two old ends, with the bodies where they are parked; what is cut and the window for it in figures. Not to scale. */
export function PieceBetween({ of }: { of: Record<string, unknown> }): ReactElement | null {
  const c = useTheme().colours
  const show = useShow()
  const mm = (key: string): string | null => (typeof of[key] === 'number' ? show('x_mm', 'length', of[key], 0) : null)
  const opening = mm('opening_mm')
  if (opening === null) return null
  const [piece, least, most] = [mm('piece_mm'), mm('least_mm'), mm('most_mm')]
  const gap = 16
  const body = 46
  const left = OLD + gap
  const right = WIDTH - OLD - gap
  const onPiece = [left + 6, right - body - 6]
  const onMain = [8, WIDTH - body - 8]
  const parked =
    of['park'] === 'on-main' ? onMain : of['park'] === 'split' ? [onPiece[0]!, onMain[1]!] : of['park'] === 'on-piece' ? onPiece : []
  const window = least && most ? say('ui.cutBetween', { least, most }) : ''
  return (
    <figure style={{ margin: '8px auto 4px', maxWidth: 520 }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        style={{ width: '100%', display: 'block' }}
        aria-label={[say('ui.openingOf', { opening }), piece && say('ui.pieceOf', { piece }), window].filter(Boolean).join(', ')}
      >
        <text x={WIDTH / 2} y={20} textAnchor="middle" fontSize={TEXT} fill={c.ink}>
          {say('ui.openingOf', { opening })}
        </text>
        <line x1={OLD} x2={WIDTH - OLD} y1={34} y2={34} stroke={c.ink} strokeWidth={1.5} />
        {[OLD, WIDTH - OLD].map((x) => (
          <line key={x} x1={x} x2={x} y1={28} y2={TOP - 4} stroke={c.ink} strokeWidth={1.5} />
        ))}
        <rect x={-4} y={TOP} width={OLD + 4} height={PIPE} fill={c.ground} stroke={c.rule} strokeWidth={3} />
        <rect x={WIDTH - OLD} y={TOP} width={OLD + 4} height={PIPE} fill={c.ground} stroke={c.rule} strokeWidth={3} />
        <rect x={left} y={TOP} width={right - left} height={PIPE} fill={c.ground} stroke={c.accent} strokeWidth={3} />
        {parked.map((x) => (
          <rect key={x} x={x} y={TOP - 7} width={body} height={PIPE + 14} rx={5} fill="none" stroke={c.ink} strokeWidth={3} />
        ))}
        <text
          x={WIDTH / 2}
          y={TOP + PIPE / 2}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize={TEXT}
          fontWeight={700}
          fill={c.accent}
        >
          {piece && say('ui.pieceOf', { piece })}
        </text>
        <text x={WIDTH / 2} y={HEIGHT - 12} textAnchor="middle" fontSize={TEXT} fill={c.ink}>
          {window}
        </text>
      </svg>
      <figcaption style={{ color: c.faint, textAlign: 'center' }}>{say('ui.noLengthsToScale')}</figcaption>
    </figure>
  )
}
