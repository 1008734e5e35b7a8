import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { across, type Layout } from './layout'

interface Props {
  of: Layout
  /** px, the inside of the socket */
  face: number
  /** -1 mirrors it for the bottom of the pipe */
  up: 1 | -1
}

/** Between socket and spigot, where the ring is squeezed, px. */
export const CLEAR = 9
/** Of one corrugation, px. */
const PITCH = 15

/** One wall of the joint, cut open: socket or sleeve, ring, spigot, and what else lies between them. */
export function Wall({ of: l, face, up }: Props): ReactElement {
  const c = useTheme().colours
  const x = (mm: number): number => across(l, mm)
  const y = (d: number): number => face + up * d
  const bell = l.thick * 1.1
  const inner = CLEAR + l.thick
  const at = (...points: [number, number][]): string => points.map(([px, d]) => `${px},${y(d)}`).join(' ')
  const hot = (part: Layout['points']): string => (l.points === part ? c.accent : c.ink)
  const ringX = x(l.ringAt)
  const ringW = Math.max(8, l.ringWide * l.px)
  const block = (from: number, to: number, d1: number, d2: number, fill: string): ReactElement => (
    <rect x={x(from)} width={(to - from) * l.px} y={Math.min(y(d1), y(d2))} height={Math.abs(d2 - d1)} fill={fill} />
  )
  return (
    <g strokeLinejoin="round">
      {l.sleeve ? (
        <>
          <polygon
            points={at([x(-2 * l.depth), -bell], [x(0), -bell], [x(0), 0], [x(-2 * l.depth), 0])}
            fill={c.raised}
            stroke={c.ink}
            strokeWidth={1.4}
          />
          <polygon
            points={at([x(l.left), CLEAR], [x(-l.depth) - 4, CLEAR], [x(-l.depth) - 4, inner], [x(l.left), inner])}
            fill={c.ground}
            stroke={c.ink}
            strokeWidth={1.4}
          />
          {block(-2 * l.depth - l.ringAt - l.ringWide, -2 * l.depth - l.ringAt, -bell * 0.5, CLEAR, c.ink)}
          <line x1={x(-l.depth)} x2={x(-l.depth)} y1={y(0)} y2={y(CLEAR)} stroke={c.ink} strokeWidth={3} />
        </>
      ) : (
        <polygon
          points={at(
            [x(l.left), CLEAR],
            [x(-l.depth) - 16, CLEAR],
            [x(-l.depth) - 2, -bell],
            [x(0), -bell],
            [x(0), 0],
            [x(-l.depth), 0],
            [x(-l.depth), inner],
            [x(l.left), inner],
          )}
          fill={c.raised}
          stroke={c.ink}
          strokeWidth={1.4}
        />
      )}
      {l.ring === 'valley' ? (
        <path d={waves(x(l.end), x(l.right), y(CLEAR), y(inner))} fill={c.ground} stroke={c.ink} strokeWidth={1.4} />
      ) : (
        <polygon
          points={at([x(l.end) + 6, CLEAR], [x(l.right), CLEAR], [x(l.right), inner], [x(l.end), inner], [x(l.end), CLEAR + l.thick / 2])}
          fill={c.ground}
          stroke={c.ink}
          strokeWidth={1.4}
        />
      )}
      {l.ring === 'socket' && block(l.ringAt, l.ringAt + l.ringWide, -bell * 0.5, CLEAR, hot('ring'))}
      {l.ring === 'groove' && (
        <rect x={ringX} width={ringW} y={Math.min(y(0), y(CLEAR + l.thick * 0.3))} height={CLEAR + l.thick * 0.3} fill={hot('ring')} />
      )}
      {(l.ring === 'rolling' || l.ring === 'valley') && (
        <ellipse cx={ringX + ringW / 2} cy={y(CLEAR / 2)} rx={ringW / 2} ry={CLEAR / 2 + 1} fill={hot('ring')} />
      )}
      {l.ring === 'strip' && block(-l.depth, l.end, CLEAR, inner, hot('ring'))}
      {l.locks && (
        <>
          {block(-0.12 * l.depth, -0.04 * l.depth, 0, CLEAR, hot('lock'))}
          {block(-0.38 * l.depth, -0.16 * l.depth, -bell * 0.6, CLEAR, hot('lock'))}
          <circle cx={x(-0.44 * l.depth)} cy={y(CLEAR - 2)} r={4} fill={c.ink} />
        </>
      )}
      {l.points === 'feeler' && (
        <line
          x1={x(0.3 * l.depth)}
          x2={x(l.feeler === null ? l.ringAt + l.ringWide : -l.feeler)}
          y1={y(CLEAR / 2)}
          y2={y(CLEAR / 2)}
          stroke={c.accent}
          strokeWidth={3}
        />
      )}
      {l.mark !== null && (
        <line
          x1={x(l.mark)}
          x2={x(l.mark)}
          y1={y(CLEAR - 4)}
          y2={y(inner)}
          stroke={hot('mark')}
          strokeWidth={l.points === 'mark' ? 3 : 2}
        />
      )}
    </g>
  )
}

/** The wall of a corrugated pipe: crowns outside, a smooth bore. */
function waves(from: number, to: number, out: number, bore: number): string {
  const valley = out + (bore - out) * 0.7
  const n = Math.max(1, Math.round((to - from) / PITCH))
  const step = (to - from) / n
  const crowns = Array.from({ length: n }, (_, i) => {
    const a = from + i * step
    return `C${a + step * 0.15},${out} ${a + step * 0.85},${out} ${a + step},${valley}`
  })
  return `M${from},${bore} L${from},${valley} ${crowns.join(' ')} L${to},${bore} Z`
}
