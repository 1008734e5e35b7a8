import { useContext, type ReactElement } from 'react'
import type { Fact, ProcedureText, StepState } from '../../api/client'
import { ChartPlace } from '../ChartPlace'
import { FusionChart, LogChart, type TraceEvent } from '../charts'
import { TraceEntry } from '../TraceEntry'
import { courseOver } from '../course'
import { useSamples } from '../useSamples'
import type { AtHand, Entering, KindView } from './kind'
import { say } from '../../texts/say'

/** A number of the procedure that a drawing names as `$param.NAME`. */
function numberAt(path: string | undefined, procedure: ProcedureText): number | null {
  const value = path?.startsWith('$param.') ? procedure.parameters?.[path.slice(7)]?.value : null
  return typeof value === 'number' ? value : null
}

/** What any calculation of the step found along the trace. */
const eventsOf = (state: StepState): TraceEvent[] =>
  Object.values(state.results).flatMap((r) => {
    const found = (r as { events?: unknown }).events
    return Array.isArray(found) ? (found as TraceEvent[]) : []
  })

/** The trace of a step that began and has not ended, with the number of the part that comes next. */
function begunAt(state: StepState, facts: Fact[]): { trace: string; part: number } | null {
  const last = facts.filter((f) => f.step === state.key).at(-1)
  if (state.status !== 'running' || !last) return null
  const parts = facts.filter((f) => f.step === state.key && f.value['trace'] === last.value['trace']).map((f) => Number(f.value['part']))
  return { trace: String(last.value['trace']), part: parts.length }
}

function Enter({ path, text, state, procedure, data, onDone }: Entering): ReactElement {
  return (
    <TraceEntry
      subject={path}
      step={text}
      stepKey={state.key}
      device={state.device ?? {}}
      tolerance={numberAt(text.drawing?.['u_tol'], procedure)}
      begun={begunAt(state, data.facts)}
      practice={data.line.practice}
      live={state.live ?? null}
      zone={data.line.time_zone}
      onDone={onDone}
    />
  )
}

function Shown({ state, text, procedure, data }: AtHand): ReactElement | null {
  const samples = useSamples(data.facts, state.key)
  const isAbove = useContext(ChartPlace) !== null && text.drawing?.['shape'] === 'log'
  if (samples.length < 2 || isAbove) return null
  const volts = typeof state.device?.['u_v'] === 'number' ? state.device['u_v'] : null
  return text.drawing?.['shape'] === 'log' ? (
    <LogChart rows={samples} course={courseOver(data.judgement.steps, state.key)} />
  ) : (
    <FusionChart rows={samples} volts={volts} tolerance={numberAt(text.drawing?.['u_tol'], procedure)} events={eventsOf(state)} />
  )
}

/** A file may have been the wrong one; what a device recorded while it was done stays. */
const againOf = (value: Record<string, unknown>): string | null => (value['source'] === 'file' ? say('steps.anotherFile') : null)

export const trace: KindView = { Enter, Shown, again: null, againOf }
