import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'

interface Props {
  /** in the reader's unit, as are all others */
  at: number
  target: number
  least: number
  /** null: there is no upper border */
  most: number | null
  text: (value: number) => string
}

const [WIDTH, HEIGHT, LEFT, EDGE, LINE] = [130, 330, 30, 16, 19]

/** Where the pressure stands in its band: told by shape, and by colour only outside it. */
export function BandScale({ at, target, least, most, text }: Props): ReactElement {
  const c = useTheme().colours
  const reach = 2.6 * Math.max(target - least, (most ?? target) - target, 0.01 * target)
  const y = (value: number): number =>
    Math.max(EDGE, Math.min(HEIGHT - EDGE, HEIGHT / 2 - ((value - target) / reach) * (HEIGHT / 2 - EDGE)))
  const isOutside = at < least || (most !== null && at > most)
  const colour = isOutside ? c.accent : c.ink
  const top = most === null ? 0 : y(most)
  // A border close to the aim is written a line away from it.
  const beside = (value: number): number => {
    const away = y(value) - y(target)
    return Math.abs(away) < LINE ? y(target) + Math.sign(away) * LINE : y(value)
  }
  const border = (value: number): ReactElement => (
    <g key={value}>
      <path d={`M0 ${y(value)}h58`} stroke={c.ink} strokeWidth={2.5} />
      <text x={64} y={beside(value) + 5} fontSize={16} fill={c.ink}>
        {text(value)}
      </text>
    </g>
  )
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={say('steps.pressureInItsBand', {
        at: text(at),
        least: text(least),
        most: most === null ? say('steps.noUpperBorder') : text(most),
      })}
    >
      <rect x={0} y={top} width={58} height={y(least) - top} fill={c.raised} />
      <path d={`M${LEFT} 0V${HEIGHT}`} stroke={c.ink} strokeWidth={3.5} />
      {[least, ...(most === null ? [] : [most])].filter((value) => Math.abs(y(value) - y(target)) > 1).map(border)}
      <path d={`M8 ${y(target)}h44`} stroke={c.ink} strokeWidth={3} strokeDasharray="7 5" />
      <text x={64} y={y(target) + 5} fontSize={16} fontWeight={700} fill={c.ink}>
        {text(target)}
      </text>
      <circle cx={LEFT} cy={y(at)} r={7} fill={colour} />
      <path d={`M${LEFT + 6} ${y(at)}l24 -12v24z`} fill={colour} />
    </svg>
  )
}
