import { Box, Button, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import type { StepText, Usual } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import { figureInput } from '../ui/figureInput'
import { padFoot, padRoom, steady } from '../ui/atThumb'
import { Pad } from '../ui/Pad'
import { Round } from '../ui/Round'
import { figureOf } from '../ui/figureOf'
import { AskWhether } from './AskWhether'
import { doubtAmong, doubtOf, type Doubt } from './doubt'
import { useDraft } from '../outbox/drafts'
import { notThese, prefixBy } from './prefix'
import { TargetAtHand } from './target'
import { useKeys } from './useKeys'
import { complaint, shownField, toValue } from './entry'
import { EndTabs } from './fields/EndTabs'
import type { End } from './fields/slots'
import { say } from '../texts/say'

const opposite = (clock: string): string => {
  const [h = '0', m = '00'] = clock.split(':')
  const hour = (Number(h) % 12) + 6
  return `${hour > 12 ? hour - 12 : hour}:${m}`
}

interface Props {
  step: StepText
  usual?: Usual | undefined
  limit?: number | null
  /** two pipe ends, one after the other on one page */
  ends?: End[] | undefined
  onRecord: (value: Record<string, unknown>, other?: Record<string, unknown>) => void
}

/** Readings round the pipe: the next position lights up by itself; tap a position to correct it. */
export function RoundEntry({ step, limit, usual, ends, onRecord }: Props): ReactElement {
  const field = step.fields![0]!
  const round = step.positions ?? []
  const positions = (ends ?? [null]).flatMap(() => round)
  const me = useMe()
  const units = useUnits()
  const shown = shownField(field, me.data?.units ?? 'metric', units.data)
  const [texts, setTexts] = useDraft<string[]>('round', () => positions.map(() => ''))
  // What was typed before a call came is gone on with at the first place that is empty.
  const [active, setActive] = useState(() => Math.max(0, texts.indexOf('')))
  const [fault, setFault] = useState<string | null>(null)
  const [asked, setAsked] = useState<Doubt | null>(null)
  const sure = useRef(new Set<string>())
  const [bare, setBare] = useState(false)
  const keys = useKeys()
  const end = Math.floor(active / round.length)
  const first = end * round.length
  const expected = ends?.[end]?.usual?.[field.key] ?? usual
  const prefix = bare ? null : prefixBy(expected, shown)
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => {
    input.current?.focus({ preventScroll: true })
    setBare(false)
  }, [active])

  const set = (text: string): void => {
    setTexts((all) => all.map((t, i) => (i === active ? text : t)))
    setFault(null)
  }
  /** What cannot be is said, and the next figure typed takes its place. */
  const refuse = (at: number, why: string): void => {
    setFault(why)
    keys.anew(String(at), texts[at] ?? '')
    input.current?.select()
  }
  /** So does it where a reading is gone back to. */
  const goBackTo = (at: number): void => {
    if (at !== active) keys.anew(String(at), texts[at] ?? '')
    setActive(at)
  }
  const left = texts.filter((t) => t === '').length
  const next = (texts: string[]): void => {
    const text = texts[active] ?? ''
    const why = complaint(field, text, shown)
    if (why) return refuse(active, why)
    const others = texts
      .slice(first, first + round.length)
      .filter((t, i) => first + i !== active && t !== '')
      .flatMap((t) => figureOf(t) ?? [])
    const doubt = sure.current.has(text.trim())
      ? null
      : (doubtOf(text, expected, shown) ?? (step.across ? doubtAmong(text, others, expected?.slips ?? [], shown) : null))
    if (doubt) return setAsked(doubt)
    const empty = [...positions.keys()].map((k) => (active + 1 + k) % positions.length).find((k) => texts[k] === '')
    if (empty !== undefined) setActive(empty)
    else record(texts)
  }
  const is = (text: string): void => {
    sure.current.add(text)
    setAsked(null)
    set(text)
    next(texts.map((t, i) => (i === active ? text : t)))
  }
  const record = (texts: string[]): void => {
    for (const [i, text] of texts.entries()) {
      const why = complaint(field, text, shown)
      if (why) {
        setActive(i)
        return refuse(i, say('steps.at', { place: positions[i], why }))
      }
    }
    const of = (from: number): Record<string, unknown> => ({
      readings: round.map((clock, i) => ({ clock, ...toValue(field, texts[from + i]!, shown) })),
    })
    if (ends) onRecord(of(0), of(round.length))
    else onRecord(of(0))
  }
  const numbers = texts.map(figureOf)
  const where = positions[active] ?? ''
  const takenOf = (from: number): number =>
    texts.filter((text, i) => i >= from && i < from + round.length && text !== '' && !(i === active && fault)).length
  const read = say('steps.ofRead', { read: takenOf(first), all: round.length })
  const fieldHere = say(step.across ? 'steps.fieldAcross' : 'steps.fieldAt', { field: field.label, where })
  const spoken = [fieldHere, ends?.[end]?.name ?? ''].filter((part) => part !== '').join(', ')
  return (
    <Box
      ref={steady}
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        next(texts)
      }}
      sx={{
        ...padRoom,
        display: { xs: 'flex', md: 'grid' },
        gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
        columnGap: 2,
        gridTemplateRows: ends ? 'auto 1fr' : '1fr',
      }}
    >
      {asked && (
        <AskWhether
          label={spoken}
          symbol={shown.symbol}
          doubt={asked}
          onIs={is}
          onClose={() => {
            setAsked(null)
            keys.anew(String(active), texts[active] ?? '')
          }}
        />
      )}
      {ends && (
        <Box sx={{ gridColumn: '1 / -1' }}>
          <EndTabs
            ends={ends.map((e, i) => ({ name: e.name, read: takenOf(i * round.length), of: round.length }))}
            at={end}
            onGo={(to) => setActive(to * round.length + Math.max(0, texts.slice(to * round.length, (to + 1) * round.length).indexOf('')))}
          />
        </Box>
      )}
      {/* As large as the pad below leaves room for: the 6 of a dial is read, too. */}
      <Box sx={{ maxWidth: { xs: ends ? 'min(200px, 24dvh)' : 'min(262px, 30dvh)', md: 400 }, mx: 'auto', width: '100%' }}>
        <Round
          readings={round.map((clock, i) => ({ clock, value: numbers[first + i] ?? null }))}
          across={step.across ?? false}
          active={active - first}
          onPick={(i) => goBackTo(first + i)}
          limit={limit ?? null}
          centre={step.across ? [`${where} – ${opposite(where)}`, say('steps.across'), read] : [where, read]}
        />
      </Box>
      {/* The figure at hand and what is wrong with it stand above the pad, however small the phone; in the cabin, beside the round. */}
      <Box sx={{ ...padFoot, mt: { xs: 'auto', md: 0 }, '@media (pointer: coarse)': { mt: 'auto' } }}>
        <Box
          component="label"
          sx={{
            display: 'flex',
            flexWrap: { md: 'wrap' },
            justifyContent: 'flex-end',
            alignItems: 'baseline',
            columnGap: 1,
            borderBottom: 3,
            borderColor: fault ? 'secondary.main' : 'text.primary',
            px: 1,
            mb: 1,
          }}
        >
          <Typography component="span" sx={{ color: 'text.secondary', flexGrow: 1, width: { md: '100%' } }}>
            {fieldHere}
            {ends && (
              <>
                , <strong>{ends[end]!.name}</strong>
              </>
            )}
          </Typography>
          <input
            ref={input}
            inputMode="none"
            data-round
            autoComplete="off"
            value={texts[active] ?? ''}
            placeholder={prefix?.digits}
            onChange={(e) => set(e.target.value)}
            aria-label={`${spoken}, ${shown.symbol}`}
            aria-invalid={fault !== null}
            onKeyDown={(e) => {
              if (e.key === 'Tab' && !e.shiftKey && active < positions.length - 1 && texts[active] !== '') {
                e.preventDefault()
                next(texts)
              }
            }}
            style={{ ...figureInput, width: '6.2ch', fontSize: '2rem' }}
          />
          <Typography component="span" sx={{ width: 44, pl: 1 }}>
            {shown.symbol}
          </Typography>
        </Box>
        {fault && (
          <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mb: 1 }}>
            {fault}
          </Typography>
        )}
        <TargetAtHand />
        <Pad
          onKey={(k) => set(keys.tap(String(active), texts[active] ?? '', k, prefix))}
          onBack={() => set(keys.back(String(active), texts[active] ?? '', prefix))}
          other={prefix && notThese(prefix, () => (set(''), setBare(true)))}
          next={
            <Button variant="contained" type="submit" sx={{ minWidth: 0, px: 1 }}>
              {left === 0 || (left === 1 && texts[active] === '') ? say('steps.record') : say('steps.nextRound')}
            </Button>
          }
        />
      </Box>
    </Box>
  )
}
