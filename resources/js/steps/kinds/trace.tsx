import { useMemo, type ReactElement } from 'react'
import type { Fact, ProcedureText, StepState } from '../../api/client'
import { FusionChart, LogChart, type TraceEvent } from '../charts'
import { TraceEntry } from '../TraceEntry'
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

/** All samples of a trace, its parts put together. */
function useSamples(facts: Fact[], step: string): number[][] {
  return useMemo(() => {
    const parts = facts.filter((f) => f.step === step && Array.isArray(f.value['samples']))
    const last = parts[parts.length - 1]?.value['trace']
    return parts
      .filter((f) => f.value['trace'] === last)
      .sort((a, b) => Number(a.value['part']) - Number(b.value['part']))
      .flatMap((f) => f.value['samples'] as number[][])
  }, [facts, step])
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
      zone={data.line.time_zone}
      onDone={onDone}
    />
  )
}

function Shown({ state, text, procedure, data, values }: AtHand): ReactElement | null {
  const samples = useSamples(data.facts, state.key)
  if (samples.length < 2) return null
  const volts = typeof state.device?.['u_v'] === 'number' ? state.device['u_v'] : null
  // Phases as they were entered; until then as the device marked them.
  const entered = Object.fromEntries(
    Object.entries((state.figure?.['marks'] ?? {}) as Record<string, unknown>).filter(([, v]) => typeof v === 'number'),
  )
  const marks = Object.keys(entered).length > 0 ? entered : (values[state.key]?.['marks'] as Record<string, unknown> | undefined)
  return text.drawing?.['shape'] === 'log' ? (
    <LogChart rows={samples} marks={marks} />
  ) : (
    <FusionChart rows={samples} volts={volts} tolerance={numberAt(text.drawing?.['u_tol'], procedure)} events={eventsOf(state)} />
  )
}

/** A file may have been the wrong one; what a device recorded while it was done stays. */
const againOf = (value: Record<string, unknown>): string | null => (value['source'] === 'file' ? say('steps.anotherFile') : null)

export const trace: KindView = { Enter, Shown, again: null, againOf }
