import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react'
import type { FieldSpec } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import type { Run } from '../outbox/db'
import { readByHand, startRun } from '../outbox/runs'
import { hourMinute } from '../ui/clock'
import { figureInput } from '../ui/figureInput'
import { figureOf, noFigure } from '../ui/figureOf'
import { padFoot, padRoom, steady } from '../ui/atThumb'
import { Pad } from '../ui/Pad'
import type { Shown } from '../ui/units'
import { useDeviceNow } from '../ui/useNow'
import { say } from '../texts/say'
import { useAbove } from './useAbove'
import { AskWhether } from './AskWhether'
import { typedOf, useTyped, type Typed } from './beingTyped'
import { useCalled } from './called'
import { doubtOf, type Doubt } from './doubt'
import { complaint, shownField } from './entry'

const PRESSURE: FieldSpec = { key: 'p_kpa', label: say('steps.pressureAtTheGauge'), quantity: 'pressure', min: 0, max: 100_000 }
const WATER: FieldSpec = { key: 'w_l', label: say('steps.waterSinceThen'), quantity: 'volume', min: -100_000, max: 100_000, optional: true }

/** min between two readings */
const EVERY = [1, 5, 10, 15]

/** From one reading to the next a pressure that is held hardly moves: a figure farther off is asked about. */
const USUAL = 0.25

/** Readings after that many may be held against the last one: before, the line is being raised. */
const RAISED_AFTER = 3

const MINUTE_MS = 60_000

/** How a log begins that somebody reads off the gauge. */
export function BeginByHand({ subject, stepKey }: { subject: string; stepKey: string }): ReactElement {
  const called = useCalled()
  const [every, setEvery] = useState(5)
  const begin = (): Promise<void> =>
    startRun({
      key: `${subject}/${stepKey}`,
      subject,
      title: called,
      step: stepKey,
      speed: 1,
      samples: [],
      secondsPerUnit: 60,
      byHand: every,
      extra: { source: 'by-hand' },
    })
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '2fr 1fr', gap: 1, mt: 1 }}>
      <Button variant="outlined" onClick={() => void begin()}>
        {say('steps.readTheGaugeByHand')}
      </Button>
      <TextField select label={say('steps.readEvery')} value={every} onChange={(e) => setEvery(Number(e.target.value))}>
        {EVERY.map((minutes) => (
          <MenuItem key={minutes} value={minutes}>
            {say('steps.everyMinutes', { minutes })}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  )
}

interface Props {
  run: Run
  zone: string
  /** the hold is over before its time: no next reading is asked for, one may still be recorded */
  isOver: boolean
  /** what to do now */
  children: ReactNode
}

/** The clock does the asking: what the gauge shows, and what went in since the last reading; above it, what to do now. */
export function HandLog({ run, zone, isOver, children }: Props): ReactElement {
  const me = useMe()
  const units = useUnits()
  const system = me.data?.units ?? 'metric'
  const fields = { pressure: shownField(PRESSURE, system, units.data), water: shownField(WATER, system, units.data) }
  const [typed, type] = useTyped(run.trace)
  const { atHand, fault } = typed
  const [asked, setAsked] = useState<Doubt | null>(null)
  const inputs = useRef<Partial<Record<Typed['atHand'], HTMLInputElement | null>>>({})
  const now = useRef<HTMLDivElement>(null)
  const foot = useRef<HTMLDivElement>(null)
  useAbove(now, foot)
  const setFault = (fault: string | null): void => type(() => ({ fault }))
  const setAtHand = (atHand: Typed['atHand']): void => type(() => ({ atHand }))
  const change = (key: Typed['atHand'], by: (text: string) => string): void => type((before) => ({ [key]: by(before[key]), fault: null }))
  const goTo = (key: Typed['atHand']): void => {
    setAtHand(key)
    inputs.current[key]?.focus({ preventScroll: true })
  }
  useEffect(() => {
    inputs.current[typedOf(run.trace).atHand]?.focus({ preventScroll: true })
  }, [run.trace])
  const last = run.samples[run.samples.length - 1]
  const record = (pressure: string, isSure: boolean): void => {
    const { water } = typedOf(run.trace)
    const why = wrong(PRESSURE, pressure, fields.pressure)
    if (why) {
      goTo('pressure')
      return setFault(why)
    }
    const litresWhy = wrong(WATER, water, fields.water)
    if (litresWhy) {
      goTo('water')
      return setFault(litresWhy)
    }
    const near = last?.[1] ?? 0
    const usual = { near, whole: false, low: near * (1 - USUAL), high: near * (1 + USUAL), slips: [] }
    const doubt = isSure || run.samples.length < RAISED_AFTER || near === 0 ? null : doubtOf(pressure, usual, fields.pressure)
    if (doubt) return setAsked(doubt)
    const litres = water.trim() === '' ? null : fields.water.toKey(figureOf(water)!)
    // The next figure may be typed before this one is kept: nothing of it is lost.
    type(() => ({ pressure: '', water: '' }))
    goTo('pressure')
    const back = (why: string): void => {
      type((since) => (since.pressure === '' ? { pressure, water: since.water || water, fault: why } : { fault: why }))
    }
    readByHand(run.key, fields.pressure.toKey(figureOf(pressure)!), litres, Date.now()).then(
      (isKept) => !isKept && back(say('steps.tooSoonAfterTheLast')),
      (notKept: Error) => back(notKept.message),
    )
  }
  const is = (pressure: string): void => {
    setAsked(null)
    record(pressure, true)
  }
  const row = (key: Typed['atHand'], field: FieldSpec): ReactElement => (
    <Box
      component="label"
      onClick={() => setAtHand(key)}
      sx={{
        display: 'flex',
        alignItems: 'baseline',
        borderBottom: atHand === key ? 3 : 1,
        borderColor: fault && atHand === key ? 'secondary.main' : atHand === key ? 'text.primary' : 'divider',
        px: 1,
        py: 0.5,
      }}
    >
      <Typography component="span" sx={{ color: 'text.secondary', flexGrow: 1 }}>
        {field.label}
      </Typography>
      <input
        ref={(el) => {
          inputs.current[key] = el
        }}
        {...(atHand === key ? { 'data-at-hand': '' } : {})}
        inputMode="none"
        autoComplete="off"
        value={typed[key]}
        onFocus={() => setAtHand(key)}
        onChange={(e) => change(key, () => e.target.value)}
        aria-label={`${field.label}, ${fields[key].symbol}`}
        aria-invalid={fault !== null && atHand === key}
        style={{ ...figureInput, width: 120, fontSize: key === 'pressure' ? '2.1rem' : '1.4rem', outline: 'none' }}
      />
      <Typography component="span" sx={{ pl: 1, minWidth: 40 }}>
        {fields[key].symbol}
      </Typography>
    </Box>
  )
  return (
    <Box
      ref={steady}
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        record(typedOf(run.trace).pressure, false)
      }}
      sx={padRoom}
    >
      <Box ref={now}>
        {children}
        {!isOver && <Asking run={run} zone={zone} />}
      </Box>
      {asked && (
        <AskWhether
          label={PRESSURE.label}
          symbol={fields.pressure.symbol}
          doubt={asked}
          onIs={is}
          onClose={() => {
            setAsked(null)
            goTo('pressure')
          }}
        />
      )}
      <Box ref={foot} sx={padFoot}>
        {row('pressure', PRESSURE)}
        {row('water', WATER)}
        {fault && (
          <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 0.5 }}>
            {fault}
          </Typography>
        )}
        <Box sx={{ mt: 1 }}>
          <Pad
            minus={atHand === 'water'}
            onKey={(k) => change(atHand, (text) => `${text}${k}`)}
            onBack={() => change(atHand, (text) => text.slice(0, -1))}
            next={
              <Button variant="contained" type="submit" sx={{ minWidth: 0, px: 1 }}>
                {say('steps.recordTheReading')}
              </Button>
            }
          />
        </Box>
      </Box>
    </Box>
  )
}

/** A reading goes straight into the log: what is no figure, or outside, goes nowhere. */
function wrong(field: FieldSpec, text: string, shown: Shown): string | null {
  const isNone = text.trim() !== '' && figureOf(text) === null
  return isNone ? `${field.label}: ${noFigure(text)}` : complaint(field, text, shown)
}

/** When the gauge is to be read next; in the accent once the time has come. */
function Asking({ run, zone }: { run: Run; zone: string }): ReactElement {
  const now = useDeviceNow(1000)
  const last = run.samples[run.samples.length - 1]
  const at = run.startedAt + ((last?.[0] ?? 0) + (last ? (run.byHand ?? 0) : 0)) * MINUTE_MS
  const isDue = now >= at
  const clock = hourMinute(at, zone)
  return (
    <Typography
      role="status"
      sx={{ fontWeight: 700, fontSize: '1.2rem', color: last && isDue ? 'secondary.main' : 'text.primary', mb: 0.5 }}
    >
      {!last ? say('steps.firstReading') : say(isDue ? 'steps.readNow' : 'steps.readAt', { clock })}
    </Typography>
  )
}
