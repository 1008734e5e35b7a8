import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { useShow } from '../units'
import { say } from '../../texts/say'
import { across, layoutOf, pointOf, WIDTH, type Layout } from './layout'
import { CLEAR, Wall } from './Wall'

/** On a phone the drawing is a fifth smaller than here. */
const TEXT = 19.5

/** A spigot in its socket or coupling, cut open along the line, to scale from its own sizes. It points at what is checked. */
export function SocketSection({ of }: { of: Record<string, unknown> }): ReactElement | null {
  const c = useTheme().colours
  const show = useShow()
  const l = layoutOf(of)
  if (!l) return null
  const length = (mm: number): string => show('x_mm', 'length', mm, 0)
  const bell = l.thick * 1.1
  const top = 30 + bell
  const height = top + 2 * (CLEAR + l.thick) + 64 + bell + 34
  const bottom = height - 34 - bell
  const mid = (top + bottom) / 2
  const point = pointOf(l)
  const what = pointed(l, of, length)
  const bar = [5, 10, 20, 50, 100, 200, 500].find((mm) => mm * l.px > 46) ?? 500
  const pipe = say('ui.pipe', { od: length(l.od) })
  const deep = l.toScale ? say(l.sleeve ? 'ui.halfOfCoupling' : 'ui.socketDeep', { depth: length(l.depth) }) : ''
  return (
    <figure style={{ margin: '8px auto 4px', maxWidth: 560 }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        style={{ width: '100%', display: 'block' }}
        aria-label={[say(l.sleeve ? 'ui.jointInCoupling' : 'ui.jointInSocket'), pipe, deep, what].filter(Boolean).join(', ')}
      >
        <Wall of={l} face={top} up={1} />
        <Wall of={l} face={bottom} up={-1} />
        <line x1={6} x2={WIDTH - 6} y1={mid} y2={mid} stroke={c.rule} strokeWidth={1.2} strokeDasharray="14 4 3 4" />
        <text x={8} y={mid - 6} fontSize={TEXT} fill={c.ink}>
          {pipe}
        </text>
        <text x={8} y={mid + 21} fontSize={TEXT} fill={c.faint}>
          {deep}
        </text>
        {what && point !== null && (
          <>
            <line x1={across(l, point)} x2={across(l, point)} y1={22} y2={top + CLEAR / 2} stroke={c.accent} strokeWidth={1.4} />
            <text
              x={Math.min(WIDTH - 8, Math.max(8, across(l, point)))}
              y={17}
              fontSize={TEXT}
              fontWeight={700}
              fill={c.accent}
              textAnchor={across(l, point) > WIDTH / 2 ? 'end' : 'start'}
            >
              {what}
            </text>
          </>
        )}
        {l.toScale && (
          <>
            <line x1={10} x2={10 + bar * l.px} y1={height - 5} y2={height - 5} stroke={c.ink} strokeWidth={3} />
            <text x={16 + bar * l.px} y={height - 1} fontSize={TEXT} fill={c.faint}>
              {length(bar)}
            </text>
          </>
        )}
      </svg>
      <figcaption style={{ color: c.faint, textAlign: 'center' }}>
        {say(l.toScale ? 'ui.lengthsToScale' : 'ui.noLengthsToScale')}
      </figcaption>
    </figure>
  )
}

/** What is said where it points. */
function pointed(l: Layout, of: Record<string, unknown>, length: (mm: number) => string): string {
  const mm = (key: string): string | null => (typeof of[key] === 'number' ? length(of[key]) : null)
  // The procedure calls its mark by what it means.
  const name = typeof of['called'] === 'string' ? of['called'] : say('ui.plainMark')
  switch (l.points) {
    case 'ring':
      return say(l.ring === 'strip' ? 'ui.sealantHere' : 'ui.ringHere')
    case 'mark':
      return mm('visible_mm') !== null
        ? say('ui.markFromFace', { name, mark: mm('visible_mm')! })
        : mm('mark_mm') !== null
          ? say('ui.markFromEnd', { name, mark: mm('mark_mm')! })
          : ''
    case 'feeler':
      return mm('feeler_min_mm') !== null && mm('feeler_max_mm') !== null
        ? say('ui.bladeStops', { from: mm('feeler_min_mm')!, to: mm('feeler_max_mm')! })
        : say('ui.bladeHere')
    case 'gap':
      return say('ui.gapHere')
    case 'lock':
      return say('ui.locksHere')
    case null:
      return ''
  }
}
