import { Box, Typography } from '@mui/material'
import { useMemo, type ReactElement } from 'react'
import { say } from '../texts/say'
import { InChartPlace } from './ChartPlace'
import { LogChart } from './charts'
import { boundariesOf, courseOf, phasesBy } from './course'
import type { Entered } from './entry'
import type { AtHand } from './kinds/kind'
import type { Clock } from './logClock'
import { useSamples } from './useSamples'

interface Props {
  at: Pick<AtHand, 'text' | 'data' | 'state'>
  of: string
  values: Record<string, Entered>
  onMove: (values: Record<string, Entered>) => void
  clock: Clock | null
}

/** A moved line stands at a tenth of a minute. */
const TENTHS = 10

/** The log above the times of its phases: each time is a line that can be dragged, the phases follow. */
export function CourseOver({ at, of, values, onMove, clock }: Props): ReactElement | null {
  const { text, data, state } = at
  const samples = useSamples(data.facts, of)
  const fields = boundariesOf(text)?.fields ?? []
  const minute = (key: string): number | null => {
    const entered = String(values[key] ?? '')
    const typed = entered.trim() === '' ? NaN : Number(clock?.minuteOf(entered) ?? entered)
    return Number.isFinite(typed) ? typed : null
  }
  const times = fields.map((f) => minute(f.key)).join(' ')
  const course = useMemo(
    () => ({ bands: phasesBy(text, minute), limits: courseOf(state.figure)?.limits ?? [] }),
    // What is typed hangs on the times alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [text, times, state.figure],
  )
  if (samples.length < 2) return null
  const handles = fields.flatMap((f) => {
    const x = minute(f.key)
    if (x === null) return []
    const time = clock?.timeOf(String(x))
    const says = time ? say('steps.minuteAtClock', { minute: x, clock: time }) : say('steps.minuteAt', { minute: x })
    const label = f.name === '' ? say('steps.phasesEnd') : say('steps.phaseBegins', { name: f.name })
    return [{ key: f.key, label, x, says, onMove: (to: number) => onMove({ [f.key]: String(Math.round(to * TENTHS) / TENTHS) }) }]
  })
  return (
    <Box sx={{ my: 1.5 }}>
      <InChartPlace>
        <LogChart rows={samples} course={course} handles={handles} />
      </InChartPlace>
      <Typography variant="body2">{say(clock ? 'steps.clockTimesToo' : 'steps.dragALine')}</Typography>
    </Box>
  )
}
