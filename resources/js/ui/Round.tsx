import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'

export interface RoundReading {
  clock: string
  value: number | null
}

interface Props {
  readings: RoundReading[]
  /** Diameters are drawn at both ends of their direction. */
  across?: boolean
  /** Radii from a turning gauge: drawn from their mean, each at its own place. */
  radii?: boolean
  active?: number | undefined
  onPick?: ((index: number) => void) | undefined
  /** Limit of the deviation, in the unit of the values; drawn as a band. */
  limit?: number | null
  /** Direction of the long axis, degrees from the top. */
  axisDeg?: number | null
  /** How much the long axis of the fitted shape is longer than the short one, in the unit of the values. */
  fittedOvality?: number | null
  /** Where clamp jaws press, degrees. */
  jaws?: boolean
  centre: [string, string, string?]
  size?: number
  bad?: boolean
}

export const degreesOf = (clock: string): number => {
  const [h = '0', m = '0'] = clock.split(':')
  return ((Number(h) % 12) * 60 + Number(m)) / 2
}

const clockOf = (deg: number): string => {
  const minutes = Math.round((((deg % 360) + 360) % 360) * 2)
  return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, '0')}`
}

const RADIUS = 112
const MOST = 24

/** The pipe's cross-section as seen in the laying direction, 12 at the top; deviations exaggerated by a stated factor. */
export function Round({
  readings,
  across,
  radii,
  active,
  onPick,
  limit,
  axisDeg,
  fittedOvality,
  jaws,
  centre,
  size = 380,
  bad,
}: Props): ReactElement {
  const c = useTheme().colours
  const known = readings.filter((r) => r.value !== null).map((r) => r.value!)
  const shaped = across || radii
  const mean = known.length > 0 ? (shaped ? known.reduce((a, b) => a + b, 0) / known.length : 0) : 0
  const half = across ? 2 : 1
  const largest = Math.max(1e-9, ...known.map((v) => Math.abs(v - mean) / half), (limit ?? 0) / (shaped ? 4 : 1))
  const scale = MOST / largest
  const factor = shaped && mean > 0 ? Math.max(1, Math.round((scale * (mean / half)) / RADIUS)) : null
  const at = (deg: number, r: number): [number, number] => [Math.sin((deg * Math.PI) / 180) * r, -Math.cos((deg * Math.PI) / 180) * r]
  const radiusOf = (v: number | null): number => RADIUS + (v === null ? 0 : shaped ? ((v - mean) / half) * scale : v * scale * 0.9)

  const dots = readings.flatMap((r, i) =>
    (across ? [0, 180] : [0]).map((turn) => ({ i, deg: (degreesOf(r.clock) + turn) % 360, value: r.value })),
  )
  const shape = dots.filter((d) => d.value !== null).sort((a, b) => a.deg - b.deg)
  const complete = known.length === readings.length && shape.length >= 4
  // A line through the readings would show dents that nobody measured: what is drawn is the shape that was fitted to them.
  const fitted = complete && typeof fittedOvality === 'number' && typeof axisDeg === 'number' && shaped
  const bulge = fitted ? (fittedOvality / 4) * scale : 0
  const path = fitted ? closed((deg) => at(deg, RADIUS + bulge * Math.cos((2 * (deg - axisDeg) * Math.PI) / 180))) : null
  const band = limit ? (limit / (shaped ? 4 : 1)) * scale * (shaped ? 1 : 0.9) : 0
  const clamp =
    jaws && typeof axisDeg === 'number' ? say('ui.jawsOfTheClampAtAnd', { one: clockOf(axisDeg), other: clockOf(axisDeg + 180) }) : ''

  return (
    <svg
      viewBox={complete && factor !== null && factor > 1 ? '-190 -190 380 404' : '-190 -190 380 380'}
      style={{ width: '100%', maxWidth: size, display: 'block', margin: '0 auto' }}
      role="group"
      aria-label={say('ui.readingsRoundThePipeSeenIn', { clamp })}
    >
      <circle r={RADIUS + (shaped ? 0 : band / 2)} fill="none" stroke={c.raised} strokeWidth={Math.max(10, shaped ? 2 * band : band)} />
      {band > 0 &&
        (shaped ? [-band, band] : [band]).map((edge) => (
          <circle key={edge} r={RADIUS + edge} fill="none" stroke={c.faint} strokeWidth={1.5} strokeDasharray="3 5" />
        ))}
      <circle r={RADIUS} fill="none" stroke={c.rule} strokeWidth={1.5} />
      {[12, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11].map((h) => {
        const [x, y] = at(h * 30, 170)
        const strong = h % 3 === 0
        return (
          <text
            key={h}
            x={x}
            y={y + 6}
            textAnchor="middle"
            fontSize={strong ? 20 : 17}
            fontWeight={strong ? 700 : 400}
            fill={strong ? c.ink : c.faint}
          >
            {h}
          </text>
        )
      })}
      {path && <path d={path} fill="none" stroke={c.ink} strokeWidth={2.6} />}
      {axisDeg !== null && axisDeg !== undefined && (
        <g stroke={c.accent} strokeWidth={2.4}>
          {[0, 180].map((turn) => {
            const [x1, y1] = at(axisDeg + turn, 62)
            const [x2, y2] = at(axisDeg + turn, 88)
            return <line key={turn} x1={x1} y1={y1} x2={x2} y2={y2} />
          })}
        </g>
      )}
      {jaws &&
        axisDeg !== null &&
        axisDeg !== undefined &&
        [0, 180].map((turn) => {
          const d = axisDeg + turn
          const [ax, ay] = at(d - 13, 142)
          const [bx, by] = at(d + 13, 142)
          const [cx, cy] = at(d + 8, 156)
          const [ex, ey] = at(d - 8, 156)
          return <path key={turn} d={`M${ax} ${ay}A142 142 0 0 1 ${bx} ${by}L${cx} ${cy}A156 156 0 0 0 ${ex} ${ey}Z`} fill={c.accent} />
        })}
      {shape.map((d) => {
        const [x1, y1] = at(d.deg, RADIUS)
        const [x2, y2] = at(d.deg, radiusOf(d.value))
        return <line key={`${d.i}-${d.deg}`} x1={x1} y1={y1} x2={x2} y2={y2} stroke={c.ink} strokeWidth={1.5} />
      })}
      {dots.map((d) => {
        const [x, y] = at(d.deg, radiusOf(d.value))
        const lit = d.i === active
        const label = `${readings[d.i]!.clock}${d.value === null ? '' : `, ${d.value}`}`
        return (
          <g
            key={`${d.i}-${d.deg}`}
            onClick={() => onPick?.(d.i)}
            style={{ cursor: onPick ? 'pointer' : 'default' }}
            aria-label={label}
            role={onPick ? 'button' : 'img'}
          >
            <circle cx={x} cy={y} r={22} fill="transparent" />
            <circle
              cx={x}
              cy={y}
              r={lit ? 11 : d.value === null ? 5 : 7}
              fill={lit ? c.accent : d.value === null ? c.rule : c.ground}
              stroke={lit ? c.accent : d.value === null ? c.rule : c.ink}
              strokeWidth={2.6}
            />
          </g>
        )
      })}
      <text y={-12} textAnchor="middle" fontSize={centre[0].length > 13 ? 22 : 30} fontWeight={700} fill={bad ? c.accent : c.ink}>
        {centre[0]}
      </text>
      <text y={16} textAnchor="middle" fontSize={17} fill={c.faint}>
        {centre[1]}
      </text>
      {centre[2] && (
        <text y={38} textAnchor="middle" fontSize={17} fill={c.faint}>
          {centre[2]}
        </text>
      )}
      {factor !== null && complete && factor > 1 && (
        <text y={207} textAnchor="middle" fontSize={15} fill={c.faint}>
          {say(fitted ? 'ui.fittedShapeDrawnTimesAsLarge' : 'ui.deviationDrawnTimesAsLarge', { factor })}
        </text>
      )}
    </svg>
  )
}

/** A closed line through where a function of the direction lies, every three degrees. */
function closed(point: (deg: number) => [number, number]): string {
  const points = Array.from({ length: 120 }, (_, i) => point(3 * i))
  return `M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`
}
