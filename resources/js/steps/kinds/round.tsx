import type { ReactElement } from 'react'
import { degreesOf, Round } from '../../ui/Round'
import { shown } from '../Figure'
import { RoundEntry } from '../RoundEntry'
import { endsOf, usualOf, type AtHand, type KindView } from './kind'
import { say } from '../../texts/say'

function Shown({ state, text, values, limit }: AtHand): ReactElement {
  const field = text.fields![0]!.key
  const value = values[state.key] ?? {}
  const read = (value['readings'] as Record<string, unknown>[] | undefined) ?? []
  const result = (state.results[text.drawing?.['of'] ?? ''] ?? {}) as Record<string, unknown>
  const axis = typeof result['axis_deg'] === 'number' ? result['axis_deg'] : null
  const radii = text.drawing?.['shape'] === 'radii'
  // Radii are drawn round the pipe's own middle, as the core has found it.
  const centred = radii && Array.isArray(result['centred']) ? (result['centred'] as Record<string, unknown>[]) : null
  const readings = centred ? shown(centred, 'value_mm') : shown(read, field)
  const said = state.summary ?? ''
  const large =
    typeof result[text.drawing?.['value'] ?? ''] === 'number' && radii ? (said.split(',')[0] ?? said).replace(' oval', '') : said
  const middle: [string, string, string] = [
    large,
    text.across || radii ? say('steps.outOfRound') : text.fields![0]!.label.toLowerCase(),
    limit === null ? '' : say('steps.limitMm', { mm: Math.round(limit * 100) / 100 }),
  ]
  return (
    <Round
      across={text.across ?? false}
      radii={radii}
      bad={state.verdict === 'bad'}
      limit={limit}
      axisDeg={axis}
      fittedOvality={typeof result['ovality_fit_mm'] === 'number' ? result['ovality_fit_mm'] : null}
      jaws={state.verdict === 'bad' && axis !== null}
      readings={readings.sort((a, b) => degreesOf(a.clock) - degreesOf(b.clock))}
      centre={middle}
    />
  )
}

export const round: KindView = {
  Enter: ({ text, state, other, data, limit, onRecord }) => (
    <RoundEntry
      step={text}
      limit={limit}
      usual={usualOf(state)?.[text.fields![0]!.key]}
      ends={other ? endsOf(state, other, data) : undefined}
      onRecord={onRecord}
    />
  ),
  Shown,
  again: say('steps.measureAgain'),
  bothEnds: true,
}
