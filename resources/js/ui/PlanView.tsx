import { Box, useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { useMe, useUnits } from '../api/queries'
import { along } from './along'
import { shownAs } from './units'

const [WIDTH, HEIGHT, EDGE] = [640, 260, 30]
const ROUND = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000]

interface Props {
  /** chainage, easting, northing, level */
  points: number[][]
  /** chainages */
  joints: number[]
  /** a chainage that is looked at */
  at?: number | undefined
  /** a place that was tapped: easting, northing */
  onPick?: ((easting: number, northing: number) => void) | undefined
}

/** A line from above, true to scale, north up: its joints as rings, its length as a bar. */
export function PlanView({ points, joints, at: here, onPick }: Props): ReactElement {
  const c = useTheme().colours
  const system = useMe().data?.units
  const units = useUnits().data
  const length = system && units ? shownAs('x_m', 'length', system, units) : null
  const [east, north] = [points.map((p) => p[1]!), points.map((p) => p[2]!)]
  const wide = Math.max(1, Math.max(...east) - Math.min(...east))
  const high = Math.max(1, Math.max(...north) - Math.min(...north))
  const px = Math.min((WIDTH - 2 * EDGE) / wide, (HEIGHT - 2 * EDGE) / high)
  const x = (e: number): number => (WIDTH - wide * px) / 2 + (e - Math.min(...east)) * px
  const y = (n: number): number => (HEIGHT + high * px) / 2 - (n - Math.min(...north)) * px
  const at = (chainage: number): [number, number] => {
    const [, e, n] = along(points, chainage)
    return [x(e!), y(n!)]
  }
  // A round figure in the unit of the person.
  const [told, bar] = ROUND.map((n) => [n, length?.toKey(n) ?? n] as const)
    .filter(([, m]) => m * px <= 140)
    .at(-1) ?? [1, length?.toKey(1) ?? 1]
  const spaced = joints.length > 1 ? Math.abs(joints[1]! - joints[0]!) * px : 20
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        style={{ width: '100%', minWidth: 320, display: 'block' }}
        role="img"
        aria-label={say('line.lineFromAbove')}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect()
          const [sx, sy] = [((e.clientX - box.left) * WIDTH) / box.width, ((e.clientY - box.top) * HEIGHT) / box.height]
          onPick?.(Math.min(...east) + (sx - (WIDTH - wide * px) / 2) / px, Math.min(...north) + ((HEIGHT + high * px) / 2 - sy) / px)
        }}
      >
        <polyline
          fill="none"
          stroke={c.water}
          strokeWidth={4}
          strokeLinejoin="round"
          points={points.map((p) => `${x(p[1]!)},${y(p[2]!)}`).join(' ')}
        />
        {spaced > 3 &&
          joints.map((j) => {
            const [cx, cy] = at(j)
            return <circle key={j} cx={cx} cy={cy} r={Math.min(4, spaced / 2.5)} fill={c.ground} stroke={c.ink} strokeWidth={1.4} />
          })}
        {here !== undefined && (
          <path
            d="M0 -5L-9 -24H9Z"
            transform={`translate(${at(here).join(' ')})`}
            fill={c.accent}
            stroke={c.ground}
            strokeWidth={2}
            aria-hidden
          />
        )}
        <g stroke={c.ink} fill={c.ink}>
          <path d={`M${WIDTH - 16} 44V18m-5 9l5 -9l5 9`} fill="none" strokeWidth={1.6} />
          <text x={WIDTH - 16} y={14} fontSize={14} textAnchor="middle" stroke="none">
            N
          </text>
          <path d={`M10 ${HEIGHT - 14}v6h${bar * px}v-6`} fill="none" strokeWidth={1.6} />
          <text x={18 + bar * px} y={HEIGHT - 6} fontSize={14} stroke="none">
            {`${told} ${length?.symbol ?? 'm'}`}
          </text>
        </g>
      </svg>
    </Box>
  )
}
