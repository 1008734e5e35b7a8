import { Box, Button, Typography } from '@mui/material'
import { useContext, useRef, useState, type ReactElement } from 'react'
import type { FieldSpec, StepText } from '../api/client'
import { DraftOf, dropDraft, useDraft } from '../outbox/drafts'
import { record } from '../outbox/outbox'
import { useOutbox } from '../outbox/useOutbox'
import { Sentence } from '../ui/Verdict'
import { useCalled } from './called'
import { entriesOf, type OneOfList } from './entries'
import { EntriesFile } from './EntriesFile'
import { FieldsEntry } from './FieldsEntry'
import type { AtHand } from './kinds/kind'
import { ListOfEntries } from './ListOfEntries'
import { PhotoEntry } from './Photos'
import { useShownField } from './useShownField'
import { asFact } from './values'
import { say } from '../texts/say'
import { WhatIsBad } from './WhatIsBad'

/** A list that grows one entry at a time: what stands, the next one, and the word that this is all. */
export function EntriesEntry({ path, data, state, text }: AtHand): ReactElement {
  const waiting = useOutbox(path)
  const { entries, isAll } = entriesOf(state.key, [...data.facts, ...waiting.filter((w) => !w.refused).map(asFact)])
  const none = (state.entry as { none?: string | null } | null)?.none ?? null
  const reads = (state.entry as { reads?: string | null } | null)?.reads ?? null
  const shown = useShownField()
  const called = useCalled()
  const of = useContext(DraftOf)
  const [round, setRound] = useState(0)
  const [changing, setChanging] = useState<OneOfList | null>(null)
  const [lost, setLost] = useState(false)
  const going = useRef(false)
  const draft = of === null ? null : `${of}/${changing?.fact.id ?? 'next'}`
  /** Whatever was typed stays until it is safely on the device. */
  const keep = async (value: Record<string, unknown>, instead: { supersedes?: string; reason?: string } = {}): Promise<void> => {
    if (going.current) return
    going.current = true
    setLost(false)
    try {
      await record(path, { step: state.key, value, ...instead }, called)
      if (draft !== null) dropDraft(draft)
      setChanging(null)
      setTaken(null)
      setRound((r) => r + 1)
    } catch {
      setLost(true)
    } finally {
      going.current = false
    }
  }
  const reason = say('steps.putRight')
  const fields = text.fields ?? []
  const first = fields[0]?.key ?? ''
  // What a device kept from an earlier version does not have them.
  const before = ((data.offers as typeof data.offers | undefined) ?? [])
    .filter((o) => o.step === state.key)
    .filter((o) => !entries.some((e) => e.value[first] === o.value[first]))
  const [taken, setTaken] = useState<Record<string, unknown> | null>(null)
  /** Where nothing is missing it is entered by the same tap. */
  const takeOver = (value: Record<string, unknown>): void => {
    if (fields.every((f) => f.optional || value[f.key] !== undefined)) return void keep(value)
    if (draft !== null) dropDraft(draft)
    setTaken(value)
    setRound((r) => r + 1)
  }
  return (
    <Box>
      <ListOfEntries fields={text.fields ?? []} entries={entries} subject={path} photos={data.photos} onChange={setChanging} />
      <WhatIsBad state={state} />
      {lost && (
        <Box role="alert" sx={{ my: 2 }}>
          <Sentence verdict="bad" act={say('steps.notKeptDo')}>
            {say('steps.notKept')}
          </Sentence>
        </Box>
      )}
      {!changing && before.length > 0 && (
        <Box role="group" aria-label={say('steps.asOf', { of: before[0]!.of })} sx={{ mt: 1 }}>
          <Typography variant="body2">{say('steps.asOf', { of: before[0]!.of })}</Typography>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1 }}>
            {before.map((o) => (
              <Button key={o.recorded_at + String(o.value[first])} variant="outlined" onClick={() => takeOver(o.value)}>
                {wordsOf(fields, o.value)}
              </Button>
            ))}
          </Box>
        </Box>
      )}
      {reads !== null && !changing && (
        <EntriesFile path={path} step={state.key} called={reads} fields={fields} entries={entries} shown={shown} />
      )}
      <DraftOf.Provider value={draft}>
        <OneEntry
          key={changing?.fact.id ?? round}
          subject={path}
          step={state.key}
          text={text}
          project={data.line.project_id}
          changing={changing}
          taken={taken}
          onKeep={(value) => void keep(value, changing ? { supersedes: changing.fact.id, reason } : {})}
        />
      </DraftOf.Provider>
      {changing ? (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button variant="outlined" onClick={() => setChanging(null)}>
            {say('steps.leaveTheEntry')}
          </Button>
          <StrikeOut onStrike={() => void keep({ struck: true }, { supersedes: changing.fact.id, reason: say('steps.struckOut') })} />
        </Box>
      ) : (
        !isAll &&
        (entries.length > 0 || none !== null) && (
          <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => void keep({ all: true })}>
            {entries.length > 0 ? say('steps.thatIsAll', { count: entries.length }) : none}
          </Button>
        )
      )}
    </Box>
  )
}

/** The form of one entry, with its photos. */
function OneEntry({
  subject,
  step,
  text,
  project,
  changing,
  taken,
  onKeep,
}: {
  subject: string
  step: string
  text: StepText
  project: number
  changing: OneOfList | null
  /** from the record before, to be completed */
  taken: Record<string, unknown> | null
  onKeep: (value: Record<string, unknown>) => void
}): ReactElement {
  const before = Array.isArray(changing?.value['photos']) ? (changing.value['photos'] as string[]) : []
  const [photos, setPhotos] = useDraft<string[]>('photos', () => before)
  return (
    <>
      {changing && (
        <Typography sx={{ fontWeight: 700, mt: 2 }}>{say('steps.putRightOf', { what: firstOf(text.fields ?? [], changing) })}</Typography>
      )}
      <FieldsEntry
        step={text}
        project={project}
        known={changing?.value ?? taken ?? undefined}
        label={say(changing ? 'steps.putItRight' : 'steps.addIt')}
        onRecord={(value) => onKeep({ ...value, ...(photos.length > 0 ? { photos } : {}) })}
      />
      {text.photo && (
        <PhotoEntry subject={subject} step={step} of={text.photo.of} taken={photos} onTaken={(id) => setPhotos((all) => [...all, id])} />
      )}
    </>
  )
}

/** "Odile Fenner, foreman": what was chosen and written of an entry. */
const wordsOf = (fields: FieldSpec[], value: Record<string, unknown>): string =>
  fields
    .map((f) => f.options?.find((o) => o.value === value[f.key])?.label ?? value[f.key])
    .filter((v): v is string => typeof v === 'string' && v !== '')
    .join(', ')

/** By what one calls an entry: the answer to its first question. */
function firstOf(fields: FieldSpec[], { value }: OneOfList): string {
  const first = fields[0]
  const said = first ? value[first.key] : ''
  return first?.options?.find((o) => o.value === said)?.label ?? String(said ?? '')
}

/** What stands in the record stays there; it no longer counts. The second tap says so. */
function StrikeOut({ onStrike }: { onStrike: () => void }): ReactElement {
  const [asked, setAsked] = useState(false)
  return (
    <Button variant="outlined" color={asked ? 'secondary' : 'primary'} onClick={asked ? onStrike : () => setAsked(true)}>
      {say(asked ? 'steps.strikeItOutNow' : 'steps.strikeItOut')}
    </Button>
  )
}
