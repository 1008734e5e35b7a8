import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { lazy, Suspense, useMemo, useRef, useState, type ReactElement } from 'react'
import { api, type FileSamples, type Judgement, type LogProgramme, type StepText } from '../api/client'
import { useBox } from '../api/queries'
import { deviceTime, newId, record } from '../outbox/outbox'
import { startRun } from '../outbox/runs'
import { store } from '../outbox/db'
import { useRun } from './useRun'

const Chart = lazy(() => import('../ui/Chart'))

interface Props {
  subject: string
  step: StepText
  judgement: Judgement
  /** values recorded in other steps, by step key */
  values: Record<string, Record<string, unknown>>
  onDone: () => void
}

const num = (v: unknown): number | null => (typeof v === 'number' ? v : null)

export function TraceEntry(props: Props): ReactElement {
  return props.step.device === 'pump-logger' ? <LoggerEntry {...props} /> : <BoxEntry {...props} />
}

/** A fusion, from the stand-in for the box or from a file of a real one. */
function BoxEntry({ subject, step, judgement, values, onDone }: Props): ReactElement {
  const box = useBox()
  const [fault, setFault] = useState('none')
  const [speed, setSpeed] = useState(20)
  const key = `${subject}/${step.id}`
  const running = useRun(key)
  const label = values['label']
  const code = (judgement.steps.find((s) => s.id === 'code')?.results['fitting-code'] ?? {}) as Record<string, unknown>
  const volts = num(label?.['voltage_v'])
  const seconds = num(label?.['time_s'])
  const ohms = num(code['resistance_ohm'])
  const fitting = num(values['conditions']?.['fitting_c'])
  const correction = num(code['correction_pct_per_k']) ?? 0
  // The box corrects the time for the temperature it feels, as the code tells it.
  const planned = seconds === null ? null : Math.floor(seconds * (1 + (correction * (23 - (fitting ?? 23))) / 100) + 0.5)
  const programme = box.data?.[fault]
  const supply = programme ? Math.round(230 * programme.supply_ratio) : null
  const cold = programme && ohms !== null ? Math.round(ohms * programme.r_ratio * 10_000) / 10_000 : null
  const samples = useMemo(() => (programme && volts !== null && ohms !== null && planned !== null ? programme.samples.map((s) => [round(s[0]! * planned, 2), round(s[1]! * volts, 2), round((s[2]! * volts) / ohms, 3)]) : null), [programme, volts, ohms, planned])

  if (running) {
    const { run, come } = running
    const rows = run.samples.slice(0, come)
    const last = rows[rows.length - 1]
    const total = run.samples[run.samples.length - 1]![0]!
    const left = Math.max(0, Math.ceil(total - (last?.[0] ?? 0)))
    return (
      <Box>
        <Typography role="timer" sx={{ fontSize: { xs: '3.4rem', md: '4.4rem' }, fontWeight: 700, lineHeight: 1 }}>{Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}</Typography>
        <Typography variant="body2">left · {last ? `${last[1]!.toFixed(1)} V, ${last[2]!.toFixed(1)} A` : 'begins'}{run.speed > 1 ? ` · ${run.speed} times as fast as real` : ''}</Typography>
        <FusionChart rows={rows} volts={volts} />
        <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => void store.runs.update(key, { stopped: true })}>Stop the fusion</Button>
      </Box>
    )
  }
  return (
    <Box>
      <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2, rowGap: 0.5, m: 0, mb: 2, '& dd': { m: 0, fontWeight: 700, fontSize: '1.2rem' } }}>
        <dt>Code</dt><dd>{volts === null ? 'not scanned' : `${num(code['voltage_v'])} V, ${num(code['time_s'])} s`}</dd>
        <dt>Label</dt><dd>{volts === null ? 'not recorded' : `${volts} V, ${seconds} s`}</dd>
        <dt>Box sets</dt><dd>{planned === null ? '–' : `${planned} s at ${fitting ?? '–'} °C`}</dd>
        <dt>Supply</dt><dd>{supply === null ? '–' : `${supply} V`}</dd>
        <dt>Winding</dt><dd>{cold === null ? '–' : `${cold.toFixed(2)} Ω`}</dd>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' }, gap: 1, mb: 1 }}>
        <TextField select label="Stand-in for the box plays" value={fault} onChange={(e) => setFault(e.target.value)}>
          {Object.entries(box.data ?? {}).map(([id, p]) => <MenuItem key={id} value={id}>{p.about}</MenuItem>)}
        </TextField>
        <TextField select label="Speed" value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
          {[1, 20, 100].map((s) => <MenuItem key={s} value={s}>{s === 1 ? 'as in the trench' : `${s} times`}</MenuItem>)}
        </TextField>
      </Box>
      <Button variant="contained" fullWidth disabled={!samples} onClick={() => void startRun({ key, subject, step: step.id, speed, samples: samples!, secondsPerUnit: 1, extra: { cold_r_ohm: cold, supply_v: supply, source: 'stand-in' } })}>Fuse</Button>
      <FileEntry subject={subject} step={step} path="/files/fusion-trace" accept=".csv,.json,.txt" what="trace" extra={{ supply_v: supply ?? undefined, cold_r_ohm: undefined }} onDone={onDone}
        finish={(rows) => ({ started_at: deviceTime(new Date(Date.now() - (rows[rows.length - 1]?.[0] ?? 0) * 1000)), ended_at: deviceTime() })} />
    </Box>
  )
}

/** A test log, live from the stand-in for pump and logger or from a logger's file. */
function LoggerEntry({ subject, step, onDone }: Props): ReactElement {
  const [fault, setFault] = useState('none')
  const [speed, setSpeed] = useState(1200)
  const [busy, setBusy] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  const key = `${subject}/${step.id}`
  const running = useRun(key)
  if (running) {
    const { run, come } = running
    const rows = run.samples.slice(0, come)
    const last = rows[rows.length - 1]
    return (
      <Box>
        <Typography role="timer" sx={{ fontSize: { xs: '2.6rem', md: '3.4rem' }, fontWeight: 700, lineHeight: 1 }}>{last ? `${Math.round(last[1]!)} kPa` : 'Pump starts'}</Typography>
        <Typography variant="body2">minute {Math.floor(last?.[0] ?? 0)} of {Math.ceil(run.samples[run.samples.length - 1]![0]!)} · {run.speed} times as fast as real</Typography>
        <LogChart rows={rows} />
        <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => void store.runs.update(key, { stopped: true })}>Stop the test</Button>
      </Box>
    )
  }
  const begin = async (): Promise<void> => {
    setBusy(true)
    setSaid('The stand-in is made ready.')
    try {
      const programme = await api.get<LogProgramme>(`/${subject}/stand-in?fault=${fault}`)
      await startRun({ key, subject, step: step.id, speed, samples: programme.rows, secondsPerUnit: 60, extra: { source: 'stand-in', marks: programme.marks } })
      setSaid(null)
    } catch (error) {
      setSaid((error as Error).message)
    }
    setBusy(false)
  }
  return (
    <Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' }, gap: 1, mb: 1 }}>
        <TextField select label="Stand-in for pump and logger plays" value={fault} onChange={(e) => setFault(e.target.value)}>
          {[['none', 'a tight section'], ['leak', 'a small hole'], ['air', 'trapped air'], ['sun', 'sun on the pipe'], ['closed-valve', 'a closed valve inside']].map(([id, about]) => <MenuItem key={id} value={id}>{about}</MenuItem>)}
        </TextField>
        <TextField select label="Speed" value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
          {[1, 60, 1200].map((s) => <MenuItem key={s} value={s}>{s === 1 ? 'as in the trench' : `${s} times`}</MenuItem>)}
        </TextField>
      </Box>
      <Button variant="contained" fullWidth disabled={busy} onClick={() => void begin()}>Start pump and logger</Button>
      {said && <Typography role="status" sx={{ mt: 1 }}>{said}</Typography>}
      <FileEntry subject={subject} step={step} path="/files/pressure-log" accept=".csv,.txt" what="log" extra={{}} onDone={onDone} finish={() => ({})} />
    </Box>
  )
}

function FileEntry({ subject, step, path, accept, what, extra, finish, onDone }: { subject: string; step: StepText; path: string; accept: string; what: string; extra: Record<string, unknown>; finish: (rows: number[][]) => Record<string, unknown>; onDone: () => void }): ReactElement {
  const file = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState<{ text: string; bad?: boolean } | null>(null)
  return (
    <Box sx={{ mt: 1 }}>
      <Button variant="outlined" fullWidth onClick={() => file.current?.click()}>Load a {what} from a file</Button>
      <input ref={file} type="file" hidden accept={accept} aria-label={`File with the ${what}`}
        onChange={async (e) => {
          const chosen = e.target.files?.[0]
          e.target.value = ''
          if (!chosen) return
          setSaid({ text: 'Reading the file.' })
          const form = new FormData()
          form.append('file', chosen)
          try {
            const read = await api.post<FileSamples>(path, form)
            const summary = read.summary as { spikes?: number; gaps?: number; kept?: number } | undefined
            const value = Object.fromEntries(Object.entries({ trace: newId(), part: 0, final: true, samples: read.samples, source: 'file', file: chosen.name.slice(0, 120), ...extra, ...finish(read.samples) }).filter(([, v]) => v !== undefined))
            await record(subject, { step: step.id, value })
            setSaid({ text: `${read.samples.length} rows read${summary ? `, ${summary.spikes ?? 0} spikes dropped, ${summary.gaps ?? 0} gaps` : ''}.` })
            onDone()
          } catch (error) {
            setSaid({ text: `Nothing was stored. ${(error as Error).message}`, bad: true })
          }
        }} />
      {said && <Typography role={said.bad ? 'alert' : 'status'} sx={{ mt: 1, color: said.bad ? 'secondary.main' : 'text.primary', fontWeight: said.bad ? 700 : 400 }}>{said.text}</Typography>}
    </Box>
  )
}

export function FusionChart({ rows, volts }: { rows: number[][]; volts: number | null }): ReactElement {
  const x = useMemo(() => rows.map((r) => r[0]!), [rows])
  const lines = useMemo(() => [{ label: 'Voltage, V', values: rows.map((r) => r[1]!) }, { label: 'Current, A', values: rows.map((r) => r[2]!), axis: 'right' as const }], [rows])
  return (
    <Suspense fallback={<Box sx={{ height: 260 }} />}>
      <Chart title="Voltage and current of the fusion" x={x} xLabel="s" leftLabel="V" rightLabel="A" height={260} lines={lines} {...(volts ? { limits: [volts * 0.985, volts * 1.015] as [number, number] } : {})} />
    </Suspense>
  )
}

const PHASE: Record<string, string> = { raise_from_min: 'raise', stable_from_min: 'settle', hold_from_min: 'hold', hold_to_min: 'let down', creep_from_min: 'shut', reduce_from_min: '', main_from_min: 'main', main_to_min: 'let down' }

export function LogChart({ rows, marks }: { rows: number[][]; marks?: Record<string, unknown> | undefined }): ReactElement {
  const x = useMemo(() => rows.map((r) => r[0]!), [rows])
  const lines = useMemo(() => [{ label: 'Pressure, kPa', values: rows.map((r) => r[1]!) }, ...(rows[0]?.[2] !== undefined ? [{ label: 'Water pumped in, L', values: rows.map((r) => r[2] ?? null), axis: 'right' as const }] : [])], [rows])
  const bands = useMemo(() => {
    const times = Object.entries(marks ?? {}).filter((e): e is [string, number] => typeof e[1] === 'number' && e[0].endsWith('_min')).sort((a, b) => a[1] - b[1])
    return times.map(([key, from], i) => ({ from, to: times[i + 1]?.[1] ?? x[x.length - 1] ?? from, label: PHASE[key] ?? '' }))
  }, [marks, x])
  return (
    <Suspense fallback={<Box sx={{ height: 320 }} />}>
      <Chart title="Pressure of the test" x={x} xLabel="min" leftLabel="kPa" {...(lines.length > 1 ? { rightLabel: 'L' } : {})} height={320} lines={lines} bands={bands} />
    </Suspense>
  )
}

const round = (n: number, d: number): number => Number(n.toFixed(d))
