import { Box, Button, Typography, useTheme } from '@mui/material'
import { memo, useEffect, useMemo, useRef, useState, type ReactElement } from 'react'
import type { LaidRow, LayingOutcome, LineFull } from '../api/client'
import { say } from '../texts/say'
import { useShow } from '../ui/units'
import { groundIn, type GroundPoint } from './ground'
import { placeAt, placesIn, type Placed } from './placed'
import { apart, bars, rowsIn, shifted, showing, timesLarger, zoomed, type View } from './view'

interface Props {
  line: LineFull
  outcome: LayingOutcome
  /** largest angle of a joint, degrees */
  limit: number
  /** of it that is used */
  share: number
  ground: GroundPoint[]
  /** over the crown, m; null: nobody asks for any */
  leastCover: number | null
  /** row at hand */
  at: number | null
  onAt: (row: number) => void
}

const PIPES_Y = 30
const ABOVE = { top: 78, height: 92 }
const BARS = { top: 214, height: 108 }
const SIDE = { top: 366, height: 104 }
const HEIGHT = SIDE.top + SIDE.height + 18
const EDGE = 12
/** More bars than this nobody tells apart; figures on bars and pipes want so much room, rings less, px. */
const MOST_BARS = 160
const FIGURE_PX = 25
/** Nearer to each other than this two figures lie on each other, px. */
const LEAST_FIGURE_PX = 18
/** A length such as 5.62 takes so much, px. */
const LENGTH_PX = 32
const RING_PX = 11
/** A bend is short, and is seen all the same, px. */
const LEAST_BEND_PX = 5
/** What of the height of the bars the whole limit takes. */
const FULL = 0.74

/** The plan along its chainage: pipes, from above, the share of the angle that each joint uses, from the side. One axis for all. */
export const LayingDrawing = memo(function LayingDrawing({
  line,
  outcome,
  limit,
  share,
  ground,
  leastCover,
  at,
  onAt,
}: Props): ReactElement {
  const c = useTheme().colours
  const show = useShow()
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(800)
  const whole = useMemo(() => ({ from: line.start_m, to: line.start_m + line.length_m }), [line.start_m, line.length_m])
  const [view, setView] = useState<View>(whole)
  const drag = useRef<{ x: number; view: View; moved: boolean } | null>(null)
  const { rows } = outcome
  const fails = outcome.fail_station_m

  useEffect(() => {
    const element = box.current
    if (!element) return
    const watch = new ResizeObserver(() => setWidth(element.clientWidth))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])

  const place = at === null ? null : (rows[at]?.from_m ?? null)
  const shown = useMemo(() => (place === null ? view : showing(view, place, whole)), [view, place, whole])
  const inner = Math.max(200, width - 2 * EDGE)
  const px = inner / (shown.to - shown.from)
  const x = (m: number): number => EDGE + (m - shown.from) * px
  const zoom = (by: number): void => setView(zoomed(shown, by, place ?? (shown.from + shown.to) / 2, whole))

  const [first, behind] = rowsIn(rows, shown)
  const isRoomy = (behind - first) * FIGURE_PX < inner
  const hasRings = (behind - first) * RING_PX < inner
  const found = useMemo(() => bars(rows, shown, MOST_BARS), [rows, shown])
  // The two joints of a bend lie side by side: one figure for both.
  const labelled = new Set(isRoomy ? apart(found, LEAST_FIGURE_PX / px) : [])
  const plan = useMemo(() => placesIn(line.centre_line, shown), [line.centre_line, shown])
  const wide = Math.max(0.2, ...plan.map(([, off]) => Math.abs(off)))
  const larger = timesLarger((ABOVE.height / 2 - 10) / (wide * px))
  const over = useMemo(() => groundIn(ground, shown), [ground, shown])
  const levels = [...plan.map(([, , level]) => level), ...over.map(({ level_m }) => level_m)]
  const [low, high] = [Math.min(...levels), Math.max(...levels)]
  const taller = timesLarger((SIDE.height - 24) / (Math.max(0.05, high - low) * px))
  const yAbove = (off: number): number => ABOVE.top + ABOVE.height / 2 + off * px * larger
  const ySide = (level: number): number => SIDE.top + SIDE.height / 2 - (level - (low + high) / 2) * px * taller
  const yBar = (used: number): number => BARS.top + BARS.height - Math.min(1.25, used) * BARS.height * FULL
  const offOf = (row: LaidRow): [number, number] => [placeAt(line.centre_line, shown, row.from_m)[1], row.from.invert_m]
  const joints = hasRings ? rows.slice(first, behind).map((row, i) => ({ row: first + i, at: row.from_m, of: offOf(row) })) : []
  const colour = { water: c.water, sewer: c.sewer, gas: c.gas }[line.service] ?? c.ink
  const path = (points: [number, number][]): string => points.map(([a, b]) => `${a.toFixed(1)},${b.toFixed(1)}`).join(' ')
  const plumb = fails ?? place

  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <Button variant="outlined" onClick={() => zoom(2)} aria-label={say('laying.larger')} sx={{ minWidth: 56 }}>
          +
        </Button>
        <Button variant="outlined" onClick={() => zoom(0.5)} aria-label={say('laying.smaller')} sx={{ minWidth: 56 }}>
          −
        </Button>
        <Button variant="outlined" onClick={() => setView(whole)}>
          {say('laying.wholeLine')}
        </Button>
        <Typography sx={{ ml: 'auto' }}>
          {say('laying.seen', { from: show('x_m', 'length', shown.from, 1), to: show('x_m', 'length', shown.to, 1) })}
        </Typography>
      </Box>
      <Box
        ref={box}
        tabIndex={0}
        role="application"
        aria-label={say('laying.theDrawing')}
        sx={{ touchAction: 'pan-y', cursor: 'grab', userSelect: 'none' }}
        onKeyDown={(e) => {
          if (e.key === 'ArrowRight' || e.key === 'ArrowLeft') {
            e.preventDefault()
            onAt(Math.min(rows.length - 1, Math.max(0, (at ?? first - 1) + (e.key === 'ArrowRight' ? 1 : -1))))
          }
          if (e.key === '+') zoom(2)
          if (e.key === '-') zoom(0.5)
        }}
        onPointerDown={(e) => {
          drag.current = { x: e.clientX, view: shown, moved: false }
        }}
        onPointerMove={(e) => {
          const from = drag.current
          if (from === null) return
          const by = e.clientX - from.x
          if (!from.moved && Math.abs(by) < 4) return
          if (!from.moved) e.currentTarget.setPointerCapture(e.pointerId)
          from.moved = true
          setView(shifted(from.view, -by / px, whole))
        }}
        onPointerUp={(e) => {
          const from = drag.current
          drag.current = null
          if (from === null || from.moved || rows.length === 0) return
          const m = shown.from + (e.clientX - e.currentTarget.getBoundingClientRect().left - EDGE) / px
          const [near] = rowsIn(rows, { from: m, to: m })
          const row = Math.min(near, rows.length - 1)
          const after = Math.min(row + 1, rows.length - 1)
          onAt(Math.abs(rows[after]!.from_m - m) < Math.abs(rows[row]!.from_m - m) ? after : row)
        }}
        onPointerCancel={() => {
          drag.current = null
        }}
        onWheel={(e) => {
          if (!e.ctrlKey && Math.abs(e.deltaX) <= Math.abs(e.deltaY)) return
          const m = shown.from + (e.clientX - e.currentTarget.getBoundingClientRect().left - EDGE) / px
          setView(e.ctrlKey ? zoomed(shown, e.deltaY < 0 ? 1.2 : 1 / 1.2, m, whole) : shifted(shown, e.deltaX / px, whole))
        }}
      >
        <svg width={width} height={HEIGHT} style={{ display: 'block' }} role="img" aria-label={say('laying.drawn', { count: rows.length })}>
          {plumb !== null && <rect x={x(plumb) - 15} y={PIPES_Y + 14} width={30} height={HEIGHT - PIPES_Y - 20} fill={c.raised} />}
          <Ticks view={shown} x={x} inner={inner} colour={c.faint} />
          <line x1={x(shown.from)} x2={x(shown.to)} y1={PIPES_Y} y2={PIPES_Y} stroke={c.rule} strokeWidth={3} strokeDasharray="10 8" />
          <line x1={x(shown.from)} x2={x(Math.max(shown.from, outcome.from_m))} y1={PIPES_Y} y2={PIPES_Y} stroke={colour} strokeWidth={9} />
          {rows.slice(first, behind).map(
            (row) =>
              hasRings && (
                <g key={row.from_m}>
                  <line
                    x1={x(row.from_m) + (row.bend ? 0 : 2)}
                    x2={Math.max(x(row.to_m) - 2, x(row.from_m) + (row.bend ? LEAST_BEND_PX : 0))}
                    y1={PIPES_Y}
                    y2={PIPES_Y}
                    stroke={c.ink}
                    strokeWidth={row.bend ? 15 : 5}
                  />
                  <text
                    // A short piece between others has no room for its length: the table has it.
                    visibility={!row.bend && isRoomy && (row.to_m - row.from_m) * px > LENGTH_PX ? undefined : 'hidden'}
                    x={(x(row.from_m) + x(row.to_m)) / 2}
                    y={PIPES_Y + 22}
                    fontSize={14}
                    textAnchor="middle"
                    fill={c.ink}
                    fontWeight={row.cut_from_m === null ? 400 : 700}
                  >
                    {figureShort(row.length_m)}
                  </text>
                </g>
              ),
          )}
          <Caption y={ABOVE.top - 8} title={say('laying.fromAbove')} note={say('laying.sidewaysTimes', { times: larger })} />
          <polyline
            fill="none"
            stroke={colour}
            strokeWidth={5}
            strokeLinejoin="round"
            points={path(plan.map(([m, off]) => [x(m), yAbove(off)]))}
          />
          {joints.map(({ row, at: m, of: [off] }) => (
            <circle key={row} cx={x(m)} cy={yAbove(off)} r={4.5} fill={c.ground} stroke={c.ink} strokeWidth={1.6} />
          ))}
          <Caption y={BARS.top - 12} title={say('laying.angleUsed')} note={say('laying.shareOfTheLimit')} />
          <line x1={EDGE} x2={EDGE + inner} y1={yBar(0)} y2={yBar(0)} stroke={c.ink} strokeWidth={1.4} />
          <line x1={EDGE} x2={EDGE + inner} y1={yBar(1)} y2={yBar(1)} stroke={c.ink} strokeWidth={2} strokeDasharray="2 5" />
          {share < 1 && (
            <line x1={EDGE} x2={EDGE + inner} y1={yBar(share)} y2={yBar(share)} stroke={c.faint} strokeWidth={1.2} strokeDasharray="9 6" />
          )}
          <text x={EDGE + inner} y={yBar(1) - 5} fontSize={13} textAnchor="end" fill={c.faint}>
            100 %
          </text>
          {found.map((bar) => (
            <g key={bar.row}>
              <rect
                x={x(bar.at) - barWidth(inner, found.length) / 2}
                y={yBar(bar.share)}
                width={barWidth(inner, found.length)}
                height={yBar(0) - yBar(bar.share)}
                fill={bar.row === at ? c.ink : c.raised}
                stroke={c.ink}
                strokeWidth={found.length > 80 ? 0.8 : 1.6}
              />
              {labelled.has(bar.row) && (
                <text
                  x={x(bar.at)}
                  y={yBar(bar.share) - 5}
                  fontSize={14}
                  textAnchor="middle"
                  fill={c.ink}
                  fontWeight={bar.row === at ? 700 : 400}
                >
                  {Math.round(100 * bar.share)}
                </text>
              )}
            </g>
          ))}
          {fails !== null && <Failing x={x(fails)} yBar={yBar} share={failShare(outcome, limit)} />}
          <Caption y={SIDE.top - 6} title={say('laying.fromTheSide')} note={say('laying.heightsTimes', { times: taller })} />
          {leastCover !== null && over.length > 1 && (
            <polygon
              fill={c.raised}
              points={path([
                ...over.map(({ at_m, level_m }): [number, number] => [x(at_m), ySide(level_m)]),
                ...[...over].reverse().map(({ at_m, level_m }): [number, number] => [x(at_m), ySide(level_m - leastCover)]),
              ])}
            />
          )}
          {leastCover !== null && over.length > 1 && (
            <text x={EDGE} y={HEIGHT - 4} fontSize={15} fill={c.faint}>
              {say('laying.shadedCover', { least: show('x_m', 'length', leastCover, 2) })}
            </text>
          )}
          {over.length > 1 && (
            <polyline
              fill="none"
              stroke={c.ink}
              strokeWidth={2}
              points={path(over.map(({ at_m, level_m }) => [x(at_m), ySide(level_m)]))}
            />
          )}
          <polyline
            fill="none"
            stroke={colour}
            strokeWidth={5}
            strokeLinejoin="round"
            points={path(plan.map(([m, , level]) => [x(m), ySide(level)]))}
          />
          {joints.map(({ row, at: m, of: [, level] }) => (
            <circle key={row} cx={x(m)} cy={ySide(level)} r={4.5} fill={c.ground} stroke={c.ink} strokeWidth={1.6} />
          ))}
          {fails !== null && (
            <>
              <circle cx={x(fails)} cy={yAbove(offAt(plan, fails))} r={9} fill={c.accent} />
              <circle cx={x(fails)} cy={ySide(levelAt(plan, fails))} r={9} fill={c.accent} />
            </>
          )}
        </svg>
      </Box>
    </Box>
  )
})

const barWidth = (inner: number, count: number): number => Math.max(1.5, Math.min(24, (inner / Math.max(1, count)) * 0.6))

const failShare = (outcome: LayingOutcome, limit: number): number | null =>
  outcome.fail_angle_deg === null ? null : outcome.fail_angle_deg / limit

const figureShort = (metres: number): string => String(Number(metres.toFixed(2)))

const between = (plan: Placed[], m: number, of: 1 | 2): number => {
  const i = Math.max(
    1,
    plan.findIndex(([at]) => at >= m),
  )
  const [a, b] = [plan[i - 1]!, plan[i]!]
  return a[of] + ((b[of] - a[of]) * (m - a[0])) / Math.max(1e-9, b[0] - a[0])
}
const offAt = (plan: Placed[], m: number): number => between(plan, m, 1)
const levelAt = (plan: Placed[], m: number): number => between(plan, m, 2)

function Caption({ y, title, note }: { y: number; title: string; note: string }): ReactElement {
  const c = useTheme().colours
  return (
    <text x={EDGE} y={y} fontSize={15} fill={c.ink}>
      <tspan fontWeight={700}>{title}</tspan>
      <tspan dx={10} fill={c.faint}>
        {note}
      </tspan>
    </text>
  )
}

function Ticks({ view, x, inner, colour }: { view: View; x: (m: number) => number; inner: number; colour: string }): ReactElement {
  const show = useShow()
  const rough = (view.to - view.from) / (inner / 120)
  const step = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000].find((s) => s >= rough) ?? 10_000
  const ticks = Array.from({ length: Math.floor((view.to - view.from) / step) + 1 }, (_, i) => (Math.ceil(view.from / step) + i) * step)
  return (
    <>
      {ticks
        .filter((m) => m <= view.to)
        .map((m) => (
          <text
            key={m}
            x={x(m)}
            y={14}
            fontSize={13}
            fill={colour}
            textAnchor={x(m) < EDGE + 20 ? 'start' : x(m) > EDGE + inner - 20 ? 'end' : 'middle'}
          >
            {show('x_m', 'length', m, 0)}
          </text>
        ))}
    </>
  )
}

/** The joint that would have to turn too far: its bar, and by how much over. */
function Failing({ x, yBar, share }: { x: number; yBar: (share: number) => number; share: number | null }): ReactElement {
  const c = useTheme().colours
  const top = yBar(share ?? 1.2)
  return (
    <g>
      <rect x={x - 12} y={top} width={24} height={yBar(0) - top} fill={c.accent} />
      {share !== null && (
        <text x={x} y={top - 5} fontSize={17} fontWeight={700} textAnchor="middle" fill={c.accent}>
          {Math.round(100 * share)}
        </text>
      )}
    </g>
  )
}
