import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { useShow } from './units'
import { say } from '../texts/say'

const WIDTH = 440
const MARGIN = 14
/** On a phone the drawing is a fifth smaller than here. */
const TEXT = 19.5
const LEAST_WALL = 12
const MOST_WALL = 34
/** The widest gap is drawn so wide, px. */
const GAP_PX = 15

const num = (v: unknown): number | null => (typeof v === 'number' && Number.isFinite(v) ? v : null)

/**
 * A coupling over its two pipe ends, cut open along the line: lengths to scale beside a bar, the gap widened by a stated
 * factor. What is not known yet is not drawn.
 */
export function CouplerSection({ of }: { of: Record<string, unknown> }): ReactElement | null {
  const c = useTheme().colours
  const show = useShow()
  const coupling = num(of['coupling_mm'])
  const wall = num(of['wall_mm'])
  const od = num(of['od_mm'])
  if (!coupling || !wall || !od) return null
  const tail = Math.max(0.42 * coupling, 1.3 * Math.max(num(of['peel_a_mm']) ?? 0, num(of['peel_b_mm']) ?? 0) - coupling / 2)
  const px = (WIDTH - 2 * MARGIN) / (coupling + 2 * tail)
  const thick = Math.min(MOST_WALL, Math.max(LEAST_WALL, wall * px))
  const fitting = thick * 1.15
  const x = (mm: number): number => WIDTH / 2 + mm * px
  const gapMax = num(of['gap_max_mm'])
  const gapMin = num(of['gap_min_mm'])
  const factor = gapMax && gapMax > 0 ? Math.max(1, Math.round(GAP_PX / (gapMax * px))) : null
  const gapPx = (mm: number | null): number => (mm === null || factor === null ? 5 : Math.max(0.5, mm * px * factor))
  const at = typeof of['gap_at'] === 'string' ? of['gap_at'] : null
  const hour = at ? Number(at.split(':')[0]) % 12 : 0
  const onTop = at === null || hour >= 9 || hour < 3
  const [top, bottom] = [gapPx(onTop ? gapMax : gapMin), gapPx(onTop ? gapMin : gapMax)]
  const side = (key: 'a' | 'b'): { end: number; mark: number | null; peel: number | null } => {
    const out = num(of[`out_${key}_mm`]) ?? 0
    const mark = num(of[`mark_${key}_mm`])
    // Pushed home to its mark, less what still stands outside.
    const end = coupling / 2 - (mark ?? coupling / 2) + out
    return { end: Math.max(0, end), mark, peel: num(of[`peel_${key}_mm`]) }
  }
  const left = side('a')
  const right = side('b')
  const outside = 26
  const topFace = outside + fitting + 6
  const height = topFace + thick + 84 + thick + fitting + 36
  const bottomFace = height - 24 - fitting - 6
  const bar = [5, 10, 20, 50, 100, 200, 500].find((mm) => mm * px > 46) ?? 500
  // One strip: the coupling's wall, the gap, the pipe's wall; `up` mirrors it for the bottom.
  const strip = (faceY: number, gap: number, up: 1 | -1): ReactElement => {
    const y = (d: number): number => faceY + up * d
    const box = (x1: number, x2: number, d1: number, d2: number, fill: string, stroke: string): ReactElement => (
      <rect
        x={Math.min(x1, x2)}
        y={Math.min(y(d1), y(d2))}
        width={Math.abs(x2 - x1)}
        height={Math.abs(y(d2) - y(d1))}
        fill={fill}
        stroke={stroke}
        strokeWidth={1.4}
      />
    )
    const skin = gap
    return (
      <g>
        {box(x(-coupling / 2), x(coupling / 2), -fitting, 0, c.raised, c.ink)}
        {[-1, 1].map((s) =>
          Array.from({ length: 6 }, (_, i) => (
            <circle key={`${s}${i}`} cx={x(s * (0.1 + 0.055 * i) * coupling)} cy={y(-4)} r={1.7} fill={c.ink} />
          )),
        )}
        {box(x(-coupling / 2 - tail), x(-left.end), skin, skin + thick, c.ground, c.ink)}
        {box(x(right.end), x(coupling / 2 + tail), skin, skin + thick, c.ground, c.ink)}
        {(
          [
            [left, -1],
            [right, 1],
          ] as const
        ).map(([s, sign]) => (
          <g key={sign}>
            {s.peel !== null && (
              <line
                x1={x(sign * s.end)}
                x2={x(sign * (s.end + s.peel))}
                y1={y(skin + 2.5)}
                y2={y(skin + 2.5)}
                stroke={c.faint}
                strokeWidth={3}
                strokeDasharray="2 3"
              />
            )}
            {s.mark !== null && (
              <line
                x1={x(sign * (s.end + s.mark))}
                x2={x(sign * (s.end + s.mark))}
                y1={y(skin - 5)}
                y2={y(skin + thick)}
                stroke={c.accent}
                strokeWidth={2.6}
              />
            )}
          </g>
        ))}
      </g>
    )
  }
  const mid = (topFace + top + thick + bottomFace - bottom - thick) / 2
  const length = (mm: number): string => show('x_mm', 'length', mm, 0)
  // Cut through the widest gap: only of it the place is known, and the other one is the smallest, wherever it was read.
  const gap = (mm: number): string => show('x_mm', 'length', mm, 2)
  const largest = gapMax === null ? '' : at === null ? gap(gapMax) : say('ui.largestGapAt', { gap: gap(gapMax), at })
  const smallest = gapMin === null ? '' : say('ui.smallestGap', { gap: gap(gapMin) })
  const said = [say('ui.couplingOfOverTwoPipeEnds', { coupling: length(coupling) })]
  if (left.mark !== null) said.push(say('ui.markOnTheLeftAt', { mark: length(left.mark) }))
  if (right.mark !== null) said.push(say('ui.markOnTheRightAt', { mark: length(right.mark) }))
  if (gapMax !== null) said.push(say('ui.gapUpToAt', { gap: show('x_mm', 'length', gapMax, 2), at: at ?? '' }))
  return (
    <figure style={{ margin: '8px auto 4px', maxWidth: 560 }}>
      <svg viewBox={`0 0 ${WIDTH} ${height}`} role="img" style={{ width: '100%', display: 'block' }} aria-label={said.join(', ')}>
        {strip(topFace, top, 1)}
        {strip(bottomFace, bottom, -1)}
        <line x1={6} x2={WIDTH - 6} y1={mid} y2={mid} stroke={c.rule} strokeWidth={1.2} strokeDasharray="14 4 3 4" />
        <text x={6} y={mid - 7} fontSize={TEXT} fill={c.ink}>
          {say('ui.pipe', { od: show('x_mm', 'length', od, 0) })}
        </text>
        <text x={6} y={mid + 21} fontSize={TEXT} fill={c.faint}>
          {say('ui.coupling', { coupling: length(coupling) })}
        </text>
        {(
          [
            [left, -1],
            [right, 1],
          ] as const
        ).map(
          ([s, sign]) =>
            s.mark !== null && (
              <text
                key={sign}
                x={sign < 0 ? 6 : WIDTH - 6}
                y={18}
                fontSize={TEXT}
                textAnchor={sign < 0 ? 'start' : 'end'}
                fill={c.accent}
                fontWeight={700}
              >
                {say('ui.mark', { mark: length(s.mark) })}
              </text>
            ),
        )}
        {gapMax !== null && (
          <>
            <text x={WIDTH - 6} y={mid - 7} fontSize={TEXT} textAnchor="end" fill={c.ink}>
              {onTop ? largest : smallest}
            </text>
            <text x={WIDTH - 6} y={mid + 21} fontSize={TEXT} textAnchor="end" fill={c.ink}>
              {onTop ? smallest : largest}
            </text>
          </>
        )}
        <line x1={10} x2={10 + bar * px} y1={height - 5} y2={height - 5} stroke={c.ink} strokeWidth={3} />
        <text x={16 + bar * px} y={height - 1} fontSize={TEXT} fill={c.faint}>
          {length(bar)}
        </text>
      </svg>
      <figcaption style={{ color: c.faint, textAlign: 'center' }}>
        {say('ui.lengthsToScaleDashedPeeledDots', {
          gap: factor !== null && factor > 1 ? say('ui.gapDrawnTimesAsWide', { factor }) : '',
        })}
      </figcaption>
    </figure>
  )
}
