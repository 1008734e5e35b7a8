import { Box, Button, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import type { Fact, FieldSpec, StepState, Usual } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import { useOutbox } from '../outbox/useOutbox'
import { BoltCircle } from '../ui/BoltCircle'
import { figureInput } from '../ui/figureInput'
import { padFoot, padRoom, steady } from '../ui/atThumb'
import { Pad } from '../ui/Pad'
import { figure as written } from '../ui/units'
import { OfDevice } from './WrenchDevice'
import { AskWhether } from './AskWhether'
import { doubtOf, type Doubt } from './doubt'
import { badBolts, progressOf, readingsOf, type PlanStep, type Progress } from './bolts'
import { complaint, shownField, toValue } from './entry'
import { say } from '../texts/say'
import { WhatIsBad } from './WhatIsBad'

/** What stands at the foot of a phone while a figure is typed. */
const PAD_HEIGHT = 356

/** Beyond this share of what is wanted a figure is asked about: a foot-pound is a third more than a newton metre. */
const USUAL = 0.2

const TORQUE: FieldSpec = { key: 'torque_nm', label: say('steps.torque'), quantity: 'torque', min: 0, max: 5000 }

interface Props {
  path: string
  state: StepState
  facts: Fact[]
  /** the project is one of practice: a stand-in plays the wrench */
  practice: boolean
  /** the device has not kept the last one */
  lost: boolean
  onRecord: (value: Record<string, unknown>) => void
  /** what was recorded by itself, not by this page's form */
  onDone: () => void
}

/** Bolt by bolt and pass by pass: the next one is lit; one tap for a wrench that clicks, a figure for one that shows it. */
export function BoltsEntry({ path, state, facts, practice, lost, onRecord, onDone }: Props): ReactElement {
  const waiting = useOutbox(path)
  const { plan, wrench, slips } = entryOf(state)
  const progress = progressOf(plan, readingsOf(state.key, facts, waiting))
  const [picked, setPicked] = useState<number | null>(null)
  const [typing, setTyping] = useState(wrench === 'reads')
  const wanted = picked === null ? progress.next : (plan.find((s) => s.pass === progress.pass && s.bolt === picked) ?? progress.next)
  const shown = useTorque()
  if (plan.length === 0) return <Typography sx={{ my: 2 }}>{say('steps.whichBoltComesFirstIsNot')}</Typography>
  const record = (value: Record<string, unknown>): void => {
    setPicked(null)
    onRecord({ bolt: wanted!.bolt, pass: wanted!.pass, ...value })
  }
  const then = picked === null ? progress.then : progress.next
  const byTurns = wrench === 'turns'
  return (
    <Box>
      <Box key={wanted === null ? 'read' : 'next'} {...(wanted === null ? {} : { ref: steady, sx: padRoom })}>
        <Box>
          <Passes progress={progress} />
          <Circle state={state} progress={progress} wanted={wanted} onPick={setPicked} />
          <WhatIsBad state={state} />
        </Box>
        {wanted === null ? (
          <Typography sx={{ fontWeight: 700 }}>{say(byTurns ? 'steps.everyNutIsTurned' : 'steps.everyBoltIsReadTapOne')}</Typography>
        ) : byTurns ? (
          <Box sx={padFoot}>
            <Done
              what={say('steps.nutIsTurned', { bolt: wanted.bolt, turns: wanted.turns ?? 1 })}
              then={then}
              onDone={() => record({ turned: true })}
            />
          </Box>
        ) : typing ? (
          <Figure key={picked ?? 'next'} wanted={wanted} slips={slips} lost={lost} onRecord={record} />
        ) : (
          <Box sx={{ ...padFoot, display: 'grid', gap: 1 }}>
            <Done
              what={say('steps.boltIsAt', { bolt: wanted.bolt, torque: shown.text(wanted.torque_nm ?? 0) })}
              then={then}
              onDone={() => record({ torque_nm: wanted.torque_nm, turned: true })}
            />
            <Button variant="outlined" onClick={() => setTyping(true)}>
              {say('steps.anotherFigure')}
            </Button>
          </Box>
        )}
      </Box>
      {!byTurns && wanted !== null && (
        <OfDevice subject={path} stepKey={state.key} left={progress.left} practice={practice} onDone={onDone} />
      )}
    </Box>
  )
}

/** One tap for a bolt that has clicked or a nut that is turned; beneath it what comes then. */
function Done({ what, then, onDone }: { what: string; then: PlanStep | null; onDone: () => void }): ReactElement {
  return (
    <Button variant="contained" fullWidth sx={{ minHeight: 96, display: 'block', fontSize: '1.5rem', lineHeight: 1.3 }} onClick={onDone}>
      {what}
      {then && (
        <Box component="span" sx={{ display: 'block', fontSize: '1rem', fontWeight: 400 }}>
          {say('steps.thenBolt', { bolt: then.bolt })}
        </Box>
      )}
    </Button>
  )
}

/** The circle of a step whose bolts are all read. */
export function RecordedBolts({ state, facts }: { state: StepState; facts: Fact[] }): ReactElement {
  const progress = progressOf(entryOf(state).plan, readingsOf(state.key, facts, []))
  return <Circle state={state} progress={progress} wanted={null} onPick={undefined} />
}

interface BoltsKnown {
  plan: PlanStep[]
  wrench: string
  /** how a torque goes wrong; what a device kept from an earlier version does not say it */
  slips: Usual['slips']
}

function entryOf(state: StepState): BoltsKnown {
  const entry = (state.entry ?? {}) as Partial<BoltsKnown>
  return { plan: entry.plan ?? [], wrench: entry.wrench ?? 'reads', slips: entry.slips ?? [] }
}

/** Torque in the reader's unit: whole figures, as a wrench shows them. */
function useTorque(): { symbol: string; text: (nm: number) => string; shown: ReturnType<typeof shownField> } {
  const me = useMe()
  const units = useUnits()
  const shown = shownField(TORQUE, me.data?.units ?? 'metric', units.data)
  return { shown, symbol: shown.symbol, text: (nm) => written(shown.fromKey(nm), Number.isInteger(nm) ? 0 : 1) }
}

function Passes({ progress }: { progress: Progress }): ReactElement {
  return (
    <Box sx={{ mb: 1 }}>
      <Typography sx={{ display: 'flex', justifyContent: 'space-between', fontWeight: 700 }}>
        <span>{say('steps.passOf', { pass: progress.pass, passes: progress.passes })}</span>
        <Box component="span" sx={{ fontWeight: 400 }}>
          {say('steps.ofBolts', { done: progress.inPass, bolts: progress.bolts })}
        </Box>
      </Typography>
      <Box aria-hidden sx={{ display: 'grid', gridAutoFlow: 'column', gap: 0.5, mt: 0.5 }}>
        {Array.from({ length: progress.passes }, (_, i) => i + 1).map((pass) => (
          <Box key={pass} sx={{ height: 6, bgcolor: 'divider' }}>
            <Box
              sx={{
                height: 6,
                bgcolor: pass === progress.pass && progress.next ? 'secondary.main' : 'text.primary',
                width:
                  pass < progress.pass ? '100%' : pass > progress.pass ? 0 : `${(100 * progress.inPass) / Math.max(1, progress.bolts)}%`,
              }}
            />
          </Box>
        ))}
      </Box>
    </Box>
  )
}

function Circle({
  state,
  progress,
  wanted,
  onPick,
}: {
  state: StepState
  progress: Progress
  wanted: PlanStep | null
  onPick: ((bolt: number) => void) | undefined
}): ReactElement {
  const torque = useTorque()
  const taken = (bolt: number): number => progress.plan.filter((s) => s.bolt === bolt && progress.read.has(`${s.pass}/${s.bolt}`)).length
  const inPass = (bolt: number): string | null => {
    const nm = progress.read.get(`${progress.pass}/${bolt}`)
    return nm === undefined || Number.isNaN(nm) ? null : torque.text(nm)
  }
  const circle = useRef<HTMLDivElement>(null)
  // The lit bolt is seen above the pad, wherever round the circle it lies. (Newer browsers give a promise back: no effect's end.)
  useEffect(() => {
    circle.current?.scrollIntoView({ block: 'nearest' })
  }, [wanted?.bolt])
  return (
    <Box sx={{ maxWidth: { xs: 280, md: 400 }, mx: 'auto', mb: 1 }}>
      <Box ref={circle} sx={{ scrollMarginBottom: { xs: PAD_HEIGHT, md: 0 } }}>
        <BoltCircle
          bolts={progress.bolts}
          done={(bolt) => taken(bolt) / Math.max(1, progress.passes)}
          figure={inPass}
          lit={wanted?.bolt ?? null}
          bad={badBolts(state)}
          onPick={onPick}
          centre={
            wanted?.turns !== undefined
              ? [say('steps.nutBy', { bolt: wanted.bolt }), String(wanted.turns), say('steps.turns')]
              : wanted
                ? [say('steps.boltTo', { bolt: wanted.bolt }), torque.text(wanted.torque_nm ?? 0), torque.symbol]
                : [say('steps.allBolts'), String(progress.bolts), say('steps.boltsRead')]
          }
        />
      </Box>
      <Typography variant="body2" sx={{ textAlign: 'center' }}>
        {say('steps.seenFromTheNutsBolt1')}
      </Typography>
    </Box>
  )
}

/** The figure that the wrench shows, above its pad. */
function Figure({
  wanted,
  slips,
  lost,
  onRecord,
}: {
  wanted: PlanStep
  slips: Usual['slips']
  lost: boolean
  onRecord: (value: Record<string, unknown>) => void
}): ReactElement {
  const { shown, text: said } = useTorque()
  const nm = wanted.torque_nm ?? 0
  const aim = said(nm)
  const sure = useRef(new Set<string>())
  const [asked, setAsked] = useState<Doubt | null>(null)
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const last = useRef('')
  useEffect(() => {
    if (lost) setText((since) => since || last.current)
  }, [lost])
  const set = (next: string): void => {
    setText(next)
    setFault(null)
  }
  const usual: Usual = { near: nm, whole: false, low: nm * (1 - USUAL), high: nm * (1 + USUAL), slips }
  const record = (typed: string): void => {
    const why = complaint(TORQUE, typed, shown)
    if (why) return setFault(why)
    const doubt = sure.current.has(typed.trim()) ? null : doubtOf(typed, usual, shown)
    if (doubt) return setAsked(doubt)
    // The next figure may be typed before the next bolt is lit: nothing of it is lost.
    last.current = typed
    setText('')
    onRecord(toValue(TORQUE, typed, shown))
  }
  const is = (typed: string): void => {
    sure.current.add(typed.trim())
    setAsked(null)
    record(typed)
  }
  return (
    // Figure, fault and pad stay together at the thumb, whatever is above them.
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        record(text)
      }}
      sx={padFoot}
    >
      {asked && (
        <AskWhether
          label={say('steps.bolt', { bolt: wanted.bolt })}
          symbol={shown.symbol}
          doubt={asked}
          onIs={is}
          onClose={() => setAsked(null)}
        />
      )}
      <Box
        component="label"
        sx={{
          display: 'flex',
          alignItems: 'baseline',
          borderBottom: 3,
          borderColor: fault ? 'secondary.main' : 'text.primary',
          px: 1,
          mb: 1,
        }}
      >
        <Typography component="span" sx={{ color: 'text.secondary', flexGrow: 1 }}>
          {say('steps.turnBoltTo', { bolt: wanted.bolt, aim })}
        </Typography>
        <input
          ref={(el) => el?.focus({ preventScroll: true })}
          data-at-hand=""
          inputMode="none"
          autoComplete="off"
          value={text}
          onChange={(e) => set(e.target.value)}
          aria-label={say('steps.torqueOfBolt', { bolt: wanted.bolt, symbol: shown.symbol })}
          aria-invalid={fault !== null}
          style={{ ...figureInput, width: 110, fontSize: '2.1rem', outline: 'none' }}
        />
        <Typography component="span" sx={{ pl: 1 }}>
          {shown.symbol}
        </Typography>
      </Box>
      {fault && (
        <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mb: 1 }}>
          {fault}
        </Typography>
      )}
      <Pad
        onKey={(k) => set(`${text}${k}`)}
        onBack={() => set(text.slice(0, -1))}
        next={
          <Button variant="contained" type="submit" sx={{ minWidth: 0, px: 1 }}>
            {say('steps.nextRound')}
          </Button>
        }
      />
    </Box>
  )
}
