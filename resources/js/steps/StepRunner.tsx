import { Box, Button, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useSearchParams } from 'react-router'
import type { Fact, ProcedureText, Reason, StepState, StepText, Subject } from '../api/client'
import { drop, record } from '../outbox/outbox'
import type { Waiting } from '../outbox/db'
import { useOutbox } from '../outbox/useOutbox'
import { degreesOf, Round } from '../ui/Round'
import { Sheet } from '../ui/Sheet'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence, VerdictMark } from '../ui/Verdict'
import { FieldsEntry } from './FieldsEntry'
import { RoundEntry } from './RoundEntry'
import { ScanEntry } from './ScanEntry'
import { FusionChart, LogChart, TraceEntry } from './TraceEntry'
import { useRun } from './useRun'

interface Props {
  /** `joints/ID` or `tests/ID` */
  path: string
  data: Subject
  procedure: ProcedureText
  role: string | undefined
}

/** Any procedure on any subject: one step at a time, judged as it is recorded. Knows kinds of steps, never kinds of joints. */
export function StepRunner({ path, data, procedure, role }: Props): ReactElement {
  const waiting = useOutbox(path)
  const [params, setParams] = useSearchParams()
  const { judgement } = data
  const pending = useMemo(() => new Map(waiting.map((w) => [w.body.step, w])), [waiting])
  const steps = judgement.steps
  const isDone = (s: StepState): boolean => s.status === 'done' || pending.has(s.key)
  const selected = params.get('step')
  const firstOpen = steps.find((s) => !isDone(s) && !s.optional)?.key
  const bad = judgement.next && !pending.has(judgement.next) ? judgement.next : undefined
  const state = steps.find((s) => s.key === selected) ?? steps.find((s) => s.key === (bad ?? firstOpen)) ?? steps[steps.length - 1]!
  const text = procedure.steps.find((s) => s.id === state.id)!
  const values = useMemo(() => currentValues(data.facts, waiting), [data.facts, waiting])
  const select = (key: string | null): void => setParams(key ? { step: key } : {}, { replace: true })
  const done = steps.filter(isDone).length

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'minmax(0, 1fr) minmax(0, 1.15fr)' }, columnGap: 5, rowGap: 3, mt: { xs: 1, md: 2 } }}>
      <Box>
        <StepPane key={`${state.key}/${state.fact_id ?? ''}`} path={path} data={data} state={state} text={text} values={values} waiting={pending.get(state.key)} locked={lockOf(state, text, steps, pending)} role={role} onMoved={() => select(null)} />
      </Box>
      <Box>
        <Headline data={data} pendingCount={pending.size} />
        <Box component="ol" aria-label="Steps" sx={{ listStyle: 'none', p: 0, m: 0, mt: 2 }}>
          {steps.map((s, i) => {
            const here = s.key === state.key
            const late = pending.get(s.key)
            return (
              <Box component="li" key={s.key} sx={{ borderTop: 1, borderColor: 'divider' }}>
                <Box component="button" type="button" onClick={() => select(s.key)} aria-current={here ? 'step' : undefined}
                  sx={{ all: 'unset', cursor: 'pointer', display: 'flex', gap: 1.5, alignItems: 'center', width: '100%', minHeight: 44, boxSizing: 'border-box', fontWeight: here ? 700 : 400, color: s.status === 'todo' && !here && !late ? 'text.secondary' : 'text.primary', '&:focus-visible': { outline: '3px solid var(--accent)' } }}>
                  <Box sx={{ width: 26, display: 'grid', placeItems: 'center' }}>{late ? <span aria-label="not yet sent">●</span> : s.status === 'done' ? <VerdictMark verdict={s.verdict} /> : i + 1}</Box>
                  <Box component="span" sx={{ flexGrow: 1, py: 0.75 }}>{s.title}</Box>
                  <Box component="span" sx={{ textAlign: 'right', color: 'text.secondary', fontWeight: 400 }}>{late ? (late.refused ? 'refused' : 'not yet sent') : (s.summary ?? (s.status === 'running' ? 'running' : ''))}</Box>
                </Box>
              </Box>
            )
          })}
        </Box>
        <Typography variant="body2" sx={{ mt: 1 }}>
          {done} of {steps.length} steps. {procedure.title}, version {procedure.version}.
        </Typography>
      </Box>
    </Box>
  )
}

/**
 * Why a step cannot be done yet, seen from this device: what is recorded here and not yet sent counts as done,
 * but a judgement that is wanted first waits for the server.
 */
function lockOf(state: StepState, text: StepText, steps: StepState[], pending: Map<string, Waiting>): string | null {
  const of = (ids: string[] | undefined): StepState[] => steps.filter((s) => (ids ?? []).includes(s.id) && (state.side === null || s.side === null || s.side === state.side))
  const first = of(text.after).find((s) => s.status === 'todo' && !pending.has(s.key))
  if (first) return `"${first.title}" comes first.`
  const unjudged = of(text.needs_good).find((s) => pending.has(s.key))
  if (unjudged) return `"${unjudged.title}" must be good first: its judgement waits for the server.`
  return pending.size > 0 && of(text.needs_good).every((s) => s.verdict === 'good' || s.verdict === 'close') ? null : of(text.needs_good).length > 0 || pending.size === 0 ? state.locked : null
}

/** Values that count at each step, what waits on the device included. */
function currentValues(facts: Fact[], waiting: Waiting[]): Record<string, Record<string, unknown>> {
  const superseded = new Set(facts.map((f) => f.supersedes).filter(Boolean))
  const values: Record<string, Record<string, unknown>> = {}
  for (const f of facts) if (!superseded.has(f.id)) values[f.step] = { ...values[f.step], ...f.value }
  for (const w of waiting) if (!w.refused) values[w.body.step] = { ...values[w.body.step], ...(w.body.value as Record<string, unknown>) }
  return values
}

/** The one sentence: what is worst, or what comes next. */
function Headline({ data, pendingCount }: { data: Subject; pendingCount: number }): ReactElement {
  const { judgement } = data
  const now = useNow(1000)
  const worst = judgement.reasons[0]
  const next = judgement.steps.find((s) => s.key === judgement.next)
  const off = judgement.clocks['clamps_off']
  const test = judgement.clocks['test_from']
  return (
    <Box aria-live="polite">
      {data.closed && <Typography sx={{ fontWeight: 700, mb: 1 }}>{data.closed}</Typography>}
      {judgement.verdict === 'bad' && worst ? (
        <Sentence verdict="bad" act={worst.do} limit={worst.limit}>{worst.text}</Sentence>
      ) : judgement.verdict === 'open' ? (
        <Sentence verdict="open" act={worst && worst.verdict === 'open' ? worst.do : undefined}>
          {worst && worst.verdict === 'open' ? worst.text : next ? `next is "${next.title}".` : 'nothing is left to record here.'}
        </Sentence>
      ) : (
        <Sentence verdict={judgement.verdict} limit={worst?.limit} act={worst?.do}>{worst ? worst.text : 'every limit is met.'}</Sentence>
      )}
      {off && data.state !== 'accepted' && data.state !== 'cut-out' && (
        <Typography sx={{ mt: 1, pl: 2.75 }}>Clamps off <strong>{clockAndCountdown(off, now, data.line.time_zone)}</strong>{test && <>, pressure test not before <strong>{clockAndCountdown(test, now, data.line.time_zone)}</strong></>}.</Typography>
      )}
      {pendingCount > 0 && <Typography sx={{ mt: 1, pl: 2.75, color: 'secondary.main', fontWeight: 700 }}>{pendingCount === 1 ? 'One entry is' : `${pendingCount} entries are`} not yet sent: their judgement waits for the server.</Typography>}
    </Box>
  )
}

interface PaneProps {
  path: string
  data: Subject
  state: StepState
  text: StepText
  values: Record<string, Record<string, unknown>>
  waiting: Waiting | undefined
  locked: string | null
  role: string | undefined
  onMoved: () => void
}

function StepPane({ path, data, state, text, values, waiting, locked, role, onMoved }: PaneProps): ReactElement {
  const [again, setAgain] = useState(false)
  const [reason, setReason] = useState('')
  const running = useRun(`${path}/${text.id}`)
  const save = async (value: Record<string, unknown>): Promise<void> => {
    await record(path, { step: state.key, value, ...(again ? { supersedes: state.fact_id, reason: reason || 'measured again' } : {}) })
    setAgain(false)
    onMoved()
  }
  const limitOf = (): number | null => {
    const name = text.drawing?.['limit']
    const held = name ? Object.values(state.results).map((r) => (r as Record<string, unknown>)[name]).find((v) => typeof v === 'number') : null
    return typeof held === 'number' ? held : null
  }
  const recorded = state.status === 'done' && !again
  return (
    <Box component="section" aria-labelledby="step-title">
      <Typography id="step-title" variant="h2" sx={{ fontSize: '1.35rem' }}>{state.title}</Typography>
      {text.why && !recorded && <Typography variant="body2" sx={{ mb: 0.5 }}>{text.why}</Typography>}
      {state.guide.map((g) => <Typography key={g} sx={{ fontWeight: 700 }}>{g}</Typography>)}

      {waiting ? (
        <Box sx={{ my: 2 }}>
          <Typography sx={{ fontWeight: 700 }}>{waiting.refused ? `Refused: ${waiting.refused}` : 'Recorded on this device, not yet sent.'}</Typography>
          {waiting.refused && <Button variant="contained" sx={{ mt: 1 }} onClick={() => void drop(waiting.seq!)}>Enter it again</Button>}
        </Box>
      ) : recorded ? (
        <Recorded state={state} text={text} value={values[state.key] ?? {}} data={data} values={values} limit={limitOf()} onAgain={() => setAgain(true)} />
      ) : data.closed ? (
        <Typography sx={{ my: 2 }}>{data.closed}</Typography>
      ) : locked && !running && !again ? (
        <Typography sx={{ my: 2, fontWeight: 700 }}>{locked}</Typography>
      ) : (
        <>
          {again && <TextField label="Why does the earlier entry not count?" value={reason} onChange={(e) => setReason(e.target.value)} sx={{ my: 1.5 }} />}
          <Entry path={path} state={state} text={text} values={values} data={data} role={role} limit={limitOf()} onRecord={(v) => void save(v)} onDone={onMoved} />
        </>
      )}
      {text.cautions?.map((c) => <Typography key={c} variant="body2" sx={{ mt: 1.5, borderTop: 1, borderColor: 'divider', pt: 1 }}>{c}</Typography>)}
    </Box>
  )
}

function Entry({ path, state, text, values, data, role, limit, onRecord, onDone }: { path: string; state: StepState; text: StepText; values: PaneProps['values']; data: Subject; role: string | undefined; limit: number | null; onRecord: (v: Record<string, unknown>) => void; onDone: () => void }): ReactElement {
  switch (text.kind) {
    case 'round':
      return <RoundEntry step={text} limit={limit} onRecord={onRecord} />
    case 'scan':
      return <ScanEntry step={text} onRecord={onRecord} />
    case 'trace':
      return <TraceEntry subject={path} step={text} judgement={data.judgement} values={values} onDone={onDone} />
    case 'hold':
      return <HoldEntry state={state} text={text} data={data} role={role} onRecord={onRecord} />
    case 'timer':
      return <TimerEntry text={text} data={data} onRecord={onRecord} />
    default:
      return <FieldsEntry step={text} start={suggested(text, values, data)} onRecord={onRecord} />
  }
}

/** Figures that are known already are offered: planned pipe numbers, phases that the logger's stand-in marked. */
function suggested(text: StepText, values: PaneProps['values'], data: Subject): Record<string, string | boolean | null> {
  const marks = (values['log']?.['marks'] ?? {}) as Record<string, number>
  const start: Record<string, string | boolean | null> = {}
  for (const f of text.fields ?? []) {
    if (f.key in marks) start[f.key] = String(marks[f.key])
    if (f.key === 'pipe_a' && data.pipes?.['a']) start[f.key] = data.pipes['a']
    if (f.key === 'pipe_b' && data.pipes?.['b']) start[f.key] = data.pipes['b']
  }
  return start
}

function HoldEntry({ text, data, role, onRecord }: { state: StepState; text: StepText; data: Subject; role: string | undefined; onRecord: (v: Record<string, unknown>) => void }): ReactElement {
  const [refusing, setRefusing] = useState(false)
  const [remark, setRemark] = useState('')
  const may = !text.roles?.length || (role !== undefined && text.roles.includes(role))
  if (!may) return <Typography sx={{ my: 2 }}>This is signed by {text.roles!.join(' or ')}. You are signed in as {role}.</Typography>
  return (
    <Box sx={{ my: 2, display: 'grid', gap: 1 }}>
      <Typography>Your name stands under: {data.judgement.steps.filter((s) => s.kind !== 'hold').map((s) => s.summary).filter(Boolean).join('; ')}.</Typography>
      <Button variant="contained" onClick={() => onRecord({ signed: true })}>Sign</Button>
      <Button variant="outlined" onClick={() => setRefusing(true)}>Refuse to sign</Button>
      <Sheet open={refusing} onClose={() => setRefusing(false)} title="Why is it not signed?" actions={<Button variant="contained" disabled={remark.trim().length < 3} onClick={() => { setRefusing(false); onRecord({ signed: false, remark }) }}>Record the refusal</Button>}>
        <TextField autoFocus label="Reason" value={remark} onChange={(e) => setRemark(e.target.value)} sx={{ mt: 1 }} />
      </Sheet>
    </Box>
  )
}

function TimerEntry({ text, data, onRecord }: { text: StepText; data: Subject; onRecord: (v: Record<string, unknown>) => void }): ReactElement {
  const now = useNow(500)
  const [time, setTime] = useState('')
  const field = text.fields![0]!
  const off = data.judgement.clocks['clamps_off']
  const left = off ? Math.max(0, Math.ceil((Date.parse(off) - now) / 1000)) : null
  const iso = (at: Date): string => {
    const minutes = -at.getTimezoneOffset()
    const two = (n: number): string => String(n).padStart(2, '0')
    return `${new Date(at.getTime() + minutes * 60_000).toISOString().slice(0, 19)}${minutes < 0 ? '-' : '+'}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`
  }
  return (
    <Box sx={{ my: 1 }}>
      <Typography role="timer" sx={{ fontSize: { xs: '4rem', md: '5rem' }, fontWeight: 700, lineHeight: 1.1, color: left === 0 ? 'text.primary' : 'secondary.main' }}>
        {left === null ? '–' : left === 0 ? 'Free' : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`}
      </Typography>
      <Typography variant="body2" sx={{ mb: 1.5 }}>{left === null ? 'The clock starts when the fusion is sent and judged.' : left === 0 ? 'The clamps may come off.' : 'Leave the clamps on.'}</Typography>
      <Button variant="contained" fullWidth onClick={() => onRecord({ [field.key]: iso(new Date()) })}>{field.label} now</Button>
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <TextField type="datetime-local" label="or at" value={time} onChange={(e) => setTime(e.target.value)} slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }} />
        <Button variant="outlined" disabled={!time} onClick={() => onRecord({ [field.key]: iso(new Date(time)) })}>Record</Button>
      </Box>
    </Box>
  )
}

function Recorded({ state, text, value, data, values, limit, onAgain }: { state: StepState; text: StepText; value: Record<string, unknown>; data: Subject; values: PaneProps['values']; limit: number | null; onAgain: () => void }): ReactElement {
  const reasons: Reason[] = state.reasons.length > 0 ? state.reasons : []
  const samples = useSamples(data.facts, state.key)
  const volts = typeof values['label']?.['voltage_v'] === 'number' ? (values['label']['voltage_v'] as number) : null
  return (
    <Box sx={{ my: 1.5 }}>
      {text.kind === 'round' && <RecordedRound state={state} text={text} value={value} limit={limit} />}
      {text.kind === 'trace' && samples.length > 1 && (text.device === 'pump-logger' ? <LogChart rows={samples} marks={values['phases'] ?? (value['marks'] as Record<string, unknown> | undefined)} /> : <FusionChart rows={samples} volts={volts} />)}
      <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
        {reasons.map((r, i) => (
          // In the cabin the headline beside it says the worst already.
          <Box key={i} sx={{ display: { xs: 'block', md: r.text === data.judgement.reasons[0]?.text && r.verdict !== 'close' ? 'none' : 'block' } }}>
            <Sentence verdict={r.verdict} act={r.do} limit={r.verdict === 'good' ? null : r.limit}>{r.text}</Sentence>
          </Box>
        ))}
        {reasons.length === 0 && <Typography>{state.summary ?? 'Recorded.'}</Typography>}
      </Box>
      <Typography variant="body2" sx={{ mt: 1.5 }}>Recorded by {state.by}, {state.at?.slice(0, 16).replace('T', ' ')}.</Typography>
      {!data.closed && text.kind !== 'trace' && text.kind !== 'hold' && (
        <Button variant={state.verdict === 'bad' ? 'contained' : 'outlined'} sx={{ mt: 1.5 }} onClick={onAgain}>{text.kind === 'round' || text.kind === 'number' ? 'Measure again' : 'Correct this'}</Button>
      )}
    </Box>
  )
}

function RecordedRound({ state, text, value, limit }: { state: StepState; text: StepText; value: Record<string, unknown>; limit: number | null }): ReactElement {
  const field = text.fields![0]!.key
  const readings = (value['readings'] as Record<string, unknown>[] | undefined) ?? []
  const result = (state.results[text.drawing?.['of'] ?? ''] ?? {}) as Record<string, unknown>
  const axis = typeof result['axis_deg'] === 'number' ? result['axis_deg'] : null
  const shown = state.summary ?? ''
  return (
    <Round across={text.across ?? false} bad={state.verdict === 'bad'} limit={limit} axisDeg={axis} jaws={state.verdict === 'bad' && axis !== null}
      readings={readings.map((r) => ({ clock: String(r['clock']), value: typeof r[field] === 'number' ? (r[field] as number) : null })).sort((a, b) => degreesOf(a.clock) - degreesOf(b.clock))}
      centre={[shown, text.across ? 'out of round' : (text.fields![0]!.label.toLowerCase()), limit === null ? '' : `limit ${Math.round(limit * 100) / 100} mm`]} />
  )
}

/** All samples of a trace, its parts put together. */
function useSamples(facts: Fact[], step: string): number[][] {
  return useMemo(() => {
    const parts = facts.filter((f) => f.step === step && Array.isArray(f.value['samples']))
    const last = parts[parts.length - 1]?.value['trace']
    return parts.filter((f) => f.value['trace'] === last).sort((a, b) => Number(a.value['part']) - Number(b.value['part'])).flatMap((f) => f.value['samples'] as number[][])
  }, [facts, step])
}

