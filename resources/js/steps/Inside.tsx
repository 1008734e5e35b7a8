import { Box, Button, Slider, Typography, useTheme } from '@mui/material'
import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense, useEffect, useMemo, useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { askCore } from '../core/core'
import type { Colours } from '../ui/theme'
import { say } from '../texts/say'
import { Message } from '../texts/Message'

const Chart = lazy(() => import('../ui/Chart'))

interface Case {
  case: string
  about: string
  iface_c: number
  wire_c: number
  pipe_melt_mm: number
  fit_melt_mm: number
  gap_left_mm: number
  t_melt_s: number | null
  cool_s: number | null
}
/** The calculation that shows it, and what is known of its inputs. */
interface Model {
  calc: string
  in: Record<string, unknown>
}
interface Answer {
  assumed: Record<string, number>
  sim: { history: number[][]; film_r_mm: number[]; film: number[][]; energy_j: number; iface_peak_c: number }
  cases: Case[]
  cool_to_c: number
  label_cooling_s: number | null
  faces_at_clamps_off_c: number | null
}

const MELTS_C = 132
const ASSUMED: Record<string, string> = {
  zone_len_mm: say('steps.heatedLength'),
  fitting_wall_mm: say('steps.wallOfTheFitting'),
  wire_depth_mm: say('steps.depthOfTheWires'),
  gap_mm: say('steps.gap'),
}

/** By the server, or by the core on the device: nothing is stored, so either may answer. */
async function ask({ calc, in: of }: Model): Promise<Answer> {
  try {
    return await api.post<Answer>(`/calculations/${calc}`, of)
  } catch (error) {
    const here = navigator.onLine ? null : await askCore<Answer>(['calc', calc], of)
    if (here) return here
    throw error
  }
}

const minutes = (s: number | null): string =>
  s === null
    ? say('steps.notWithinHours')
    : say('steps.minutesAndSeconds', { minutes: Math.floor(s / 60), seconds: String(Math.round(s % 60)).padStart(2, '0') })

/** What happened inside a joint: a film along its radius, a chart, and what faults would have done. Understanding, never permission. */
export function Inside({ model }: { model: Model }): ReactElement {
  const of = model.in
  const [open, setOpen] = useState(false)
  const answer = useQuery({ queryKey: ['inside', model], queryFn: () => ask(model), enabled: open, staleTime: Infinity, retry: false })
  if (!open)
    return (
      <Button variant="outlined" fullWidth sx={{ mt: 2 }} onClick={() => setOpen(true)}>
        {say('steps.lookInsideThisJoint')}
      </Button>
    )
  return (
    <Box component="section" aria-labelledby="inside" sx={{ mt: 3, borderTop: 2, borderColor: 'text.primary', pt: 1.5 }}>
      <Typography id="inside" variant="h2">
        {say('steps.insideThisJoint')}
      </Typography>
      <Typography variant="body2">{say('steps.aModelForUnderstandingItNever')}</Typography>
      {answer.isPending && (
        <Typography role="status" sx={{ my: 2 }}>
          {say('steps.theHeatIsWorkedOutFive')}
        </Typography>
      )}
      {answer.error && (
        <Typography role="alert" sx={{ my: 2 }}>
          {answer.error.message}
        </Typography>
      )}
      {answer.data && <Seen answer={answer.data} od={Number(of['od_mm'])} fusing={Number(of['t_s'])} />}
    </Box>
  )
}

function Seen({ answer, od, fusing }: { answer: Answer; od: number; fusing: number }): ReactElement {
  const { sim, cases } = answer
  const own = cases[0]!
  const lines = useMemo(
    () => [
      { label: say('steps.skinOfThePipeC'), values: sim.history.map((h) => h[1]!) },
      { label: say('steps.wireC'), values: sim.history.map((h) => h[2]!) },
      { label: say('steps.meltOfThePipeMm'), values: sim.history.map((h) => h[3]!), axis: 'right' as const },
    ],
    [sim],
  )
  const times = useMemo(() => sim.history.map((h) => h[0]! / 60), [sim])
  const bands = useMemo(
    () => [
      { from: 0, to: fusing / 60, label: say('steps.power') },
      { from: fusing / 60, to: times[times.length - 1] ?? 1, label: say('steps.cooling') },
    ],
    [fusing, times],
  )
  const marks = useMemo(
    () => (answer.label_cooling_s === null ? [] : [{ x: (fusing + answer.label_cooling_s) / 60, label: say('steps.clampsOffByTheLabel') }]),
    [answer, fusing],
  )
  return (
    <Box>
      <Typography sx={{ my: 1.5, fontSize: '1.1rem' }}>
        {own.t_melt_s === null ? (
          <strong>{say('steps.theSkinOfThePipeNever')}</strong>
        ) : (
          <>
            <Message
              id="steps.theSkinOfThePipeMelts"
              values={{
                tMelt: Math.round(own.t_melt_s),
                fusing: Math.round(fusing),
                pipeMelt: own.pipe_melt_mm.toFixed(1),
                fitMelt: own.fit_melt_mm.toFixed(1),
              }}
              parts={[<strong />, <strong />]}
            />
          </>
        )}{' '}
        <Message id="steps.bothFacesAreBelowCAfter" values={{ coolTo: answer.cool_to_c, cool: minutes(own.cool_s) }} parts={[<strong />]} />
        {answer.label_cooling_s !== null && (
          <>
            {say('steps.theLabelHoldsTheClampsFor', {
              labelCooling: minutes(answer.label_cooling_s),
              facesAtClampsOff:
                answer.faces_at_clamps_off_c !== null
                  ? say('steps.whenItIsAboutCInside', { facesAtClampsOff: Math.round(answer.faces_at_clamps_off_c) })
                  : '',
            })}
          </>
        )}
        .
      </Typography>
      <Film sim={sim} od={od} fusing={fusing} />
      <Suspense fallback={<Box sx={{ height: 250 }} />}>
        <Chart
          title={say('steps.temperaturesAndMeltInsideTheJoint')}
          x={times}
          xLabel="min"
          leftLabel="°C"
          rightLabel="mm"
          height={250}
          lines={lines}
          bands={bands}
          marks={marks}
        />
      </Suspense>
      <Typography variant="h3" component="h3" sx={{ mt: 2 }}>
        {say('steps.whatAFaultWouldHaveDone')}
      </Typography>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={say('steps.theJointAsItWasBeside')}>
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            width: '100%',
            '& th, & td': {
              textAlign: 'right',
              py: 0.75,
              pl: { xs: 1, md: 1.5 },
              fontSize: { xs: '0.95rem', md: '1rem' },
              borderTop: 1,
              borderColor: 'divider',
              fontWeight: 400,
            },
            '& td': { whiteSpace: 'nowrap' },
            '& th:first-of-type': { textAlign: 'left', pl: 0 },
            '& .skin': { display: { xs: 'none', md: 'table-cell' } },
          }}
        >
          <thead>
            <tr>
              <th scope="col">{say('steps.case')}</th>
              <th scope="col">{say('steps.pipeMelt')}</th>
              <th scope="col" className="skin">
                {say('steps.skin')}
              </th>
              <th scope="col">{say('steps.moltenAt')}</th>
              <th scope="col">{say('steps.coolAfter')}</th>
            </tr>
          </thead>
          <tbody>
            {cases.map((k) => (
              <tr key={k.case}>
                <th scope="row" style={{ fontWeight: k.case === 'none' ? 700 : 400 }}>
                  {k.about}
                </th>
                <td style={{ fontWeight: 700, color: k.pipe_melt_mm < 0.3 * own.pipe_melt_mm ? 'var(--accent)' : 'inherit' }}>
                  {say('common.mm', { mm: k.pipe_melt_mm.toFixed(1) })}
                </td>
                <td className="skin">{Math.round(k.iface_c)} °C</td>
                <td>{k.t_melt_s === null ? say('steps.never') : `${Math.round(k.t_melt_s)} s`}</td>
                <td>{minutes(k.cool_s)}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      <Typography variant="body2" sx={{ mt: 1 }}>
        {say('steps.oneDirectionOnlyNoFlowOf', {
          assumed:
            Object.keys(answer.assumed).length === 0
              ? ''
              : say('steps.assumedAsTheLabelDoesNot', {
                  assumed: Object.entries(answer.assumed)
                    .map(([k, v]) => say('steps.assumedMm', { what: ASSUMED[k] ?? k, mm: v }))
                    .join(', '),
                }),
        })}
      </Typography>
    </Box>
  )
}

/** Light is cold, dark is hot; where it is molten stands an ink line, so that it reads in grey too. */
function shade(t: number, c: Colours): string {
  const mix = (a: string, b: string, share: number): string => {
    const part = (s: string, i: number): number => parseInt(s.slice(1 + 2 * i, 3 + 2 * i), 16)
    return `rgb(${[0, 1, 2].map((i) => Math.round(part(a, i) + (part(b, i) - part(a, i)) * Math.max(0, Math.min(1, share)))).join(',')})`
  }
  return t <= MELTS_C ? mix(c.ground, c.faint, 0.08 + (0.5 * (t - 10)) / (MELTS_C - 10)) : mix(c.accent, c.ink, (t - MELTS_C) / 200)
}

function Film({ sim, od, fusing }: { sim: Answer['sim']; od: number; fusing: number }): ReactElement {
  const c = useTheme().colours
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      sim.film.findIndex((f) => f[0]! >= fusing - 1),
    ),
  )
  const [plays, setPlays] = useState(false)
  useEffect(() => {
    if (!plays) return
    const timer = window.setInterval(() => setAt((i) => (i + 1 >= sim.film.length ? 0 : i + 1)), 120)
    return () => window.clearInterval(timer)
  }, [plays, sim.film.length])
  const frame = sim.film[Math.min(at, sim.film.length - 1)]!
  const radii = sim.film_r_mm
  const skin = od / 2
  // Each picture holds the middle of its cells: their edges lie half way, and at the skin.
  const edge = (i: number): [number, number] => {
    const inner =
      i === 0
        ? radii[0]! - (radii[1]! - radii[0]!) / 2
        : radii[i - 1]! < skin && radii[i]! > skin
          ? radii[i]! - (radii[i + 1]! - radii[i]!) / 2
          : (radii[i - 1]! + radii[i]!) / 2
    const outer =
      i === radii.length - 1
        ? radii[i]! + (radii[i]! - radii[i - 1]!) / 2
        : radii[i]! < skin && radii[i + 1]! > skin
          ? skin
          : (radii[i]! + radii[i + 1]!) / 2
    return [inner, outer]
  }
  const low = edge(0)[0]
  const high = edge(radii.length - 1)[1]
  const px = 150 / (high - low)
  const half = Math.min(Math.PI / 2.2, 165 / (high * px))
  const place = (r: number, a: number): string =>
    `${(200 + Math.sin(a) * r * px).toFixed(1)} ${(24 + (high - r * Math.cos(a)) * px).toFixed(1)}`
  const line = (r: number): string => `M${place(r, -half)}A${r * px} ${r * px} 0 0 1 ${place(r, half)}`
  const arc = (r1: number, r2: number): string => `${line(r1)}L${place(r2, half)}A${r2 * px} ${r2 * px} 0 0 0 ${place(r2, -half)}Z`
  const sunk = (high - low * Math.cos(half)) * px
  const time = frame[0]!
  const skinC = frame[1 + Math.max(0, radii.filter((r) => r < skin).length - 1)]!
  const fronts = radii
    .slice(0, -1)
    .flatMap((r, i) => (frame[i + 1]! >= MELTS_C !== frame[i + 2]! >= MELTS_C ? [(r + radii[i + 1]!) / 2] : []))
  return (
    <Box>
      <svg
        viewBox={`0 0 400 ${sunk + 44}`}
        style={{ width: '100%', maxWidth: 520, display: 'block', margin: '0 auto' }}
        role="img"
        aria-label={say('steps.crossSectionSecondsAfterPowerOn', { time: Math.round(time), skinC: Math.round(skinC) })}
      >
        {radii.map((r, i) => (
          <path key={r} d={arc(...edge(i))} fill={shade(frame[i + 1]!, c)} stroke="none" />
        ))}
        {fronts.map((r) => (
          <path key={r} d={line(r)} fill="none" stroke={c.ink} strokeWidth={1.6} strokeDasharray="5 3" />
        ))}
        <path d={line(skin)} fill="none" stroke={c.ink} strokeWidth={1.2} />
        <path d={arc(low, high)} fill="none" stroke={c.ink} strokeWidth={1.4} />
        <text x={8} y={16} fontSize={15} fill={c.ink}>
          {say('steps.coupling')}
        </text>
        <text x={8} y={sunk + 40} fontSize={15} fill={c.ink}>
          {say('steps.boreOfThePipe')}
        </text>
        <text x={392} y={16} fontSize={15} fontWeight={700} textAnchor="end" fill={c.ink}>
          {time <= fusing ? say('steps.powerS', { time: Math.round(time) }) : say('steps.coolingFor', { time: minutes(time - fusing) })}
        </text>
      </svg>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1.5 }}>
        <Button variant="outlined" onClick={() => setPlays((p) => !p)}>
          {plays ? say('steps.hold') : say('steps.play')}
        </Button>
        <Slider
          value={at}
          min={0}
          max={sim.film.length - 1}
          onChange={(_e, v) => {
            setPlays(false)
            setAt(v as number)
          }}
          aria-label={say('steps.timeInTheFilm')}
          valueLabelDisplay="off"
          sx={{ color: 'text.primary' }}
        />
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', my: 1, flexWrap: 'wrap' }} aria-hidden="true">
        {[20, 80, 131, 133, 200, 300].map((t) => (
          <Box key={t} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
            <span style={{ width: 18, height: 18, background: shade(t, c), border: `1px solid ${c.ink}`, display: 'inline-block' }} />
            {t === 131 ? say('steps.below132') : t === 133 ? say('steps.molten') : `${t} °C`}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
