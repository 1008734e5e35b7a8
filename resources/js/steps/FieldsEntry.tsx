import { Box, Button, Typography } from '@mui/material'
import { useCallback, useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react'
import type { FieldSpec, StepText, Usual } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import { useDraft } from '../outbox/drafts'
import { say } from '../texts/say'
import { padFoot, padRoom, steady } from '../ui/atThumb'
import { Pad } from '../ui/Pad'
import type { Shown } from '../ui/units'
import { AskWhether } from './AskWhether'
import { doubtOf, type Doubt } from './doubt'
import type { Clock } from './logClock'
import { asEntered, complaint, saidOf, shownField, toValue, type Entered } from './entry'
import { Asked } from './fields/Asked'
import { EndButton, type Ending } from './fields/EndButton'
import { FigureRow } from './fields/FigureRow'
import { isFigure, shouldBe, slotsOf, type End, type Slot } from './fields/slots'
import type { Batch } from './fields/Delivered'
import { TakeOver } from './fields/TakeOver'
import { useCalm } from './fields/useCalm'
import { useDigits } from './fields/useDigits'
import { useLate } from './fields/useLate'
import { useReveal } from './fields/useReveal'
import { useSeen } from './fields/useSeen'
import { useUsedLast } from './fields/useUsedLast'
import { TargetAtHand } from './target'
import { notThese, prefixBy, prefixOf, type Prefix } from './prefix'
import { useKeys } from './useKeys'

/** What another joint has recorded, with the words under which it is offered. */
export interface Offered {
  says: string
  /** what stays with the record: where it was taken from */
  remark?: string
  value: Record<string, unknown>
}

interface Props {
  step: Pick<StepText, 'fields'>
  /** whose stores are chosen from */
  project: number
  /** what is filled in, as it would be typed */
  start?: Record<string, Entered>
  /** what is filled in, as it is stored: suggested, or entered before */
  known?: Record<string, unknown>
  /** between what its figures usually lie, by field */
  usual?: Record<string, Usual> | undefined
  /** what a scanned code says of its figures, by field */
  scanned?: Record<string, unknown> | undefined
  /** two pipe ends on one page, in place of `known` and `usual` */
  ends?: End[] | undefined
  offers?: Offered[]
  /** what came with the deliveries of the line */
  batches?: Batch[] | undefined
  /** one value for each end */
  onRecord: (value: Record<string, unknown>, other?: Record<string, unknown>) => void
  label?: string
  extra?: ((set: (values: Record<string, Entered>) => void, values: Record<string, Entered>) => ReactNode) | undefined
  /** that stands below the pad: what is typed comes first */
  extraBelow?: boolean
  /** a keyboard is at hand */
  padless?: boolean
  /** of a minute that stands for a time of day: "10:42" and back */
  clock?: Clock | null
}

const isText = (f: FieldSpec): boolean => f.type === 'code' || f.type === 'text'
const isEmpty = (value: Entered | undefined): boolean => (value ?? '') === ''

/** All steps that ask for figures, words and yes or no: one row a field, large figures, a pad below. */
export function FieldsEntry({
  step,
  project,
  start,
  known,
  usual,
  scanned,
  ends,
  offers,
  batches,
  onRecord,
  label,
  extra,
  extraBelow,
  padless,
  clock,
}: Props): ReactElement {
  const fields = step.fields ?? []
  const sides = ends ?? [{ key: '', name: '', known, usual, scanned }]
  const slots = slotsOf(fields, sides)
  const me = useMe()
  const units = useUnits()
  const system = me.data?.units ?? 'metric'
  /** Before the units have come only what stays in its own unit can be shown. */
  const canTurn = (f: FieldSpec): boolean => units.data !== undefined || (system === 'metric' && !f.key.endsWith('_bar'))
  const at = (f: FieldSpec): Shown => shownField(f, system, units.data)
  const entered = (value: Record<string, unknown> | undefined, end: End): [string, Entered][] =>
    slots
      .filter((s) => s.end.key === end.key && s.field.type !== 'item')
      .map((s) => [s.id, asEntered(s.field, value?.[s.field.key], at(s.field), canTurn(s.field))] as const)
      .filter((pair): pair is [string, Entered] => pair[1] !== undefined)
  const filledIn = Object.fromEntries(sides.flatMap((end) => entered(end.known, end)))
  const [values, setValues, offer] = useDraft<Record<string, Entered>>('fields', () => ({
    // No question is answered in advance, whatever an older text has.
    ...Object.fromEntries(
      slots.filter((s) => s.field.preset !== undefined && s.field.type !== 'yesno').map((s) => [s.id, s.field.preset!]),
    ),
    ...filledIn,
    ...start,
  }))
  const [more, setMore] = useState(false)
  const emptyFirst = slots.find((s) => isFigure(s.field) && !s.field.optional && isEmpty(values[s.id])) ?? slots[0]
  const [active, setActive] = useState(emptyFirst?.id ?? '')
  const [faults, setFaults] = useState<Record<string, string>>({})
  const [asked, setAsked] = useState<{ slot: Slot; doubt: Doubt } | null>(null)
  const sure = useRef(new Set<string>())
  /** what was taken over, with the words that stay with the record while nothing of it is changed */
  const taken = useRef<{ remark: string; values: [string, Entered][] }[]>([])
  const inputs = useRef<Record<string, HTMLInputElement | null>>({})
  const current = slots.find((s) => s.id === active)
  const [bare, setBare] = useState<string | null>(null)
  const keys = useKeys()
  useLate(filledIn, offer, keys.anew)
  const prefixAt = ({ id, field, end }: Slot): Prefix | null => {
    if (bare === id) return null
    const byUsual = prefixBy(end.usual?.[field.key], at(field))
    if (byUsual || field.quantity !== 'temperature') return byUsual
    // Air, pipe and fitting are about equally warm.
    const before = slots
      .slice(
        0,
        slots.findIndex((s) => s.id === id),
      )
      .filter((s) => s.field.quantity === 'temperature')
    return prefixOf(Number(values[before.at(-1)?.id ?? ''] || NaN), true)
  }
  const prefix = current ? prefixAt(current) : null
  useUsedLast(slots, project, offer)
  // Several things that are only noted when they are known stand folded below.
  const isDelivered = (f: FieldSpec): boolean => f.delivered !== undefined && (batches ?? []).length > 0
  const folded = fields.filter((f) => f.optional && !f.wanted && f.type !== 'item' && f.type !== 'yesno' && !isDelivered(f))
  const fold = folded.length >= 2 && folded.length < fields.length && !fields.some((f) => f.type === 'code')
  const isShown = (s: Slot): boolean => !fold || more || !folded.includes(s.field) || s.id in faults || !isEmpty(values[s.id])
  const shown = sides.flatMap((end) => {
    const own = slots.filter((s) => s.end.key === end.key)
    return [...own.filter((s) => !folded.includes(s.field)), ...own.filter((s) => folded.includes(s.field))].filter(isShown)
  })

  // Questions that a sound joint answers in one way are answered by one tap, once each of them has been seen.
  const unanswered = shown.filter((s) => shouldBe(s.field) !== undefined && isEmpty(values[s.id]))
  const foot = useRef<HTMLDivElement>(null)
  const [covered, setCovered] = useState(0)
  const { watch, unseen } = useSeen(
    shown.filter((s) => shouldBe(s.field) !== undefined).map((s) => s.id),
    () => covered,
  )
  const hidden = unanswered.filter((s) => unseen?.includes(s.id))
  // A tap that meant "Read on" must not answer what came into view under it.
  const isCalm = useCalm(unseen !== null && hidden.length === 0)
  useEffect(() => {
    setCovered(foot.current?.offsetHeight ?? 0)
  }, [active])

  const reveal = useReveal(foot)
  useEffect(() => {
    reveal(inputs.current[active])
  }, [active, faults, reveal])

  const firstFigure = slots.find((s) => isFigure(s.field) && isEmpty(values[s.id]))?.id
  const toFirst = useCallback((): void => inputs.current[firstFigure ?? '']?.focus({ preventScroll: true }), [firstFigure])
  useDigits(firstFigure === undefined ? null : toFirst)

  /** A time of day that was typed is the minute that it stands for. */
  const timed = (typed: Record<string, Entered>): Record<string, Entered> =>
    Object.fromEntries(
      Object.entries(typed).map(([id, value]) => {
        const isTime = typeof value === 'string' && slots.find((s) => s.id === id)?.field.quantity === 'time'
        return [id, isTime ? (clock?.minuteOf(value) ?? value) : value]
      }),
    )
  const set = (id: string, value: Entered): void => {
    setValues((v) => ({ ...v, [id]: value }))
    setFaults(({ [id]: _gone, ...rest }) => rest)
  }
  /** A figure is brought above the pad by {@see useReveal}; the browser by itself would take the pad along. */
  const focus = (id: string): void =>
    inputs.current[id]?.focus({ preventScroll: slots.some((slot) => slot.id === id && isFigure(slot.field)) })
  /** What stands there already makes room for the next figure that is typed. */
  const toHand = (id: string): void => {
    if (id !== active) keys.anew(id, String(values[id] ?? ''))
    setActive(id)
  }
  const goTo = (slot: Slot): void => {
    toHand(slot.id)
    focus(slot.id)
  }
  /** The figure that cannot be is at hand, and the next one typed takes its place. */
  const typeAnew = (id: string, text: Entered): void => {
    setActive(id)
    keys.anew(id, String(text ?? ''))
    focus(id)
    inputs.current[id]?.select()
  }
  const record = (typed: Record<string, Entered>): void => {
    const values = timed(typed)
    setValues(values)
    const found: Record<string, string> = {}
    for (const { id, field } of slots) {
      const why = complaint(field, values[id] ?? null, at(field))
      if (why) found[id] = why
    }
    setFaults(found)
    const first = slots.find((s) => found[s.id])
    if (first) return typeAnew(first.id, values[first.id] ?? '')
    for (const slot of slots.filter((s) => isFigure(s.field))) {
      const text = String(values[slot.id] ?? '')
      const doubt = sure.current.has(`${slot.id} ${text.trim()}`) ? null : doubtOf(text, slot.end.usual?.[slot.field.key], at(slot.field))
      if (doubt) return setAsked({ slot, doubt })
    }
    const of = (end: End): Record<string, unknown> =>
      Object.assign(
        {},
        ...slots.filter((s) => s.end.key === end.key).map(({ id, field }) => toValue(field, values[id] ?? null, at(field))),
      ) as Record<string, unknown>
    const unchanged = taken.current.filter((t) => t.values.every(([id, value]) => values[id] === value))
    const remark = unchanged.length === 0 ? {} : { remark: unchanged.map((t) => t.remark).join(' ') }
    const [one, other] = sides.map((end) => ({ ...of(end), ...remark }))
    if (other) onRecord(one!, other)
    else onRecord(one!)
  }
  const allAsItShouldBe = (): void => {
    const all = { ...values, ...Object.fromEntries(unanswered.map((s) => [s.id, shouldBe(s.field)!])) }
    setValues(all)
    record(all)
  }
  /** What still must be entered and has no answer that one tap gives; the one after the figure at hand first. */
  const open = shown.filter((s) => !s.field.optional && shouldBe(s.field) === undefined && isEmpty(values[s.id]))
  const following = open.find((s) => shown.indexOf(s) > shown.findIndex((f) => f.id === active)) ?? open.find((s) => s.id !== active)
  /** A figure that cannot be is said when one goes on from it, and not after all others. */
  const isRight = (): boolean => {
    const why = current && !isEmpty(values[active]) ? complaint(current.field, timed(values)[active] ?? null, at(current.field)) : null
    if (why) {
      setFaults((all) => ({ ...all, [active]: why }))
      typeAnew(active, values[active] ?? '')
    }
    return why === null
  }
  /** Enter may come from a caliper that types by itself: it goes on, and answers no question. */
  const enter = (): void => {
    if (!isRight()) return
    if (following) return goTo(following)
    if (unanswered.length === 0) return record(values)
    foot.current?.querySelector<HTMLButtonElement>('button.MuiButton-contained')?.focus()
  }
  const readOn = (): void => {
    if (!isRight()) return
    setActive(hidden[0]!.id)
    inputs.current[hidden[0]!.id]?.closest('fieldset')?.scrollIntoView({ block: 'start' })
  }
  const is = (slot: Slot, text: string): void => {
    sure.current.add(`${slot.id} ${text}`)
    setAsked(null)
    set(slot.id, text)
    record({ ...values, [slot.id]: text })
  }
  /** What is known from elsewhere and not typed yet, all of it under one tap. Where that is the whole step, it is recorded. */
  const elsewhere = [
    ...(scanned ? [{ says: say('steps.labelSaysAsScanned'), value: scanned, remark: say('steps.confirmedAsScanned') }] : []),
    ...(offers ?? []),
  ].filter((o) => entered(o.value, sides[0]!).some(([id]) => isEmpty(values[id])))
  const takeOver = (): void => {
    const known = { ...values, ...Object.fromEntries(elsewhere.flatMap((o) => entered(o.value, sides[0]!))) }
    setValues(known)
    taken.current = elsewhere.flatMap((o) => (o.remark ? [{ remark: o.remark, values: entered(o.value, sides[0]!) }] : []))
    setFaults({})
    const missing = slots.find((s) => !s.field.optional && isEmpty(known[s.id]))
    if (missing) setActive(missing.id)
    else record(known)
  }
  const inWords = (value: Record<string, unknown>): string =>
    slots
      .map(({ field }) => saidOf(field, asEntered(field, value[field.key], at(field), canTurn(field)), at(field)))
      .filter((part) => part !== '')
      .join(', ')
  const beside = extra?.((v) => setValues((old) => ({ ...old, ...v })), values)
  const padIsFor = !padless && current && isFigure(current.field) && isShown(current) ? current : null
  const hasAnswers = slots.some((s) => shouldBe(s.field) !== undefined && !isEmpty(values[s.id]))
  const ending: Ending =
    padIsFor && following
      ? { does: 'next', onTap: () => isRight() && goTo(following) }
      : unanswered.length === 0
        ? { does: 'record', label }
        : hidden.length > 0
          ? { does: 'read-on', onTap: readOn }
          : { does: hasAnswers ? 'answer-rest' : 'answer-all', isCalm, onTap: allAsItShouldBe }
  const main = <EndButton ending={ending} />
  /** A scanner that types ends with Enter: its next code belongs into the next field. */
  const enterText = (slot: Slot): boolean => {
    const after = shown.slice(shown.indexOf(slot) + 1).find((s) => isText(s.field) && isEmpty(values[s.id]))
    if (after) goTo(after)
    return after !== undefined
  }
  const row = (slot: Slot): ReactElement => {
    const { id, field: f } = slot
    const inputRef = (el: HTMLInputElement | null): void => {
      inputs.current[id] = el
    }
    return isFigure(f) ? (
      <FigureRow
        slot={slot}
        symbol={at(f).symbol}
        means={f.quantity === 'time' ? clock?.timeOf(String(values[id] ?? '')) : undefined}
        text={String(values[id] ?? '')}
        active={active === id}
        wrong={faults[id] !== undefined}
        prefix={prefixAt(slot)?.digits}
        inputRef={inputRef}
        onText={(text) => set(id, text)}
        onFocus={() => {
          toHand(id)
          reveal(inputs.current[id])
        }}
        onEnter={enter}
      />
    ) : (
      <Asked
        slot={slot}
        value={values[id] ?? null}
        project={project}
        wrong={faults[id]}
        batches={isDelivered(f) ? batches : undefined}
        onChange={(value) => set(id, value)}
        onHand={() => setActive(id)}
        onEnter={() => enterText(slot)}
        inputRef={inputRef}
      />
    )
  }
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        record(values)
      }}
    >
      {asked && (
        <AskWhether
          label={[asked.slot.field.label, asked.slot.end.name].filter((part) => part !== '').join(', ')}
          symbol={at(asked.slot.field).symbol}
          doubt={asked.doubt}
          onIs={(text) => is(asked.slot, text)}
          onClose={() => {
            setAsked(null)
            typeAnew(asked.slot.id, values[asked.slot.id] ?? '')
          }}
        />
      )}
      <Box ref={steady} sx={!padless && fields.some(isFigure) ? padRoom : {}}>
        <Box>
          {!extraBelow && beside}
          {elsewhere.length > 0 && <TakeOver parts={elsewhere.map((o) => ({ says: o.says, what: inWords(o.value) }))} onTake={takeOver} />}
          {sides.map((end) => (
            <Box key={end.key} data-end {...(end.name === '' ? {} : { role: 'group', 'aria-label': end.name })}>
              {end.name !== '' && <Typography sx={{ fontWeight: 700, pt: end === sides[0] ? 0.5 : 1.5 }}>{end.name}</Typography>}
              {shown
                .filter((slot) => slot.end.key === end.key)
                .map((slot) => (
                  <Box
                    key={slot.id}
                    data-row
                    ref={shouldBe(slot.field) === undefined ? undefined : watch(slot.id)}
                    sx={{ borderBottom: 1, borderColor: faults[slot.id] ? 'secondary.main' : 'divider', py: 0.75 }}
                  >
                    {row(slot)}
                    {faults[slot.id] && (
                      <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, pb: 0.5 }}>
                        {faults[slot.id]}
                      </Typography>
                    )}
                  </Box>
                ))}
            </Box>
          ))}
          {fold && !more && shown.length < slots.length && (
            <Button onClick={() => setMore(true)} sx={{ px: 0.5, fontWeight: 400, color: 'text.secondary', textAlign: 'left' }}>
              {say('steps.ifKnown', {
                fields: fields
                  .filter((f) => !shown.some((s) => s.field === f))
                  .map((f) => f.label.charAt(0).toLowerCase() + f.label.slice(1))
                  .join(', '),
              })}
            </Button>
          )}
        </Box>
        <Box ref={foot} sx={{ ...padFoot, pt: 1.5 }}>
          {padIsFor && <TargetAtHand />}
          {padIsFor ? (
            <Pad
              minus={(padIsFor.field.min ?? 0) < 0}
              onKey={(k) => {
                const text = String(values[active] ?? '')
                set(active, k === '-' && text !== '' ? text : keys.tap(active, text, k, prefix))
                focus(active)
              }}
              onBack={() => set(active, keys.back(active, String(values[active] ?? ''), prefix))}
              other={prefix && notThese(prefix, () => (set(active, ''), setBare(active)))}
              next={main}
            />
          ) : (
            main
          )}
        </Box>
      </Box>
      {extraBelow && beside}
    </Box>
  )
}
