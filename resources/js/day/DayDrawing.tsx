import { Box, Button, Typography, useTheme } from '@mui/material'
import { useEffect, useMemo, useRef, useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import type { DayPage } from '../api/client'
import { say } from '../texts/say'
import { hourMinute, longDay } from '../ui/clock'
import { Legend } from './Legend'
import { dateOf, datesOf, firstOf, lastOf, onDate, spellsOf, waysOfClamps, type Spell, type Time } from './spells'

const LEFT = 58
const TOP = 62
const EDGE = 14
const RING_Y = 40
const LEAST_COLUMN = 46
const MOST_COLUMN = 92
const HOUR_MS = 3_600_000
/** So high a day is drawn, px; an hour takes no less and no more than. */
const DAY_PX = 600
const LEAST_HOUR_PX = 34
const MOST_HOUR_PX = 84
/** A wait that is drawn shorter has no room for its figure, px. */
const WRITTEN_PX = 15

interface Shown {
  spells: Spell[]
  from: number
  to: number
  px: number
  column: number
}

const clipped = ([from, to]: Time, shown: Shown): Time | null =>
  to < shown.from || from > shown.to ? null : [Math.max(from, shown.from), Math.min(to, shown.to)]

/** What of a day is drawn: from the first act or the beginning of work to the last, whole hours. */
function shownOf(page: DayPage, spells: Spell[], date: string, zone: string, width: number): Shown {
  const now = Date.parse(page.now)
  const test = page.test_from === null ? null : Date.parse(page.test_from)
  const isOn = (at: number): boolean => dateOf(at, zone) === date
  const moments = [
    ...spells.flatMap((spell) => [firstOf(spell), lastOf(spell)]),
    ...page.pauses.flatMap((pause) => [Date.parse(pause.from), Date.parse(pause.to)]),
    ...(test === null ? [] : [test]),
    ...[page.test_at, page.test_to].flatMap((at) => (at === null || test === null ? [] : [Date.parse(at)])),
  ].filter(isOn)
  if (isOn(now)) moments.push(now)
  const from = Math.floor(Math.min(...moments) / HOUR_MS) * HOUR_MS
  const to = Math.max(Math.ceil((Math.max(...moments) + 1) / HOUR_MS) * HOUR_MS, from + 2 * HOUR_MS)
  const px = Math.min(MOST_HOUR_PX, Math.max(LEAST_HOUR_PX, DAY_PX / ((to - from) / HOUR_MS))) / HOUR_MS
  const column = Math.min(MOST_COLUMN, Math.max(LEAST_COLUMN, (width - LEFT - EDGE) / Math.max(1, spells.length)))
  return { spells, from, to, px, column }
}

/** The line against the clock: joints across, time down. What is done stands filled, what is planned outlined. */
export function DayDrawing({ page, zone }: { page: DayPage; zone: string }): ReactElement | null {
  const [chosen, setChosen] = useState<string | null>(null)
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(358)
  useEffect(() => {
    const element = box.current
    if (!element) return
    const watch = new ResizeObserver(() => setWidth(element.clientWidth))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  const all = useMemo(() => spellsOf(page), [page])
  const test = page.test_from === null || page.joints.length + page.attached.length === 0 ? null : Date.parse(page.test_from)
  const dates = useMemo(() => datesOf(all, test, zone), [all, test, zone])
  const today = dateOf(Date.parse(page.now), zone)
  // Where work goes on: a day on which nothing is to come is looked at where somebody asks for it.
  const coming = useMemo(
    () =>
      datesOf(
        all.filter((spell) => !spell.done),
        null,
        zone,
      ),
    [all, zone],
  )
  const usual = coming[0] ?? dates.find((date) => date >= today) ?? dates[dates.length - 1]
  const date = chosen !== null && dates.includes(chosen) ? chosen : usual
  const shown = useMemo(
    () => (date === undefined ? null : shownOf(page, onDate(all, date, zone), date, zone, width)),
    [page, all, date, zone, width],
  )
  if (date === undefined || shown === null) return <Box ref={box} />
  const at = dates.indexOf(date)
  return (
    <Box ref={box}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1 }}>
        <Button
          variant="outlined"
          sx={{ minWidth: 56, px: 0 }}
          aria-label={say('day.dayBefore')}
          disabled={at <= 0}
          onClick={() => setChosen(dates[at - 1]!)}
        >
          ←
        </Button>
        <Typography variant="h2" component="h2" sx={{ flex: 1, textAlign: 'center' }}>
          {date === today ? say('day.todayIs', { day: longDay(date) }) : longDay(date)}
        </Typography>
        <Button
          variant="outlined"
          sx={{ minWidth: 56, px: 0 }}
          aria-label={say('day.dayAfter')}
          disabled={at >= dates.length - 1}
          onClick={() => setChosen(dates[at + 1]!)}
        >
          →
        </Button>
      </Box>
      {shown.spells.length === 0 ? (
        <Typography sx={{ my: 2 }}>{say('day.onlyTheTest', { at: hourMinute(page.test_from!, zone) })}</Typography>
      ) : (
        <Box tabIndex={0} role="region" aria-label={say('day.drawn', { count: shown.spells.length })} sx={{ overflowX: 'auto' }}>
          <Chart page={page} shown={shown} room={width} test={test} zone={zone} />
        </Box>
      )}
      <Legend
        hasClamps={shown.spells.some((spell) => spell.clamps)}
        hasCooling={shown.spells.some((spell) => spell.cool)}
        hasPlant={shown.spells.some((spell) => spell.open)}
      />
    </Box>
  )
}

interface ChartProps {
  page: DayPage
  shown: Shown
  /** px across, where fewer joints than would fill it are drawn */
  room: number
  test: number | null
  zone: string
}

function Chart({ page, shown, room, test, zone }: ChartProps): ReactElement {
  const c = useTheme().colours
  const navigate = useNavigate()
  const { spells, from, to, px, column } = shown
  const width = Math.max(room, LEFT + spells.length * column + EDGE)
  const height = TOP + (to - from) * px + 30
  const y = (at: number): number => TOP + (at - from) * px
  const x = (i: number): number => LEFT + i * column + column * 0.55
  const half = Math.min(24, column * 0.27)
  const now = Date.parse(page.now)
  // The test is drawn from then on, and says it.
  const isSpelt = page.section !== null && page.test_to !== null && page.test_at === page.test_from
  const hours = Array.from({ length: Math.round((to - from) / HOUR_MS) + 1 }, (_, i) => from + i * HOUR_MS)
  const pauses = page.pauses
    .map((pause) => clipped([Date.parse(pause.from), Date.parse(pause.to)], shown))
    .filter((pause): pause is Time => pause !== null)
  return (
    <svg width={width} height={height} style={{ display: 'block' }} role="group" aria-label={say('day.drawn', { count: spells.length })}>
      <defs>
        <pattern id="cooling" width={7} height={7} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1={0} y1={0} x2={0} y2={7} stroke={c.ink} strokeWidth={1.6} />
        </pattern>
      </defs>
      {pauses.map(([a, b]) => (
        <g key={a}>
          <rect x={LEFT} y={y(a)} width={width - LEFT} height={y(b) - y(a)} fill={c.raised} />
          {y(b) - y(a) > 16 && (
            <text x={LEFT + 6} y={(y(a) + y(b)) / 2 + 5} fontSize={14} fill={c.faint}>
              {say('day.nobodyWorks')}
            </text>
          )}
        </g>
      ))}
      {hours.map((at) => (
        <g key={at}>
          <line x1={LEFT} x2={width} y1={y(at)} y2={y(at)} stroke={c.rule} strokeWidth={1.2} />
          <text x={LEFT - 8} y={y(at) + 5} fontSize={15} textAnchor="end" fill={c.ink}>
            {hourMinute(at, zone)}
          </text>
        </g>
      ))}
      <line x1={LEFT} x2={width} y1={RING_Y} y2={RING_Y} stroke={c.rule} strokeWidth={3} strokeDasharray="10 8" />
      {waysOfClamps(spells).map((way) =>
        way.slice(1).map((to_, k) => {
          const [a, b] = [spells[way[k]!]!.clamps![1], spells[to_]!.clamps![0]]
          return a < from || b > to ? null : (
            <line
              key={to_}
              x1={x(way[k]!) - half - 9}
              x2={x(to_) - half - 9}
              y1={y(a)}
              y2={y(b)}
              stroke={c.ink}
              strokeWidth={1.4}
              strokeDasharray={spells[to_]!.done ? undefined : '4 3'}
            />
          )
        }),
      )}
      {spells.map((spell, i) => (
        <Column
          key={spell.number}
          spell={spell}
          shown={shown}
          x={x(i)}
          y={y}
          half={half}
          now={now}
          onOpen={() => void navigate(`/joints/${spell.id}`)}
        />
      ))}
      {now >= from && now <= to && (
        <>
          <line x1={LEFT} x2={width} y1={y(now)} y2={y(now)} stroke={c.accent} strokeWidth={2.2} />
          <text x={width - 4} y={y(now) - 6} fontSize={15} fontWeight={700} textAnchor="end" fill={c.accent} {...halo(c.ground)}>
            {say('day.now', { at: hourMinute(now, zone) })}
          </text>
        </>
      )}
      <TestSpell page={page} shown={shown} y={y} width={width} zone={zone} />
      {test !== null && test >= from && test <= to && (
        <>
          <line x1={LEFT} x2={width} y1={y(test)} y2={y(test)} stroke={c.ink} strokeWidth={3} />
          {!isSpelt && (
            <text x={LEFT + 6} y={y(test) - 7} fontSize={16} fontWeight={700} fill={c.ink} {...halo(c.ground)}>
              {say('day.testFrom', { at: hourMinute(test, zone) })}
            </text>
          )}
        </>
      )}
    </svg>
  )
}

interface TestPlace {
  page: DayPage
  shown: Shown
  y: (at: number) => number
  width: number
  zone: string
}

/** The test itself, where it is known how long it takes. */
function TestSpell({ page, shown, y, width, zone }: TestPlace): ReactElement | null {
  const c = useTheme().colours
  if (page.section === null || page.test_at === null || page.test_to === null) return null
  const time = clipped([Date.parse(page.test_at), Date.parse(page.test_to)], shown)
  if (time === null) return null
  const [a, b] = time
  return (
    <g>
      <rect x={LEFT} y={y(a)} width={width - LEFT} height={y(b) - y(a)} fill={c.raised} stroke={c.ink} strokeWidth={1.6} />
      <text x={LEFT + 6} y={y(a) + 20} fontSize={15} fontWeight={700} fill={c.ink}>
        {say('day.testSpell', { from: hourMinute(page.test_at, zone), to: hourMinute(page.test_to, zone) })}
      </text>
    </g>
  )
}

/** Words over the drawing stay readable. */
const halo = (ground: string): object => ({ stroke: ground, strokeWidth: 5, paintOrder: 'stroke', strokeLinejoin: 'round' })

interface Place {
  spell: Spell
  shown: Shown
  x: number
  y: (at: number) => number
  half: number
  now: number
  onOpen: () => void
}

/** One joint, from its number down: hands, power, the wedge that empties as it cools, and its clamps beside. */
function Column({ spell, shown, x, y, half, now, onOpen }: Place): ReactElement {
  const c = useTheme().colours
  const ink = spell.bad ? c.accent : c.ink
  const isNow = firstOf(spell) <= now && lastOf(spell) >= now
  const part = (time: Time | null): Time | null => (time === null ? null : clipped(time, shown))
  const [prepare, wait, fit, fuse, cool, clamps] = [spell.prepare, spell.wait, spell.fit, spell.fuse, spell.cool, spell.clamps].map(part)
  const open = part(spell.open)
  const box = (time: Time | null | undefined, fill: string): ReactElement | null =>
    time ? (
      <rect
        x={x - half}
        y={y(time[0])}
        width={2 * half}
        height={Math.max(2, y(time[1]) - y(time[0]))}
        fill={fill}
        stroke={ink}
        strokeWidth={1.6}
      />
    ) : null
  const waits = wait ? Math.round((wait[1] - wait[0]) / 60_000) : 0
  return (
    <g
      role="link"
      tabIndex={0}
      aria-label={say('common.joint', { number: spell.number })}
      style={{ cursor: 'pointer' }}
      onClick={onOpen}
      onKeyDown={(e) => e.key === 'Enter' && onOpen()}
    >
      <text
        x={x}
        y={20}
        fontSize={15}
        textAnchor="middle"
        fontWeight={isNow || spell.bad ? 700 : 400}
        fill={isNow || spell.bad ? c.accent : c.ink}
      >
        {spell.number}
      </text>
      <circle
        cx={x}
        cy={RING_Y}
        r={spell.hangs ? 5 : 9}
        fill={c.ground}
        stroke={ink}
        strokeWidth={spell.done ? 3 : 1.4}
        strokeDasharray={spell.done || spell.hangs ? undefined : '44 13'}
      />
      {open && (
        <rect
          x={x + half + 3}
          y={y(open[0])}
          width={4}
          height={Math.max(2, y(open[1]) - y(open[0]))}
          fill={c.ground}
          stroke={c.ink}
          strokeWidth={1.2}
          strokeDasharray="3 2"
        />
      )}
      {spell.bad && <line x1={x - 9} x2={x + 9} y1={RING_Y + 9} y2={RING_Y - 9} stroke={c.accent} strokeWidth={3} />}
      {spell.done && !spell.bad && <circle cx={x} cy={RING_Y} r={spell.hangs ? 2 : 3.6} fill={ink} />}
      {wait && <line x1={x} x2={x} y1={y(wait[0])} y2={y(wait[1])} stroke={c.ink} strokeWidth={2.4} strokeDasharray="2 4" />}
      {wait && y(wait[1]) - y(wait[0]) >= WRITTEN_PX && (
        <text x={x + 6} y={(y(wait[0]) + y(wait[1])) / 2 + 5} fontSize={14} fontWeight={700} fill={c.ink} {...halo(c.ground)}>
          {waits}
        </text>
      )}
      {box(prepare, spell.done ? c.raised : c.ground)}
      {box(fit, spell.done ? c.raised : c.ground)}
      {box(fuse, ink)}
      {cool && (
        <path
          d={`M${x - half} ${y(cool[0])}H${x + half}L${x} ${y(cool[1])}Z`}
          fill="url(#cooling)"
          stroke={ink}
          strokeWidth={1.6}
          strokeLinejoin="round"
        />
      )}
      {clamps && (
        <rect
          x={x - half - 12}
          y={y(clamps[0])}
          width={6}
          height={Math.max(2, y(clamps[1]) - y(clamps[0]))}
          fill={spell.done ? c.ink : c.ground}
          stroke={c.ink}
          strokeWidth={1.4}
        />
      )}
    </g>
  )
}
