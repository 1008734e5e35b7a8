import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { hasWidth, trenchOf, type Lift } from './trench'
import { useShow } from './units'

const WIDTH = 380
const HEIGHT = 330
const LEFT = 86
const RIGHT = 104
const EDGE = 16
/** So many times as large as it is the change of the pipe's shape is drawn. */
const TIMES = 10

/** The trench across, to scale: bedding, lifts, what was tested left and right, and the shape of the pipe drawn larger than it is. */
export function TrenchSection({ of }: { of: Record<string, unknown> }): ReactElement | null {
  const c = useTheme().colours
  const show = useShow()
  const trench = trenchOf(of)
  if (trench === null) return null
  const { od, bed, lifts, flat, limit } = trench
  const width = trench.width ?? 2 * od
  const top = Math.max(bed + od * 1.3, bed + lifts.reduce((sum, lift) => sum + lift.thick, 0))
  const px = Math.min((WIDTH - LEFT - RIGHT) / width, (HEIGHT - 2 * EDGE) / top)
  const middle = LEFT + (WIDTH - LEFT - RIGHT) / 2
  const [x0, x1] = [middle - (width * px) / 2, middle + (width * px) / 2]
  const y = (mm: number): number => HEIGHT - EDGE - mm * px
  const radius = od / 2
  const change = ((flat ?? 0) / 100) * TIMES
  const said = say('ui.trenchDrawn', { count: lifts.length, width: hasWidth(trench) ? show('x_mm', 'length', width, 0) : '–' })
  return (
    <figure style={{ margin: '8px auto 4px', maxWidth: 460 }}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" style={{ width: '100%', display: 'block' }} aria-label={said}>
        <defs>
          <pattern id="ground" width={9} height={9} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1={0} y1={0} x2={0} y2={9} stroke={c.rule} strokeWidth={2} />
          </pattern>
        </defs>
        <rect x={x0 - 14} y={EDGE} width={14} height={HEIGHT - 2 * EDGE + 10} fill="url(#ground)" />
        <rect x={x1} y={EDGE} width={14} height={HEIGHT - 2 * EDGE + 10} fill="url(#ground)" />
        <rect x={x0 - 14} y={HEIGHT - EDGE} width={x1 - x0 + 28} height={10} fill="url(#ground)" />
        <rect x={x0} y={y(bed)} width={x1 - x0} height={bed * px} fill={c.raised} stroke={c.ink} strokeWidth={1} />
        {lifts.map((lift) => (
          <g key={lift.lift}>
            <rect x={x0} y={y(lift.top)} width={x1 - x0} height={lift.thick * px} fill={c.raised} stroke={c.ink} strokeWidth={1} />
            <Soft lift={lift} limit={limit} x0={x0} x1={x1} y={y(lift.top)} height={lift.thick * px} />
            <text x={4} y={y(lift.top - lift.thick / 2) + 5} fontSize={14} fill={c.ink}>
              <tspan fontWeight={700}>{lift.lift}</tspan>
              <tspan dx={6}>{show('x_mm', 'length', lift.thick, 0)}</tspan>
            </text>
            {(['left', 'right'] as const).map((side) => {
              const degree = lift[side]
              const isSoft = degree !== null && limit !== null && degree < limit
              return (
                <text
                  key={side}
                  x={WIDTH - RIGHT + (side === 'left' ? 50 : 100)}
                  y={y(lift.top - lift.thick / 2) + 5}
                  fontSize={14}
                  textAnchor="end"
                  fontWeight={700}
                  fill={isSoft ? c.accent : c.ink}
                >
                  {degree === null ? '–' : degree.toFixed(1)}
                </text>
              )
            })}
          </g>
        ))}
        <path d={`M${x0} ${EDGE}V${HEIGHT - EDGE}H${x1}V${EDGE}`} fill="none" stroke={c.ink} strokeWidth={2.4} />
        <circle cx={middle} cy={y(bed + radius)} r={radius * px} fill={c.ground} stroke={c.faint} strokeDasharray="4 4" />
        <ellipse
          cx={middle}
          cy={y(bed + radius)}
          rx={radius * px * (1 + change)}
          ry={radius * px * (1 - change)}
          fill={c.ground}
          stroke={c.ink}
          strokeWidth={4}
        />
        <text x={WIDTH - RIGHT + 50} y={12} fontSize={13} textAnchor="end" fill={c.faint}>
          {say('ui.left')}
        </text>
        <text x={WIDTH - RIGHT + 100} y={12} fontSize={13} textAnchor="end" fill={c.faint}>
          {say('ui.rightPercent')}
        </text>
      </svg>
      <figcaption style={{ textAlign: 'center' }}>
        {[
          trench.width === null ? say('ui.widthNotKnown') : say('ui.toScale', { width: show('x_mm', 'length', width, 0) }),
          flat === null
            ? ''
            : say(flat < 0 ? 'ui.shapePeaked' : 'ui.shapeFlatter', { change: `${Math.abs(flat).toFixed(1)} %`, times: TIMES }),
        ]
          .filter((part) => part !== '')
          .join(' · ')}
      </figcaption>
    </figure>
  )
}

/** A side that was found soft is marked by a bar through it, not by its colour alone. */
function Soft({ lift, limit, x0, x1, y, height }: { lift: Lift; limit: number | null; x0: number; x1: number; y: number; height: number }) {
  const c = useTheme().colours
  const half = (x1 - x0) / 2
  return (['left', 'right'] as const)
    .filter((side) => lift[side] !== null && limit !== null && lift[side] < limit)
    .map((side) => {
      const from = side === 'left' ? x0 : x0 + half
      return (
        <g key={side} stroke={c.accent} strokeWidth={2.4}>
          <rect x={from} y={y} width={half} height={height} fill="none" />
          <line x1={from} y1={y + height} x2={from + half} y2={y} />
        </g>
      )
    })
}
