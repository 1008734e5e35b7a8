import { Box } from '@mui/material'
import { lazy, Suspense, useMemo, type ReactElement } from 'react'
import { useMe, useUnits } from '../api/queries'
import type { Handle } from '../ui/ChartHandles'
import { shownAs } from '../ui/units'
import { say } from '../texts/say'
import type { Course } from './course'

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

/** kPa as this person reads pressure. */
function usePressure(): { symbol: string; from: (kpa: number) => number } {
  const shown = shownAs('p_kpa', 'pressure', useMe().data?.units ?? 'metric', useUnits().data)
  return { symbol: shown.symbol || 'kPa', from: shown.fromKey }
}

/** The log of a test: pressure and water, its phases as bands, what it was held against where that holds. */
export function LogChart({
  rows,
  course,
  handles,
  height = 360,
}: {
  rows: number[][]
  course?: Course | null | undefined
  handles?: Handle[]
  height?: number
}): ReactElement {
  const { symbol, from } = usePressure()
  const water = shownAs('w_l', 'volume', useMe().data?.units ?? 'metric', useUnits().data)
  const x = useMemo(() => rows.map((r) => r[0]!), [rows])
  const lines = useMemo(
    () => [
      { label: say('steps.pressureIn', { unit: symbol }), values: rows.map((r) => from(r[1]!)) },
      ...(rows[0]?.[2] !== undefined
        ? [
            {
              label: say('steps.waterPumpedInIn', { unit: water.symbol || 'L' }),
              values: rows.map((r) => (r[2] === undefined ? null : water.fromKey(r[2]))),
              axis: 'right' as const,
            },
          ]
        : []),
    ],
    // The functions are made anew at each look; they change with their unit.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [rows, symbol, water.symbol],
  )
  const bands = useMemo(
    () =>
      (course?.bands ?? []).flatMap((p) =>
        p.from_min === null || p.to_min === null ? [] : [{ from: p.from_min, to: p.to_min, label: p.name }],
      ),
    [course],
  )
  const heldTo = useMemo(
    () => (course?.limits ?? []).map((l) => ({ label: l.name, line: l.line.map(([at, kpa]): [number, number] => [at, from(kpa)]) })),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [course, symbol],
  )
  return (
    <Suspense fallback={<Box sx={{ height }} />}>
      <Chart
        title={say('steps.pressureOfTheTest')}
        x={x}
        xLabel="min"
        leftLabel={symbol}
        {...(lines.length > 1 ? { rightLabel: water.symbol || 'L' } : {})}
        height={height}
        lines={lines}
        bands={bands}
        heldTo={heldTo}
        {...(handles ? { handles } : {})}
      />
    </Suspense>
  )
}
