import { Box, Typography } from '@mui/material'
import { useCallback, useEffect, useMemo, useRef, useState, type ReactElement, type ReactNode } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { textOf, type ProcedureText, type StepState, type StepText, type Subject } from '../api/client'
import { useMe } from '../api/queries'
import { useOutbox } from '../outbox/useOutbox'
import { Headline } from './Headline'
import { useJudgedHere } from './judgedHere'
import { KINDS } from './kinds'
import { InConflict } from './InConflict'
import { lockHere } from './lockHere'
import { SealBroken } from './SealBroken'
import { brokenUnder } from './sealed'
import { StepList } from './StepList'
import { StepPane } from './StepPane'
import { asFact, currentValues } from './values'
import { say } from '../texts/say'

interface Props {
  /** address of the subject, {@see subjectAt} */
  path: string
  data: Subject
  procedure: ProcedureText
  role: string | undefined
  /** what stands below the step at hand */
  below?: ReactNode
}

const AREAS = '"pane" "headline" "list"'
/** At the trench what is bad says so first, above whatever step is open. */
const URGENT = '"headline" "pane" "list"'

/** Any procedure on any subject: one step at a time, judged as it is recorded. Knows kinds of steps, never kinds of joints. */
export function StepRunner({ path, data, procedure, role, below }: Props): ReactElement {
  const all = useOutbox(path)
  const me = useMe()
  // What somebody else recorded on this device is there, and theirs to be read.
  const waiting = useMemo(() => all.filter((w) => w.by === undefined || w.by.id === me.data?.id), [all, me.data?.id])
  const [params] = useSearchParams()
  const navigate = useNavigate()
  const here = useJudgedHere(data, procedure, waiting)
  const seen = useMemo(
    () => (here ? { ...data, judgement: here.judgement, facts: [...data.facts, ...waiting.filter((w) => !w.refused).map(asFact)] } : data),
    [data, here, waiting],
  )
  const { judgement } = seen
  const { steps } = judgement
  // Pieces of a trace that still runs, and bolts, are on their way all the time; only what is whole waits in the eyes of a person.
  const pending = useMemo(() => {
    const inParts = new Set(steps.filter((s) => KINDS[s.kind]?.inParts).map((s) => s.key))
    return new Map(
      all.filter((w) => w.refused || (w.body.value['final'] !== false && !inParts.has(w.body.step))).map((w) => [w.body.step, w]),
    )
  }, [all, steps])
  const judged = (s: StepState): boolean => !pending.has(s.key) || s.fact_id === pending.get(s.key)!.id
  const isDone = (s: StepState): boolean => s.status === 'done' || pending.has(s.key)
  const state = atHand(steps, params.get('step'), judgement.next, judged, isDone)
  const late = pending.get(state.key)
  const text = textOf(procedure, state)
  const [apart, setApart] = useState<string | null>(null)
  const pair =
    apart === state.id
      ? null
      : bothEndsAt(
          state,
          steps,
          text,
          (s) => s.status === 'todo' && !pending.has(s.key) && lockHere(s, steps, here === null ? pending : new Map()) === null,
        )
  const first = pair?.[0] ?? state
  const values = useMemo(() => currentValues(data.facts, waiting), [data.facts, waiting])
  const select = useCallback(
    (key: string | null): void => void navigate({ search: key ? `?${new URLSearchParams({ step: key })}` : '' }, { replace: true }),
    [navigate],
  )
  const urgent = brokenUnder(data.seal).length > 0 || (judgement.verdict === 'bad' && judgement.reasons[0]?.step !== state.key)
  useAnnounced(state.key)

  return (
    <Box
      sx={{
        display: 'grid',
        columnGap: 5,
        rowGap: { xs: 3, md: 2 },
        mt: { xs: 1, md: 2 },
        gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'minmax(0, 1fr) minmax(0, 1.15fr)' },
        gridTemplateRows: { md: 'auto 1fr' },
        gridTemplateAreas: { xs: urgent ? URGENT : AREAS, md: '"pane headline" "pane list"' },
      }}
    >
      <Box sx={{ gridArea: 'pane' }}>
        <StepPane
          key={pair ? pair.map((s) => s.key).join('+') : paneOf(state, late?.id)}
          path={path}
          data={seen}
          procedure={procedure}
          state={first}
          other={pair?.[1] ?? null}
          text={text}
          values={values}
          role={role}
          waiting={late}
          judged={here !== null && judged(state)}
          wouldRefuse={here?.refused[late?.id ?? ''] ?? null}
          lock={lockHere(first, steps, here === null ? pending : new Map())}
          onMoved={() => select(null)}
          onGo={select}
          onApart={() => setApart(state.id)}
        />
        {below}
      </Box>
      <Box lang={procedure.language ?? 'en'} sx={{ gridArea: 'headline' }}>
        <SealBroken seal={data.seal} />
        <InConflict data={data} role={role} />
        <Headline
          data={seen}
          pendingCount={pending.size}
          judgedHere={here !== null}
          step={state.key}
          saidAbove={judgement.reasons[0]?.step === state.key && state.status === 'done'}
        />
      </Box>
      <Box lang={procedure.language ?? 'en'} sx={{ gridArea: 'list' }}>
        <StepList steps={steps} current={state.key} pending={pending} seen={(s) => here !== null && judged(s)} onSelect={select} />
        <Typography variant="body2" sx={{ mt: 1 }}>
          {say('steps.ofStepsVersion', {
            done: steps.filter(isDone).length,
            total: steps.filter((s) => !s.optional || isDone(s)).length,
            title: procedure.title,
            version: procedure.version,
          })}
        </Typography>
      </Box>
    </Box>
  )
}

/** The two ends of a step, a before b, where both are still to do and nothing keeps either from it. */
function bothEndsAt(at: StepState, steps: StepState[], text: StepText, free: (s: StepState) => boolean): [StepState, StepState] | null {
  const i = steps.findIndex((s) => s.id === at.id && s.side === 'a')
  const [a, b] = [steps[i], steps[i + 1]]
  const isPair = a !== undefined && b !== undefined && b.id === a.id && b.side === 'b' && text.each?.length === 2
  if (!isPair || !KINDS[at.kind]?.bothEnds || text.photo !== undefined || a.optional || a.opens_at || b.opens_at) return null
  return free(a) && free(b) ? [a, b] : null
}

/** A pane begins anew with each fact of its step; where the fact comes in parts, what is being typed must outlast the last one's answer. */
const paneOf = (state: StepState, late: string | undefined): string =>
  KINDS[state.kind]?.inParts ? state.key : `${state.key}/${late ?? state.fact_id ?? ''}`

/** The step that was chosen; else what is bad, else the first to do; with nothing left the trace is what one comes to look at. */
function atHand(
  steps: StepState[],
  selected: string | null,
  next: string | null,
  judged: (s: StepState) => boolean,
  isDone: (s: StepState) => boolean,
): StepState {
  const chosen = steps.find((s) => s.key === selected)
  const urgent = steps.find((s) => s.key === next && judged(s))
  return (
    chosen ??
    urgent ??
    steps.find((s) => !isDone(s) && !s.optional) ??
    steps.filter((s) => s.kind === 'trace').at(-1) ??
    steps[steps.length - 1]!
  )
}

/** A new step is announced and the keyboard goes on from its title; the first one leaves the page where it is. */
function useAnnounced(key: string): void {
  const shown = useRef(key)
  useEffect(() => {
    if (shown.current === key) return
    shown.current = key
    document.getElementById('step-title')?.focus()
  }, [key])
}
