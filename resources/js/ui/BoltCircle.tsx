import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'

interface Props {
  /** how many there are; numbered clockwise as the wrench sees them, 1 right of the top */
  bolts: number
  /** share of its passes that each bolt has, 0 to 1 */
  done: (bolt: number) => number
  /** the figure taken in this pass */
  figure: (bolt: number) => string | null
  lit: number | null
  bad: ReadonlySet<number>
  onPick: ((bolt: number) => void) | undefined
  centre: [string, string, string]
}

const SIZE = 340
const CIRCLE = 126
/** Beyond that many there is no room for figures inside. */
const MOST_FIGURES = 16

/** The bolts of a joint: a ring closes at each by a share for every pass; the one that comes next is lit. */
export function BoltCircle({ bolts, done, figure, lit, bad, onPick, centre }: Props): ReactElement {
  const c = useTheme().colours
  const r = Math.min(26, (Math.PI * CIRCLE * 0.82) / Math.max(bolts, 4))
  const at = (bolt: number, radius: number): [number, number] => {
    const angle = ((bolt - 0.5) / bolts) * 2 * Math.PI
    return [Math.sin(angle) * radius, -Math.cos(angle) * radius]
  }
  const around = 2 * Math.PI * r
  return (
    <svg
      viewBox={`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`}
      role="group"
      aria-label={say('ui.bolts', { bolts })}
      style={{ width: '100%', display: 'block' }}
    >
      <circle r={CIRCLE} fill="none" stroke={c.raised} strokeWidth={2 * r + 14} />
      {Array.from({ length: bolts }, (_, i) => i + 1).map((bolt) => {
        const [x, y] = at(bolt, CIRCLE)
        const isLit = bolt === lit
        const isBad = bad.has(bolt)
        const text = say('ui.boltAndFigure', {
          bolt,
          next: isLit ? say('ui.andNext') : '',
          bad: isBad ? say('ui.andBad') : '',
          figure: figure(bolt) === null ? '' : `, ${figure(bolt)!}`,
        })
        return (
          <g
            key={bolt}
            transform={`translate(${x} ${y})`}
            role={onPick ? 'button' : 'img'}
            aria-label={text}
            style={onPick ? { cursor: 'pointer' } : undefined}
            onClick={() => onPick?.(bolt)}
          >
            {/* As large a target as there is room for. */}
            <circle r={r + 8} fill="transparent" />
            {isLit && <circle r={r + 6} fill="none" stroke={c.accent} strokeWidth={3} strokeDasharray="7 4" />}
            <circle r={r} fill={isLit ? c.accent : c.ground} stroke={c.rule} strokeWidth={2} />
            <circle
              r={r}
              fill="none"
              stroke={isLit ? c.onAccent : c.ink}
              strokeWidth={5}
              strokeDasharray={`${around * done(bolt)} ${around}`}
              transform="rotate(-90)"
            />
            <text
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={r > 20 ? 20 : Math.max(11, r)}
              fontWeight={700}
              fill={isLit ? c.onAccent : c.ink}
            >
              {bolt}
            </text>
            {isBad && <line x1={-r * 0.95} y1={r * 0.95} x2={r * 0.95} y2={-r * 0.95} stroke={c.accent} strokeWidth={5} />}
          </g>
        )
      })}
      {bolts <= MOST_FIGURES &&
        Array.from({ length: bolts }, (_, i) => i + 1).map((bolt) => {
          const [x, y] = at(bolt, CIRCLE - r - 24)
          const said = figure(bolt)
          return said === null ? null : (
            <text
              key={bolt}
              x={x}
              y={y}
              aria-hidden
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={16}
              fontWeight={bad.has(bolt) ? 700 : 400}
              fill={bad.has(bolt) ? c.accent : c.faint}
            >
              {said}
            </text>
          )
        })}
      <text textAnchor="middle" y={-34} fontSize={16} fill={c.ink}>
        {centre[0]}
      </text>
      <text textAnchor="middle" y={12} fontSize={46} fontWeight={700} fill={c.ink}>
        {centre[1]}
      </text>
      <text textAnchor="middle" y={38} fontSize={16} fill={c.ink}>
        {centre[2]}
      </text>
    </svg>
  )
}
