import { Box, useTheme } from '@mui/material'
import { memo, useEffect, useMemo, useRef, useState, type ReactElement } from 'react'
import type { Clock, JointShort, SectionShort } from '../api/client'
import { useShow } from './units'
import { say } from '../texts/say'
import { isProving } from './isProving'
import { stateWord } from '../texts/words'

interface Props {
  joints: JointShort[]
  sections: SectionShort[]
  startM: number
  lengthM: number
  service: string
  profile?: number[][] | undefined
  /** id of the joint at hand; else the face is shown */
  at?: string
  now: number
  onOpen?: (id: string) => void
  compact?: boolean
  /** Ids of joints with entries that are not yet sent. */
  unsent?: Set<string>
}

const LEAST_STEP = 34
const RING = 11
/** How far beyond the view is drawn, and in which steps the view moves, px. */
const MARGIN = 400
const snapped = (scroll: number): number => Math.floor(scroll / MARGIN) * MARGIN

const inLine = (j: JointShort): boolean => j.place === 'in-line'

/** The face, where work goes on: a joint of the line that was begun and not yet left, else the first that is planned. */
export const faceOf = (joints: JointShort[]): JointShort | undefined =>
  joints.find((j) => inLine(j) && j.state === 'begun' && !j.left_face) ?? joints.find((j) => inLine(j) && j.state === 'planned')

/** The clock with which a step waits: until it has run out the joint is left alone. */
export const waitOf = (joint: JointShort): Clock | undefined =>
  joint.state === 'begun' ? joint.clocks?.find((c) => c.until !== null) : undefined

export const coolingUntil = (joint: JointShort, now: number): number | null => {
  const at = Date.parse(waitOf(joint)?.at ?? '')
  return at > now ? at : null
}

/** The whole line as one strip: pipes, joints as rings whose gap closes, sections as brackets, levels above. */
export const LineString = memo(function LineString(props: Props): ReactElement {
  const { joints: all, sections, startM, lengthM, service, profile, at, now, onOpen, compact, unsent } = props
  // Restraints belong to their joint and are shown there.
  const joints = useMemo(() => all.filter((j) => j.place !== 'restraint'), [all])
  const saddles = joints.some((j) => j.place === 'on-pipe')
  const theme = useTheme()
  const c = theme.colours
  const show = useShow()
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(800)
  const [zoom, setZoom] = useState(1)
  const [scrolled, setScrolled] = useState(0)
  const index = useMemo(() => new Map(joints.map((j, i) => [j.id, i])), [joints])
  const face = useMemo(() => faceOf(joints), [joints])
  const here = at === undefined ? face?.id : (all.find((j) => j.id === at)?.host_id ?? at)

  useEffect(() => {
    const element = box.current
    if (!element) return
    const watch = new ResizeObserver(() => setWidth(element.clientWidth))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])

  // To scale, or evened out when the rings would touch.
  const rings = useMemo(() => joints.filter(inLine), [joints])
  const inner = Math.max(width, rings.length * LEAST_STEP * zoom + 60)
  const x = (m: number): number => 24 + ((m - startM) / lengthM) * (inner - 48)
  const places = useMemo(() => {
    const step = (inner - 48) / Math.max(1, rings.length + 1)
    let last = -Infinity
    const scaledAt = (m: number): number => 24 + ((m - startM) / lengthM) * (inner - 48)
    const known: [number, number][] = [[startM, scaledAt(startM)]]
    rings.forEach((j, i) => {
      const scaled = scaledAt(j.chainage_m)
      const place =
        scaled - last < 2 * RING + 4
          ? lengthM > 0 && rings.length * LEAST_STEP < inner * 1.2
            ? Math.max(scaled, last + 2 * RING + 4)
            : 24 + step * (i + 1)
          : scaled
      last = place
      known.push([j.chainage_m, place])
    })
    known.push([startM + lengthM, Math.max(last + 1, scaledAt(startM + lengthM))])
    let i = 1
    let ring = 1
    return joints.map((j) => {
      if (inLine(j)) return known[ring++]![1]
      // What sits on a pipe lies between the rings of its ends.
      while (i < known.length - 1 && known[i]![0] < j.chainage_m) i++
      const [[m0, x0], [m1, x1]] = [known[i - 1]!, known[i]!]
      return m1 > m0 ? x0 + ((j.chainage_m - m0) / (m1 - m0)) * (x1 - x0) : x0
    })
  }, [joints, rings, inner, startM, lengthM])

  useEffect(() => {
    const place = places[index.get(here ?? '') ?? -1]
    const element = box.current
    if (place !== undefined && element && inner > element.clientWidth) {
      element.scrollLeft = place - element.clientWidth / 2
      setScrolled(snapped(element.scrollLeft))
    }
  }, [here, inner, index, places])

  useEffect(() => {
    if (!onOpen) return
    const keys = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement
      if (['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) || document.querySelector('[role=dialog]')) return
      if (event.key === '+' || event.key === '-') setZoom((z) => Math.min(6, Math.max(1, event.key === '+' ? z * 1.5 : z / 1.5)))
      if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
      const next = joints[(index.get(here ?? '') ?? -1) + (event.key === 'ArrowRight' ? 1 : -1)]
      if (next) {
        event.preventDefault()
        onOpen(next.id)
      }
    }
    window.addEventListener('keydown', keys)
    return () => window.removeEventListener('keydown', keys)
  }, [joints, index, here, onOpen])

  const top = compact ? (saddles ? 22 : 6) : saddles ? 82 : 66
  const y = top + RING + 4
  const height = compact ? y + RING + 8 : y + (sections.length > 0 ? 70 : 30)
  const colour = { water: c.water, sewer: c.sewer, gas: c.gas }[service] ?? c.ink
  const ticks = useMemo(() => {
    const rough = lengthM / (inner / 110)
    const step = [10, 20, 50, 100, 200, 500, 1000, 2000].find((s) => s >= rough) ?? 5000
    return Array.from({ length: Math.floor(lengthM / step) + 1 }, (_, i) => Math.ceil(startM / step) * step + i * step).filter(
      (m) => m <= startM + lengthM,
    )
  }, [lengthM, startM, inner])
  const levels = profile?.map((p) => p[3]!) ?? []
  const low = Math.min(...levels)
  const high = Math.max(...levels)
  const laidTo = useMemo(
    () => joints.reduce((far, j, i) => (j.state === 'planned' || !inLine(j) ? far : Math.max(far, places[i]! + 12)), 24),
    [joints, places],
  )
  // Only what is in view, and a little to both sides, is drawn: a line may have thousands of joints.
  const from = Math.max(0, scrolled - MARGIN)
  const to = Math.min(inner, scrolled + width + 2 * MARGIN)
  const inView = (place: number): boolean => place >= from - 40 && place <= to + 40

  return (
    <Box
      ref={box}
      sx={{ overflowX: 'auto', overflowY: 'hidden', mx: { xs: -2, md: 0 }, scrollbarWidth: 'thin' }}
      onScroll={(e) => setScrolled(snapped(e.currentTarget.scrollLeft))}
      tabIndex={0}
      role="region"
      aria-label={say('ui.theString')}
    >
      <Box sx={{ width: inner, height, position: 'relative' }}>
        <svg
          width={to - from}
          height={height}
          viewBox={`${from} 0 ${to - from} ${height}`}
          role="group"
          aria-label={say('ui.lineWithJoints', { count: joints.length })}
          style={{ display: 'block', position: 'absolute', left: from }}
        >
          {!compact && (
            <>
              {levels.length > 1 && (
                <polyline
                  fill="none"
                  stroke={c.rule}
                  strokeWidth={2}
                  points={profile!.map((p) => `${x(p[0]!)},${44 - ((p[3]! - low) / Math.max(0.1, high - low)) * 24}`).join(' ')}
                />
              )}
              {ticks
                .filter((m) => inView(x(m)))
                .map((m) => (
                  <text key={m} x={x(m)} y={14} fontSize={13} textAnchor={m === startM ? 'start' : 'middle'} fill={c.faint}>
                    {show('x_m', 'length', m, 0)}
                  </text>
                ))}
            </>
          )}
          <line x1={8} x2={inner - 8} y1={y} y2={y} stroke={c.rule} strokeWidth={3} strokeDasharray="10 8" />
          <line x1={8} x2={laidTo} y1={y} y2={y} stroke={colour} strokeWidth={9} />
          {joints.map(
            (j, i) =>
              inView(places[i]!) && (
                <Ring
                  key={j.id}
                  joint={j}
                  x={places[i]!}
                  y={inLine(j) ? y : y - 25}
                  on={inLine(j) ? null : y}
                  here={j.id === here}
                  now={now}
                  onOpen={onOpen}
                  unsent={unsent?.has(j.id) ?? false}
                />
              ),
          )}
          {!compact && face && (
            <g aria-hidden="true" fill={c.accent}>
              <path d={`M${places[index.get(face.id)!]! - 7} ${y - 27} h14 l-7 9z`} />
              <text x={places[index.get(face.id)!]!} y={y - 31} fontSize={14} fontWeight={700} textAnchor="middle">
                {say('ui.face')}
              </text>
            </g>
          )}
          {!compact &&
            sections.map((s) => {
              const test = s.tests[s.tests.length - 1]
              const done = test !== undefined && isProving(test)
              return (
                <g key={s.id} stroke={done || test ? c.ink : c.faint} fill="none" strokeWidth={1.6}>
                  <path d={`M${x(s.from_m) + 3} ${y + 22}v8H${x(s.to_m) - 3}v-8`} />
                  <text
                    x={x(s.from_m) + 8}
                    y={y + 50}
                    fontSize={14}
                    fontWeight={done ? 700 : 400}
                    stroke="none"
                    fill={test?.verdict === 'bad' || test?.asked_kpa ? c.accent : c.ink}
                  >
                    {s.name}
                    {done
                      ? say('ui.testedGood')
                      : test
                        ? test.verdict === 'bad'
                          ? say('ui.testBad', { number: test.number })
                          : test.state === 'accepted'
                            ? say('ui.testedForLess')
                            : say('ui.testOpen', { number: test.number })
                        : ''}
                  </text>
                </g>
              )
            })}
        </svg>
      </Box>
    </Box>
  )
})

function Ring({
  joint,
  x,
  y,
  on,
  here,
  now,
  onOpen,
  unsent,
}: {
  joint: JointShort
  x: number
  y: number
  /** a saddle: where the pipe is that it sits on */ on: number | null
  here: boolean
  now: number
  onOpen?: ((id: string) => void) | undefined
  unsent: boolean
}): ReactElement {
  const c = useTheme().colours
  const share = joint.total > 0 ? joint.done / joint.total : 0
  const until = coolingUntil(joint, now)
  const scale = on === null ? 1 : 0.72
  const bad = joint.verdict === 'bad' && joint.state !== 'cut-out'
  const closed = joint.state === 'made' || joint.state === 'accepted'
  const circumference = 2 * Math.PI * RING
  const stroke = here ? c.accent : c.ink
  const what = until ? say('ui.isCooling') : bad ? say('ui.isBad') : stateWord(joint.pulled_apart ? 'pulled-apart' : joint.state)
  return (
    <g
      transform={`translate(${x} ${y})`}
      role={onOpen ? 'link' : 'img'}
      tabIndex={onOpen ? (here ? 0 : -1) : undefined}
      aria-label={say('ui.jointIs', { number: joint.number, what })}
      onClick={() => onOpen?.(joint.id)}
      onKeyDown={(e) => e.key === 'Enter' && onOpen?.(joint.id)}
      style={{ cursor: onOpen ? 'pointer' : 'default' }}
    >
      <rect x={-17} y={-28} width={34} height={on === null ? 56 : 40} fill="transparent" />
      {on !== null && <path d={`M0 ${on - y - 5}V${RING * scale - 1}M-9 ${on - y - 5}h18`} stroke={c.ink} strokeWidth={3} fill="none" />}
      <g transform={`scale(${scale})`}>
        <circle r={RING} fill={c.ground} stroke="none" />
        {joint.state === 'cut-out' ? (
          <circle r={RING} fill={c.ground} stroke={c.ink} strokeWidth={2} strokeDasharray="3 4" />
        ) : joint.state === 'planned' ? (
          <circle
            r={RING}
            fill="none"
            stroke={here ? c.accent : c.faint}
            strokeWidth={here ? 3 : 1.4}
            strokeDasharray={`${circumference * 0.72} ${circumference}`}
            transform="rotate(-30)"
          />
        ) : (
          <>
            {!closed && <circle r={RING} fill="none" stroke={c.rule} strokeWidth={1.4} />}
            <circle
              r={RING}
              fill="none"
              stroke={stroke}
              strokeWidth={3.4}
              strokeDasharray={closed ? undefined : `${circumference * Math.max(0.08, share)} ${circumference}`}
              transform="rotate(-90)"
            />
            {joint.state === 'accepted' && <circle r={4.6} fill={c.ink} />}
          </>
        )}
        {until && <path d="M0 0V-7.5A7.5 7.5 0 0 1 6.5 3.75Z" fill={c.accent} />}
        {bad && <line x1={-14} y1={14} x2={14} y2={-14} stroke={c.accent} strokeWidth={3.4} />}
        {unsent && <circle cx={11} cy={-12} r={4} fill={c.accent} stroke={c.ground} />}
      </g>
      {here && joint.state !== 'planned' && <circle r={RING * scale + 4.5} fill="none" stroke={c.accent} strokeWidth={1.6} />}
    </g>
  )
}
