import { Box, useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { along } from '../ui/along'
import { useSectionUnits } from './useSectionUnits'

const [WIDTH, HEIGHT, EDGE] = [640, 260, 30]
const ROUND = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000]

/** A line from above, true to scale, north up: its joints as rings, its length as a bar. */
export function PlanView({ points, joints }: { points: number[][]; joints: number[] }): ReactElement {
  const c = useTheme().colours
  const length = useSectionUnits()?.length
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
