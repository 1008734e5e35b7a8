import { Box, Button, Typography } from '@mui/material'
import { useRef, useState, type ReactElement } from 'react'
import type { StepState } from '../api/client'
import { useMe } from '../api/queries'
import type { Waiting } from '../outbox/db'
import { DraftOf, dropDraft } from '../outbox/drafts'
import { newId } from '../outbox/id'
import { drop, record, recordAll, seal } from '../outbox/outbox'
import { useNow } from '../ui/useNow'
import { Sentence, tight } from '../ui/Verdict'
import { Called } from './called'
import { isFigure } from './fields/slots'
import { ForOthers } from './ForOthers'
import { Figure } from './Figure'
import { Held } from './Held'
import { KINDS } from './kinds'
import { sideName, type AtHand } from './kinds/kind'
import type { LockHere } from './lockHere'
import { Recorded } from './Recorded'
import { StepEntry } from './StepEntry'
import { Target } from './target'
import { useRun } from './useRun'
import { say } from '../texts/say'

interface Props extends Omit<AtHand, 'limit'> {
  waiting: Waiting | undefined
  /** the judgement that is shown has seen what waits */
  judged: boolean
  /** what the server will say to the entry that waits, when it will refuse it */
  wouldRefuse: string | null
  lock: LockHere | null
  /** the same step of the other pipe end: both are entered on one page */
  other: StepState | null
  onMoved: () => void
  onGo: (key: string) => void
  /** the other end is entered later */
  onApart: () => void
}

/** One step: what it asks for, or what was recorded. */
export function StepPane({ waiting, judged, wouldRefuse, lock, other, onMoved, onGo, onApart, ...at }: Props): ReactElement {
  const { path, data, state, text } = at
  const lang = at.procedure.language ?? 'en'
  const kind = KINDS[state.kind]!
  const [again, setAgain] = useState(false)
  const [anew, setAnew] = useState(0)
  const owner = useOwner()
  const ends = other ? [state, other] : [state]
  const title = other ? bothEnds(text) : state.title
  const draftOf = typeof owner === 'number' ? `${owner}/${path}/${ends.map((s) => s.key).join('+')}${again ? '/again' : ''}` : null
  const running = useRun(`${path}/${state.key}`)
  const called = `${data.name} · ${state.title}`
  const inParts = kind.inParts === true
  const going = useRef('')
  const [lost, setLost] = useState(false)
  const instead = (reason: string): { supersedes?: string | null; reason?: string } =>
    again && !inParts ? { supersedes: state.fact_id, reason: reason || say('steps.measuredAgain') } : {}
  const sealId = useRef(newId())
  const save = async (value: Record<string, unknown>, reason: string, more?: Record<string, unknown>): Promise<void> => {
    // A tap that comes twice before the device has stored it is one entry; another figure is another entry.
    const what = JSON.stringify([value, more])
    if (going.current === what) return
    going.current = what
    setLost(false)
    try {
      if (other && more)
        await recordAll(path, [
          { fact: { step: state.key, value }, title: called },
          { fact: { step: other.key, value: more }, title: `${data.name} · ${other.title}` },
        ])
      else await record(path, { step: state.key, value, ...instead(reason) }, called)
      if (draftOf) dropDraft(draftOf)
    } catch {
      // The figure is still on the screen: it is said at once that it is nowhere else.
      going.current = ''
      setLost(true)
      return
    }
    // What comes in parts stays at hand, and the same part may be gone over again; all else makes room for the next step.
    if (inParts) going.current = ''
    setAgain(false)
    onMoved()
  }
  const recorded = state.status === 'done' && !again && !(running && state.again) && !(inParts && state.verdict === 'bad')
  // A step that must wait is opened by the clock, not by the next look at the page.
  const opens = state.opens_at ? Date.parse(state.opens_at) : null
  const now = useNow(opens === null ? null : 1000)
  const early = opens !== null && now < opens
  const held = lock?.code === 'too-early' && !early ? null : lock
  const here: AtHand = { ...at, limit: limitOf(at) }
  // What a device kept from an earlier version does not say them.
  const limits = state.kind === 'hold' ? [] : ((state.limits as StepState['limits'] | undefined) ?? []).filter((l) => l.shown)
  const guide = guideOf(ends, data)
  const cautions = [...new Set(ends.flatMap((s) => s.cautions))]
  const target =
    limits.length === 0 ? null : (
      <>
        {say('steps.limits', { count: limits.length })} <strong>{tight(limits.map((l) => `${l.label} ${l.shown}`).join('; '))}</strong>
      </>
    )
  const hasPad = !held && !early && (state.kind === 'round' || (kind.bothEnds === true && (text.fields ?? []).some(isFigure)))
  const entry = owner !== undefined && (
    <Target.Provider value={target}>
      <DraftOf.Provider key={`${draftOf ?? ''}#${anew}`} value={draftOf}>
        <ForOthers path={path} text={text} role={at.role}>
          <StepEntry
            at={here}
            again={again}
            other={other}
            lost={lost}
            onRecord={(value, reason, more) => void save(value, reason, more)}
            onSeal={async (value, reason, password) => {
              await seal(path, sealId.current, { step: state.key, value, ...instead(reason) }, password)
              onMoved()
            }}
            onDone={onMoved}
            onAnew={() => {
              if (draftOf) dropDraft(draftOf)
              setAnew(anew + 1)
            }}
          />
        </ForOthers>
      </DraftOf.Provider>
    </Target.Provider>
  )
  return (
    <Called value={called}>
      <Box component="section" aria-labelledby="step-title">
        <Typography
          id="step-title"
          lang={lang}
          variant="h2"
          tabIndex={-1}
          sx={{ fontSize: '1.35rem', outline: 'none', scrollMarginTop: 12 }}
        >
          {title}
        </Typography>
        {text.why && !recorded && (
          <Typography lang={lang} variant="body2" sx={{ mb: 0.5 }}>
            {text.why}
          </Typography>
        )}
        {!recorded && limits.length > 0 && (
          // With a pad it stands above that.
          <Typography lang={lang} sx={{ mb: 0.5, display: { xs: hasPad ? 'none' : 'block', md: 'block' } }}>
            {target}
          </Typography>
        )}
        {guide.map((g) => (
          <Typography key={g} lang={lang} sx={{ fontWeight: 700 }}>
            {tight(g)}
          </Typography>
        ))}

        {lost && (
          <Box role="alert" sx={{ my: 2 }}>
            <Sentence verdict="bad" act={say('steps.notKeptDo')}>
              {say('steps.notKept')}
            </Sentence>
          </Box>
        )}
        {waiting && !again && <Unsent waiting={waiting} wouldRefuse={wouldRefuse} />}
        {waiting && !judged && !again ? null : recorded ? (
          <Recorded {...here} kind={kind} onAgain={() => setAgain(true)} />
        ) : data.closed ? (
          <Typography sx={{ my: 2 }}>{data.closed}</Typography>
        ) : (held || early) && !running && !again ? (
          <>
            <Held lock={held} opens={early ? opens : null} now={now} zone={data.line.time_zone} onGo={onGo} />
            {state.figure && <Figure figure={state.figure} />}
          </>
        ) : (
          entry
        )}
        {other && (
          <Button onClick={onApart} sx={{ px: 0.5, fontWeight: 400, color: 'text.secondary' }}>
            {say('steps.oneEndAtATime')}
          </Button>
        )}
        {recorded && state.again && !data.closed && (
          <Box sx={{ mt: 2 }}>
            <Typography sx={{ fontWeight: 700, mb: 1 }}>{say('steps.aPermitAllowsOneRepeatIt')}</Typography>
            {entry}
          </Box>
        )}
        {cautions.map((c) => (
          <Typography key={c} variant="body2" sx={{ mt: 1.5, borderTop: 1, borderColor: 'divider', pt: 1 }}>
            {c}
          </Typography>
        ))}
      </Box>
    </Called>
  )
}

/**
 * Whose draft it is; undefined until that is known, for what was typed before would be lost when it becomes so. Where nobody can tell,
 * null: what is typed then is nobody's draft, and stands as long as the step does.
 */
function useOwner(): number | null | undefined {
  const me = useMe()
  const owner = useRef<number | null | undefined>(undefined)
  if (me.data && owner.current !== null) owner.current = me.data.id
  else if (owner.current === undefined && me.failureCount > 0) owner.current = null
  return owner.current
}

/** "Peel, both ends". */
function bothEnds(text: AtHand['text']): string {
  const ends = say('steps.bothEnds')
  return text.title.includes('{side}') ? text.title.replace('{side}', ends) : `${text.title}, ${ends}`
}

/** What helps before it is entered: what holds of both ends once, the rest with the name of its end. */
function guideOf(ends: StepState[], data: AtHand['data']): string[] {
  const [one, other] = ends
  if (!other || one!.guide.join() === other.guide.join()) return one!.guide
  return ends.flatMap((s) => s.guide.map((g) => `${sideName(s, data)}: ${g}`))
}

/** The limit that a result carries under the name that the drawing has for it. */
function limitOf({ state, text }: Omit<AtHand, 'limit'>): number | null {
  const name = text.drawing?.['limit']
  const held = name
    ? Object.values(state.results)
        .map((r) => (r as Record<string, unknown>)[name])
        .find((v) => typeof v === 'number')
    : null
  return typeof held === 'number' ? held : null
}

/** What was recorded here and is still on this device. */
function Unsent({ waiting, wouldRefuse }: { waiting: Waiting; wouldRefuse: string | null }): ReactElement {
  const me = useMe()
  const theirs = waiting.by !== undefined && waiting.by.id !== me.data?.id
  const stuck = waiting.refused ?? wouldRefuse
  return (
    <Box sx={{ my: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>
        {waiting.refused
          ? say('steps.refusedBecause', { refused: waiting.refused })
          : wouldRefuse
            ? say('steps.thisWillBeRefused', { wouldRefuse })
            : say('steps.recordedOnThisDeviceNotYet', { name: theirs ? say('steps.by', { name: waiting.by!.name }) : '' })}
      </Typography>
      {theirs && stuck && <Typography>{say('steps.recordedItAndCanTakeIt', { name: waiting.by!.name })}</Typography>}
      {!theirs && stuck && (
        <Button variant="contained" sx={{ mt: 1 }} onClick={() => void drop(waiting.seq!)}>
          {say('steps.enterItAgain')}
        </Button>
      )}
    </Box>
  )
}
