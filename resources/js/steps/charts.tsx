import { Box } from '@mui/material'
import { lazy, Suspense, useMemo, type ReactElement } from 'react'

const Chart = lazy(() => import('../ui/Chart'))

export interface TraceEvent {
  code: string
  t_s: number
}

/** How the analysis names what it found, in a word on the chart. */
const EVENT: Record<string, string> = {
  'under-voltage': 'voltage low',
  'over-voltage': 'voltage high',
  'supply-lost': 'supply lost',
  'open-circuit': 'circuit open',
  'turn-short': 'turns touch',
  'wrong-fitting-suspected': 'wrong fitting',
  'resistance-out-of-window': 'resistance',
  'early-end': 'early end',
  'late-end': 'late end',
  'energy-low': 'energy low',
  'energy-high': 'energy high',
  'no-power': 'no power',
  'data-gap': 'gap in the log',
}

/** Voltage with its tolerance as a band, seen close enough to tell; current beside it; what was found at its second. */
export function FusionChart({
  rows,
  volts,
  tolerance,
  planned,
  events = [],
  height = 250,
}: {
  rows: number[][]
  volts: number | null
  tolerance: number | null
  planned?: number | null
  events?: TraceEvent[]
  height?: number
}): ReactElement {
  const x = useMemo(() => rows.map((r) => r[0]!), [rows])
  const lines = useMemo(
    () => [
      { label: 'Voltage, V', values: rows.map((r) => r[1]!) },
      { label: 'Current, A', values: rows.map((r) => r[2]!), axis: 'right' as const },
    ],
    [rows],
  )
  const marks = useMemo(() => events.map((e) => ({ x: e.t_s, label: EVENT[e.code] ?? e.code })), [events])
  return (
    <Suspense fallback={<Box sx={{ height }} />}>
      <Chart
        title="Voltage and current of the fusion"
        x={x}
        xLabel="s"
        leftLabel="V"
        rightLabel="A"
        height={height}
        lines={lines}
        marks={marks}
        {...(planned ? { xMax: planned * 1.04 } : {})}
        {...(volts ? { leftRange: [volts * 0.8, volts * 1.08] as [number, number] } : {})}
        {...(volts && tolerance ? { limits: [volts * (1 - tolerance / 100), volts * (1 + tolerance / 100)] as [number, number] } : {})}
      />
    </Suspense>
  )
}

const PHASE: Record<string, string> = {
  raise_from_min: 'raise',
  stable_from_min: 'settle',
  hold_from_min: 'hold',
  hold_to_min: 'let down',
  creep_from_min: 'shut',
  reduce_from_min: '',
  main_from_min: 'main',
  main_to_min: 'let down',
}

export function LogChart({ rows, marks }: { rows: number[][]; marks?: Record<string, unknown> | undefined }): ReactElement {
  const x = useMemo(() => rows.map((r) => r[0]!), [rows])
  const lines = useMemo(
    () => [
      { label: 'Pressure, kPa', values: rows.map((r) => r[1]!) },
      ...(rows[0]?.[2] !== undefined
        ? [{ label: 'Water pumped in, L', values: rows.map((r) => r[2] ?? null), axis: 'right' as const }]
        : []),
    ],
    [rows],
  )
  const bands = useMemo(() => {
    const times = Object.entries(marks ?? {})
      .filter((e): e is [string, number] => typeof e[1] === 'number' && e[0].endsWith('_min'))
      .sort((a, b) => a[1] - b[1])
    return times.map(([key, from], i) => ({ from, to: times[i + 1]?.[1] ?? x[x.length - 1] ?? from, label: PHASE[key] ?? '' }))
  }, [marks, x])
  return (
    <Suspense fallback={<Box sx={{ height: 320 }} />}>
      <Chart
        title="Pressure of the test"
        x={x}
        xLabel="min"
        leftLabel="kPa"
        {...(lines.length > 1 ? { rightLabel: 'L' } : {})}
        height={320}
        lines={lines}
        bands={bands}
      />
    </Suspense>
  )
}
