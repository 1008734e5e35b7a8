import { Box } from '@mui/material'
import { lazy, Suspense, useMemo, type ReactElement } from 'react'
import { say } from '../texts/say'

const Chart = lazy(() => import('../ui/Chart'))

export interface TraceEvent {
  code: string
  t_s: number
}

/** How the analysis names what it found, in a word on the chart. */
const EVENT: Record<string, string> = {
  'under-voltage': say('steps.voltageLow'),
  'over-voltage': say('steps.voltageHigh'),
  'supply-lost': say('steps.supplyLost'),
  'open-circuit': say('steps.circuitOpen'),
  'turn-short': say('steps.turnsTouch'),
  'wrong-fitting-suspected': say('steps.wrongFitting'),
  'resistance-out-of-window': say('steps.resistanceOff'),
  'early-end': say('steps.earlyEnd'),
  'late-end': say('steps.lateEnd'),
  'energy-low': say('steps.energyLow'),
  'energy-high': say('steps.energyHigh'),
  'no-power': say('steps.noPower'),
  'data-gap': say('steps.gapInTheLog'),
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
      { label: say('steps.voltageV'), values: rows.map((r) => r[1]!) },
      { label: say('steps.currentA'), values: rows.map((r) => r[2]!), axis: 'right' as const },
    ],
    [rows],
  )
  const marks = useMemo(() => events.map((e) => ({ x: e.t_s, label: EVENT[e.code] ?? e.code })), [events])
  return (
    <Suspense fallback={<Box sx={{ height }} />}>
      <Chart
        title={say('steps.voltageAndCurrentOfTheFusion')}
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
  raise_from_min: say('steps.phaseRaise'),
  stable_from_min: say('steps.phaseSettle'),
  hold_from_min: say('steps.phaseHold'),
  hold_to_min: say('steps.letDown'),
  creep_from_min: say('steps.phaseShut'),
  reduce_from_min: '',
  main_from_min: say('steps.phaseMain'),
  main_to_min: say('steps.letDown'),
}

export function LogChart({ rows, marks }: { rows: number[][]; marks?: Record<string, unknown> | undefined }): ReactElement {
  const x = useMemo(() => rows.map((r) => r[0]!), [rows])
  const lines = useMemo(
    () => [
      { label: say('steps.pressureKpa'), values: rows.map((r) => r[1]!) },
      ...(rows[0]?.[2] !== undefined
        ? [{ label: say('steps.waterPumpedInL'), values: rows.map((r) => r[2] ?? null), axis: 'right' as const }]
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
        title={say('steps.pressureOfTheTest')}
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
