import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { FieldSpec } from '../api/client'
import { useUnits, type Units } from '../api/queries'
import { Sentence, tight } from '../ui/Verdict'
import { duration } from '../ui/ClockOff'
import { dayAndTime } from '../ui/clock'
import { Figure } from './Figure'
import { FromFile } from './FromFile'
import { Inside } from './Inside'
import type { AtHand, KindView } from './kinds/kind'
import { PhotoStrip } from './Photos'
import { PLAYED } from './played'
import { say } from '../texts/say'

/** Fewer of its inputs than this, and the model says nothing worth looking at. */
const LEAST_KNOWN = 7

/** What a trace says of where it came from, when no real device made it. */
const STAND_IN = 'stand-in'
const BY_HAND = 'by-hand'

/** What was recorded at a step: its drawing, its sentences, by whom. */
export function Recorded({ kind, onAgain, ...at }: AtHand & { kind: KindView; onAgain: () => void }): ReactElement {
  const { path, state, text, data, values } = at
  const value = values[state.key] ?? {}
  const units = useUnits()
  const typed = Object.entries(data.facts.find((f) => f.id === state.fact_id)?.typed ?? {}).map(([key, raw]) =>
    asTyped(key, raw, text.fields ?? [], units.data ?? {}),
  )
  const again = kind.againOf?.(value) ?? kind.again
  const signed = state.kind === 'hold' && value['signed'] !== false
  return (
    <Box sx={{ my: 1.5 }}>
      <PhotoStrip subject={path} ids={Array.isArray(value['photos']) ? (value['photos'] as string[]) : []} photos={data.photos} />
      {kind.Shown && <kind.Shown {...at} />}
      {state.figure && <Figure figure={state.figure} />}
      {value['source'] === STAND_IN && <Typography sx={{ fontWeight: 700, mt: 1.5 }}>{say('steps.playedByTheStandIn')}</Typography>}
      {typeof value['played'] === 'string' && PLAYED[value['played']] && <WhatWasPlayed was={PLAYED[value['played']]!} />}
      {value['source'] === BY_HAND && <Typography sx={{ mt: 1.5 }}>{say('steps.readByHand')}</Typography>}
      {typeof value['file'] === 'string' && (
        <Typography sx={{ mt: 1.5 }}>
          <FromFile name={value['file']} first={value['first_at']} last={value['last_at']} zone={data.line.time_zone} />
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
        {state.reasons.map((r, i) => (
          // In the cabin the headline beside it says the worst already.
          <Box
            key={i}
            sx={{ display: { xs: 'block', md: r.text === data.judgement.reasons[0]?.text && r.verdict !== 'close' ? 'none' : 'block' } }}
          >
            <Sentence verdict={r.verdict} act={r.do} limit={r.verdict === 'good' ? null : r.limit}>
              {r.text}
            </Sentence>
          </Box>
        ))}
        {(state.findings ?? []).map((f) => (
          <Box key={f.text}>
            <Typography>{tight(f.text)}</Typography>
            {f.do && <Typography sx={{ fontWeight: 700 }}>{tight(f.do)}</Typography>}
          </Box>
        ))}
        {state.reasons.length === 0 && <Typography>{state.summary ? tight(state.summary) : say('steps.recorded')}</Typography>}
      </Box>
      {typeof value['remark'] === 'string' && state.kind !== 'hold' && <Typography sx={{ mt: 1.5 }}>{value['remark']}</Typography>}
      {typed.length > 0 && (
        <Typography variant="body2" sx={{ mt: 1.5 }}>
          {say('steps.typedAs', { typed: typed.join(', ') })}
        </Typography>
      )}
      <Typography variant="body2" sx={{ mt: typed.length > 0 ? 0 : 1.5 }}>
        {clockOf(data, state.fact_id)}
        {say('steps.recordedBy', { by: state.by || say('steps.you'), at: state.at ? dayAndTime(state.at, data.line.time_zone) : '' })}
      </Typography>
      {state.model && Object.keys(state.model.in).length >= LEAST_KNOWN && <Inside model={state.model} />}
      {!data.closed && again !== null && !signed && (
        <Button variant={state.verdict === 'bad' ? 'contained' : 'outlined'} sx={{ mt: 1.5 }} onClick={onAgain}>
          {again}
        </Button>
      )}
    </Box>
  )
}

/** For who practises: what the stand-in played, once one has made up one's mind. */
function WhatWasPlayed({ was }: { was: string }): ReactElement {
  const [isShown, setShown] = useState(false)
  return isShown ? (
    <Typography>{say('steps.itPlayed', { was })}</Typography>
  ) : (
    <Button sx={{ px: 0.5, fontWeight: 400 }} onClick={() => setShown(true)}>
      {say('steps.whatDidItPlay')}
    </Button>
  )
}

/** What was typed where that is not the stored value: "Gap: 0.2 in". */
function asTyped(key: string, raw: unknown, fields: FieldSpec[], units: Units): string {
  const field = fields.find((f) => f.quantity && key.startsWith(f.key.slice(0, f.key.lastIndexOf('_'))))
  const unit =
    field?.quantity && typeof raw === 'number'
      ? Object.entries(units[field.quantity] ?? {}).find(([suffix]) => key.endsWith(`_${suffix}`))?.[1].symbol
      : undefined
  return `${field?.label ?? key}: ${String(raw)}${unit ? ` ${unit}` : ''}`
}

/** That the time beside it is the server's, where the clock of the device was off. */
function clockOf(data: AtHand['data'], id: string | null): string {
  const off = data.facts.find((f) => f.id === id)?.clock_off_s
  if (!off) return ''
  return `${say(off > 0 ? 'steps.clockWasAhead' : 'steps.clockWasBehind', { by: duration(Math.abs(off) * 1000) })} `
}
