import { Box, Button, TextField, Typography } from '@mui/material'
import { useEffect, useMemo, useRef, useState, type ReactElement } from 'react'
import { useSearchParams } from 'react-router'
import { textOf, type Fact, type ProcedureText, type Reason, type StepState, type StepText, type Subject } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import { drop, record } from '../outbox/outbox'
import type { Waiting } from '../outbox/db'
import { useOutbox } from '../outbox/useOutbox'
import { CouplerSection } from '../ui/CouplerSection'
import { degreesOf, Round } from '../ui/Round'
import { nameOf } from '../ui/nameOf'
import { Sheet } from '../ui/Sheet'
import { CLOCK, clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence, tight, VerdictMark } from '../ui/Verdict'
import { BoltsEntry, RecordedBolts } from './BoltsEntry'
import { Called } from './called'
import { FieldsEntry } from './FieldsEntry'
import { lockHere, type LockHere } from './lockHere'
import { PhotoEntry, PhotoStrip } from './Photos'
import { RoundEntry } from './RoundEntry'
import { PrintedLabel, ScanEntry } from './ScanEntry'
import { FusionChart, LogChart, type TraceEvent } from './charts'
import { Inside } from './Inside'
import { TraceEntry } from './TraceEntry'
import { useJudgedHere } from './judgedHere'
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
  const here = useJudgedHere(data, procedure, waiting)
  const seen = useMemo(() => (here ? { ...data, judgement: here.judgement, facts: [...data.facts, ...waiting.filter((w) => !w.refused).map(asFact)] } : data), [data, here, waiting])
  const { judgement } = seen
  // Pieces of a trace that still runs, and bolts, are on their way all the time; only what is whole waits in the eyes of a person.
  const steps = judgement.steps
  const pending = useMemo(() => {
    const inParts = new Set(steps.filter((s) => s.kind === 'bolts').map((s) => s.key))
    return new Map(waiting.filter((w) => w.refused || (w.body.value['final'] !== false && !inParts.has(w.body.step))).map((w) => [w.body.step, w]))
  }, [waiting, steps])
  const judged = (s: StepState): boolean => !pending.has(s.key) || s.fact_id === pending.get(s.key)!.id
  const isDone = (s: StepState): boolean => s.status === 'done' || pending.has(s.key)
  const selected = params.get('step')
  const firstOpen = steps.find((s) => !isDone(s) && !s.optional)?.key
  const next = steps.find((s) => s.key === judgement.next)
  // With nothing left to do the trace is what one comes to look at.
  const lastTrace = steps.filter((s) => s.kind === 'trace').at(-1)
  const bad = next && judged(next) ? next.key : undefined
  const state = steps.find((s) => s.key === selected) ?? steps.find((s) => s.key === (bad ?? firstOpen)) ?? lastTrace ?? steps[steps.length - 1]!
  const text = textOf(procedure, state)
  const values = useMemo(() => currentValues(data.facts, waiting), [data.facts, waiting])
  const select = (key: string | null): void => setParams(key ? { step: key } : {}, { replace: true })
  const done = steps.filter(isDone).length
  const numbers = new Map(steps.filter((s) => !s.optional).map((s, i) => [s.key, i + 1]))
  const urgent = judgement.verdict === 'bad' && judgement.reasons[0]?.step !== state.key
  // A new step is announced and the keyboard goes on from its title; the first one leaves the page where it is.
  const shown = useRef(state.key)
  useEffect(() => {
    if (shown.current === state.key) return
    shown.current = state.key
    document.getElementById('step-title')?.focus()
  }, [state.key])

  return (
    <Box sx={{
      display: 'grid', columnGap: 5, rowGap: { xs: 3, md: 2 }, mt: { xs: 1, md: 2 }, gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'minmax(0, 1fr) minmax(0, 1.15fr)' }, gridTemplateRows: { md: 'auto 1fr' },
      // At the trench a bad joint says so first, above whatever step is open.
      gridTemplateAreas: { xs: urgent ? '"headline" "pane" "list"' : '"pane" "headline" "list"', md: '"pane headline" "pane list"' },
    }}>
      <Box sx={{ gridArea: 'pane' }}>
        <StepPane key={`${state.key}/${pending.get(state.key)?.id ?? state.fact_id ?? ''}`} path={path} data={seen} procedure={procedure} state={state} text={text} values={values} waiting={pending.get(state.key)} judged={here !== null && judged(state)} wouldRefuse={here?.refused[pending.get(state.key)?.id ?? ''] ?? null} lock={lockHere(state, steps, here === null ? pending : new Map())} role={role} onMoved={() => select(null)} onGo={select} />
      </Box>
      <Box sx={{ gridArea: 'headline' }}>
        <Headline data={seen} pendingCount={pending.size} judgedHere={here !== null} saidAbove={judgement.reasons[0]?.step === state.key && state.status === 'done'} />
      </Box>
      <Box sx={{ gridArea: 'list' }}>
        <Box component="ol" aria-label="Steps" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {steps.map((s) => {
            const current = s.key === state.key
            const late = pending.get(s.key)
            return (
              <Box component="li" key={s.key} sx={{ borderTop: 1, borderColor: 'divider' }}>
                <Box component="button" type="button" onClick={() => select(s.key)} aria-current={current ? 'step' : undefined}
                  sx={{ all: 'unset', cursor: 'pointer', display: 'flex', gap: 1.5, alignItems: 'center', width: '100%', minHeight: 44, boxSizing: 'border-box', fontWeight: current ? 700 : 400, color: s.status === 'todo' && !current && !late ? 'text.secondary' : 'text.primary', '&:focus-visible': { outline: '3px solid var(--accent)' } }}>
                  <Box sx={{ width: 26, display: 'grid', placeItems: 'center' }}>{late && !(here && judged(s)) ? <span aria-label="not yet sent">●</span> : s.status === 'done' ? <VerdictMark verdict={s.verdict} /> : s.optional ? '+' : numbers.get(s.key)}</Box>
                  <Box component="span" sx={{ flexGrow: 1, py: 0.75 }}>{s.title}</Box>
                  <Box component="span" sx={{ textAlign: 'right', color: 'text.secondary', fontWeight: 400 }}>{late ? (late.refused ? 'refused' : here && judged(s) && s.summary ? <>{tight(s.summary)} · not yet sent</> : 'not yet sent') : (s.summary ? tight(s.summary) : (s.status === 'running' ? 'running' : s.optional ? 'if any' : ''))}</Box>
                </Box>
              </Box>
            )
          })}
        </Box>
        <Typography variant="body2" sx={{ mt: 1 }}>
          {done} of {steps.filter((s) => !s.optional || isDone(s)).length} steps. {procedure.title}, version {procedure.version}.
        </Typography>
      </Box>
    </Box>
  )
}

const asFact = (w: Waiting): Fact => ({ ...w.body, seq: 0, by: '', role: '', supersedes: w.body.supersedes ?? null, reason: w.body.reason ?? null })

/** Values that count at each step, what waits on the device included. */
function currentValues(facts: Fact[], waiting: Waiting[]): Record<string, Record<string, unknown>> {
  const superseded = new Set(facts.map((f) => f.supersedes).filter(Boolean))
  const values: Record<string, Record<string, unknown>> = {}
  for (const f of facts) if (!superseded.has(f.id)) values[f.step] = { ...values[f.step], ...f.value }
  for (const w of waiting) if (!w.refused) values[w.body.step] = { ...values[w.body.step], ...(w.body.value as Record<string, unknown>) }
  return values
}

/** A number of the procedure that a drawing names as `$param.NAME`. */
function numberAt(path: string | undefined, procedure: ProcedureText): number | null {
  const value = path?.startsWith('$param.') ? procedure.parameters?.[path.slice(7)]?.value : null
  return typeof value === 'number' ? value : null
}

/** The one sentence: what is worst, or what comes next. */
function Headline({ data, pendingCount, judgedHere, saidAbove }: { data: Subject; pendingCount: number; judgedHere: boolean; saidAbove: boolean }): ReactElement {
  const { judgement } = data
  const now = useNow(1000)
  const worst = judgement.reasons[0]
  const next = judgement.steps.find((s) => s.key === judgement.next)
  const clocks = Object.entries(judgement.clocks)
  return (
    <Box aria-live="polite">
      {data.closed && <Typography sx={{ fontWeight: 700, mb: 1 }}>{data.closed}</Typography>}
      {/* On the phone the step above says it already. */}
      <Box sx={{ display: { xs: saidAbove ? 'none' : 'block', md: 'block' } }}>
        {judgement.verdict === 'bad' && worst ? (
          <Sentence verdict="bad" act={worst.do} limit={worst.limit}>{worst.text}</Sentence>
        ) : judgement.verdict === 'open' ? (
          <Sentence verdict="open" act={worst && worst.verdict === 'open' ? worst.do : undefined}>
            {worst && worst.verdict === 'open' ? worst.text : next ? `next is "${next.title}".` : 'nothing is left to record here.'}
          </Sentence>
        ) : (
          <Sentence verdict={judgement.verdict} limit={worst?.limit} act={worst?.do}>{worst ? worst.text : 'every limit is met.'}</Sentence>
        )}
      </Box>
      {clocks.length > 0 && data.state !== 'accepted' && data.state !== 'cut-out' && judgement.verdict !== 'bad' && <Clocks clocks={clocks} now={now} zone={data.line.time_zone} />}
      {pendingCount > 0 && <Typography sx={{ mt: 1, pl: 2.75, color: 'secondary.main', fontWeight: 700 }}>{pendingCount === 1 ? 'One entry is' : `${pendingCount} entries are`} not yet sent{judgedHere ? '; judged on this device by the same rules.' : `: ${pendingCount === 1 ? 'its' : 'their'} judgement waits for the server.`}</Typography>}
    </Box>
  )
}

/** Every clock of a joint, those that still run first. */
function Clocks({ clocks, now, zone }: { clocks: [string, string][]; now: number; zone: string }): ReactElement {
  const running = clocks.filter(([, at]) => Date.parse(at) > now)
  return (
    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, pl: 2.75 }}>
      {(running.length > 0 ? running : clocks.slice(-1)).map(([name, at]) => <li key={name}>{CLOCK[name] ?? name} <strong>{clockAndCountdown(at, now, zone)}</strong></li>)}
    </Box>
  )
}

interface PaneProps {
  path: string
  data: Subject
  procedure: ProcedureText
  state: StepState
  text: StepText
  values: Record<string, Record<string, unknown>>
  waiting: Waiting | undefined
  /** the judgement that is shown has seen what waits */
  judged: boolean
  /** what the server will say to the entry that waits, when it will refuse it */
  wouldRefuse: string | null
  lock: LockHere | null
  role: string | undefined
  onMoved: () => void
  onGo: (key: string) => void
}

function StepPane({ path, data, procedure, state, text, values, waiting, judged, wouldRefuse, lock, role, onMoved, onGo }: PaneProps): ReactElement {
  const [again, setAgain] = useState(false)
  const [reason, setReason] = useState('')
  const [photos, setPhotos] = useState<string[]>([])
  const running = useRun(`${path}/${state.key}`)
  const me = useMe()
  const called = `${nameOf(data)} · ${state.title}`
  const theirs = waiting?.by !== undefined && waiting.by.id !== me.data?.id
  const save = async (value: Record<string, unknown>): Promise<void> => {
    await record(path, { step: state.key, value: { ...value, ...(photos.length > 0 ? { photos } : {}) }, ...(again && state.kind !== 'bolts' ? { supersedes: state.fact_id, reason: reason || 'measured again' } : {}) }, called)
    setAgain(false)
    onMoved()
  }
  const limitOf = (): number | null => {
    const name = text.drawing?.['limit']
    const held = name ? Object.values(state.results).map((r) => (r as Record<string, unknown>)[name]).find((v) => typeof v === 'number') : null
    return typeof held === 'number' ? held : null
  }
  const inParts = state.kind === 'bolts'
  const recorded = state.status === 'done' && !again && !(running && state.again) && !(inParts && state.verdict === 'bad')
  // A step that must wait is opened by the clock, not by the next look at the page.
  const now = useNow(1000)
  const opens = state.opens_at ? Date.parse(state.opens_at) : null
  const early = opens !== null && now < opens
  const held = lock?.code === 'too-early' && !early ? null : lock
  return (
    <Called value={called}>
      <Box component="section" aria-labelledby="step-title">
        <Typography id="step-title" variant="h2" tabIndex={-1} sx={{ fontSize: '1.35rem', outline: 'none', scrollMarginTop: 12 }}>{state.title}</Typography>
        {text.why && !recorded && <Typography variant="body2" sx={{ mb: 0.5 }}>{text.why}</Typography>}
        {state.guide.map((g) => <Typography key={g} sx={{ fontWeight: 700 }}>{tight(g)}</Typography>)}

        {waiting && !again && (
          <Box sx={{ my: 2 }}>
            <Typography sx={{ fontWeight: 700 }}>{waiting.refused ? `Refused: ${waiting.refused}` : wouldRefuse ? `This will be refused: ${wouldRefuse}` : `Recorded ${theirs ? `by ${waiting.by!.name} ` : ''}on this device, not yet sent.`}</Typography>
            {theirs && (waiting.refused ?? wouldRefuse) && <Typography>{waiting.by!.name} recorded it and can take it back, signed in here.</Typography>}
            {!theirs && (waiting.refused ?? wouldRefuse) && <Button variant="contained" sx={{ mt: 1 }} onClick={() => void drop(waiting.seq!)}>Enter it again</Button>}
          </Box>
        )}
        {waiting && !judged && !again ? null : recorded ? (
          <Recorded state={state} text={text} procedure={procedure} value={values[state.key] ?? {}} data={data} values={values} limit={limitOf()} onAgain={() => setAgain(true)} />
        ) : data.closed ? (
          <Typography sx={{ my: 2 }}>{data.closed}</Typography>
        ) : (held || early) && !running && !again ? (
          <Held lock={held} opens={early ? opens : null} now={now} onGo={onGo} />
        ) : (
          <>
            {state.figure && <Figure figure={state.figure} />}
            {again && !inParts && <TextField label="Why does the earlier entry not count?" value={reason} onChange={(e) => setReason(e.target.value)} sx={{ my: 1.5 }} />}
            {text.photo && <PhotoEntry subject={path} step={state.key} of={text.photo.of} taken={photos} onTaken={(id) => setPhotos((all) => [...all, id])} />}
            <Entry path={path} state={state} text={text} procedure={procedure} values={values} data={data} role={role} limit={limitOf()} onRecord={(v) => void save(v)} onDone={onMoved} />
          </>
        )}
        {recorded && state.again && !data.closed && (
          <Box sx={{ mt: 2 }}>
            <Typography sx={{ fontWeight: 700, mb: 1 }}>A permit allows one repeat. It is marked for the life of the joint.</Typography>
            <Entry path={path} state={state} text={text} procedure={procedure} values={values} data={data} role={role} limit={limitOf()} onRecord={(v) => void save(v)} onDone={onMoved} />
          </Box>
        )}
        {state.cautions.map((c) => <Typography key={c} variant="body2" sx={{ mt: 1.5, borderTop: 1, borderColor: 'divider', pt: 1 }}>{c}</Typography>)}
      </Box>
    </Called>
  )
}

/** Why it cannot be done now; with a clock when only time is missing. */
function Held({ lock, opens, now, onGo }: { lock: LockHere | null; opens: number | null; now: number; onGo: (key: string) => void }): ReactElement {
  const left = opens === null ? 0 : Math.max(0, Math.ceil((opens - now) / 1000))
  return (
    <Box sx={{ my: 2 }}>
      {opens !== null && <Typography role="timer" sx={{ fontSize: { xs: '3.4rem', md: '4.4rem' }, fontWeight: 700, lineHeight: 1.1, color: 'secondary.main' }}>{left >= 3600 ? `${Math.floor(left / 3600)} h ${Math.floor((left % 3600) / 60)} min` : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`}</Typography>}
      {lock?.protects && <Typography sx={{ fontWeight: 700, color: 'secondary.main' }}>Shut so that nobody gets hurt.</Typography>}
      {lock && <Typography sx={{ fontWeight: 700 }}>{lock.text}</Typography>}
      {lock?.goTo && <Button variant="outlined" sx={{ mt: 1.5 }} onClick={() => onGo(lock.goTo!.key)}>Go to "{lock.goTo.title}"</Button>}
    </Box>
  )
}

/** Radii as they lie round the pipe's own middle: the gauge seldom turns exactly there. */
function centred(readings: Record<string, unknown>[], field: string, shape: Record<string, unknown>): { clock: string; value: number | null }[] {
  const [by, towards] = [Number(shape['ecc_mm'] ?? 0), Number(shape['ecc_deg'] ?? 0)]
  return readings.map((r) => {
    const clock = String(r['clock'])
    const value = r[field]
    return { clock, value: typeof value === 'number' ? value - by * Math.cos(((degreesOf(clock) - towards) * Math.PI) / 180) : null }
  })
}

/** A drawing beside a step: its shape and values come from the procedure. */
function Figure({ figure }: { figure: Record<string, unknown> }): ReactElement | null {
  if (figure['shape'] === 'coupler') return <CouplerSection of={figure} />
  const readings = Array.isArray(figure['readings']) ? (figure['readings'] as Record<string, unknown>[]) : []
  const axis = typeof figure['axis_deg'] === 'number' ? figure['axis_deg'] : null
  if (figure['shape'] !== 'jaws' || readings.length === 0) return null
  return (
    <Box sx={{ maxWidth: 380, mx: 'auto' }}>
      <Round radii limit={typeof figure['limit_mm'] === 'number' ? figure['limit_mm'] : null} axisDeg={axis} jaws={axis !== null} readings={centred(readings, 'value_mm', figure)} centre={['jaws', axis === null ? 'no clear axis' : 'press here']} />
    </Box>
  )
}

function Entry({ path, state, text, procedure, values, data, role, limit, onRecord, onDone }: { path: string; state: StepState; text: StepText; procedure: ProcedureText; values: PaneProps['values']; data: Subject; role: string | undefined; limit: number | null; onRecord: (v: Record<string, unknown>) => void; onDone: () => void }): ReactElement {
  switch (text.kind) {
    case 'round':
      return <RoundEntry step={text} limit={limit} onRecord={onRecord} />
    case 'bolts':
      return <BoltsEntry path={path} state={state} facts={data.facts} onRecord={onRecord} />
    case 'scan':
      return <ScanEntry step={text} project={data.line.project_id} onRecord={onRecord} />
    case 'trace':
      return <TraceEntry subject={path} step={text} stepKey={state.key} device={state.device ?? {}} tolerance={numberAt(text.drawing?.['u_tol'], procedure)} begun={begunAt(state, data.facts)} onDone={onDone} />
    case 'hold':
      return <HoldEntry text={text} data={data} role={role} onRecord={onRecord} />
    case 'timer':
      return <TimerEntry text={text} data={data} onRecord={onRecord} />
    default:
      return (
        <>
          {text.drawing?.['shape'] === 'printed-label' && <PrintedLabel {...printedOn(values[text.drawing['of'] ?? ''])} />}
          <FieldsEntry step={text} project={data.line.project_id} start={suggested(text, values, data)} onRecord={onRecord} />
        </>
      )
  }
}

const printedOn = (scan: Record<string, unknown> | undefined): { code: unknown; serial: unknown } => ({ code: scan?.['code'], serial: scan?.['serial'] })

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

function HoldEntry({ text, data, role, onRecord }: { text: StepText; data: Subject; role: string | undefined; onRecord: (v: Record<string, unknown>) => void }): ReactElement {
  const [refusing, setRefusing] = useState(false)
  const [remark, setRemark] = useState('')
  const may = !text.roles?.length || (role !== undefined && text.roles.includes(role))
  if (!may) return <Typography sx={{ my: 2 }}>This is signed by {text.roles!.join(' or ')}. You are signed in as {role}.</Typography>
  return (
    <Box sx={{ my: 2, display: 'grid', gap: 1 }}>
      <Typography>Your name stands under: {data.judgement.steps.filter((s) => s.kind !== 'hold').map((s) => s.summary).filter(Boolean).join('; ')}.</Typography>
      {(text.fields ?? []).length > 0 ? <FieldsEntry step={text} project={data.line.project_id} label="Sign" onRecord={(v) => onRecord({ ...v, signed: true })} /> : <Button variant="contained" onClick={() => onRecord({ signed: true })}>Sign</Button>}
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
      <Button variant={left === 0 ? 'contained' : 'outlined'} fullWidth onClick={() => onRecord({ [field.key]: iso(new Date()) })}>{field.label.replace(/ at$/, '')} now{left === 0 ? '' : ', before its time'}</Button>
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <TextField type="datetime-local" label="or at" value={time} onChange={(e) => setTime(e.target.value)} slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }} />
        <Button variant="outlined" disabled={!time} onClick={() => onRecord({ [field.key]: iso(new Date(time)) })}>Record</Button>
      </Box>
    </Box>
  )
}

function Recorded({ state, text, procedure, value, data, values, limit, onAgain }: { state: StepState; text: StepText; procedure: ProcedureText; value: Record<string, unknown>; data: Subject; values: PaneProps['values']; limit: number | null; onAgain: () => void }): ReactElement {
  const reasons: Reason[] = state.reasons.length > 0 ? state.reasons : []
  const samples = useSamples(data.facts, state.key)
  const all = useUnits()
  const typed = Object.entries(data.facts.find((f) => f.id === state.fact_id)?.typed ?? {}).map(([key, raw]) => {
    const field = text.fields?.find((f) => f.quantity && key.startsWith(f.key.slice(0, f.key.lastIndexOf('_'))))
    const unit = field?.quantity && typeof raw === 'number' ? Object.entries(all.data?.[field.quantity] ?? {}).find(([suffix]) => key.endsWith(`_${suffix}`))?.[1].symbol : undefined
    return `${field?.label ?? key}: ${String(raw)}${unit ? ` ${unit}` : ''}`
  })
  const volts = typeof state.device?.['u_v'] === 'number' ? state.device['u_v'] : null
  return (
    <Box sx={{ my: 1.5 }}>
      {state.figure && <Figure figure={state.figure} />}
      <PhotoStrip subject={`${data.section ? 'tests' : 'joints'}/${data.id}`} ids={Array.isArray(value['photos']) ? (value['photos'] as string[]) : []} photos={data.photos} />
      {text.kind === 'bolts' && <RecordedBolts state={state} facts={data.facts} />}
      {text.kind === 'round' && <RecordedRound state={state} text={text} value={value} limit={limit} />}
      {text.kind === 'trace' && samples.length > 1 && (text.device === 'pump-logger' ? <LogChart rows={samples} marks={values['phases'] ?? (value['marks'] as Record<string, unknown> | undefined)} /> : <FusionChart rows={samples} volts={volts} tolerance={numberAt(text.drawing?.['u_tol'], procedure)} events={eventsOf(state)} />)}
      <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
        {reasons.map((r, i) => (
          // In the cabin the headline beside it says the worst already.
          <Box key={i} sx={{ display: { xs: 'block', md: r.text === data.judgement.reasons[0]?.text && r.verdict !== 'close' ? 'none' : 'block' } }}>
            <Sentence verdict={r.verdict} act={r.do} limit={r.verdict === 'good' ? null : r.limit}>{r.text}</Sentence>
          </Box>
        ))}
        {reasons.length === 0 && <Typography>{state.summary ? tight(state.summary) : 'Recorded.'}</Typography>}
      </Box>
      {typed.length > 0 && <Typography variant="body2" sx={{ mt: 1.5 }}>Typed as {typed.join(', ')}.</Typography>}
      <Typography variant="body2" sx={{ mt: typed.length > 0 ? 0 : 1.5 }}>Recorded by {state.by || 'you'}, {state.at?.slice(0, 16).replace('T', ' ')}.</Typography>
      {state.model && Object.keys(state.model).length > 6 && <Inside of={state.model} />}
      {!data.closed && text.kind !== 'trace' && (text.kind !== 'hold' || value['signed'] === false) && (
        <Button variant={state.verdict === 'bad' ? 'contained' : 'outlined'} sx={{ mt: 1.5 }} onClick={onAgain}>{text.kind === 'hold' ? 'Decide again' : text.kind === 'round' || text.kind === 'number' ? 'Measure again' : 'Correct this'}</Button>
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
    <Round across={text.across ?? false} radii={text.drawing?.['shape'] === 'radii'} bad={state.verdict === 'bad'} limit={limit} axisDeg={axis} jaws={state.verdict === 'bad' && axis !== null}
      readings={centred(readings, field, text.drawing?.['shape'] === 'radii' ? result : {}).sort((a, b) => degreesOf(a.clock) - degreesOf(b.clock))}
      centre={[typeof result[text.drawing?.['value'] ?? ''] === 'number' && text.drawing?.['shape'] === 'radii' ? (shown.split(',')[0] ?? shown).replace(' oval', '') : shown, text.across || text.drawing?.['shape'] === 'radii' ? 'out of round' : (text.fields![0]!.label.toLowerCase()), limit === null ? '' : `limit ${Math.round(limit * 100) / 100} mm`]} />
  )
}

const eventsOf = (state: StepState): TraceEvent[] => ((state.results['fusion-trace'] as { events?: TraceEvent[] } | undefined)?.events ?? [])

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
    return parts.filter((f) => f.value['trace'] === last).sort((a, b) => Number(a.value['part']) - Number(b.value['part'])).flatMap((f) => f.value['samples'] as number[][])
  }, [facts, step])
}

