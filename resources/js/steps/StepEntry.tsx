import { Button, TextField, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { StepState } from '../api/client'
import { dayAndTime } from '../ui/clock'
import { useDraft, useDraftSince } from '../outbox/drafts'
import { Figure } from './Figure'
import { KINDS } from './kinds'
import type { AtHand } from './kinds/kind'
import { PhotoEntry } from './Photos'
import { Replacing } from './replacing'
import { say } from '../texts/say'

interface Props {
  at: AtHand
  /** it takes the place of what was recorded: why that does not count is asked */
  again: boolean
  /** the same step of the other pipe end, where both are taken on one page */
  other?: StepState | null
  onRecord: (value: Record<string, unknown>, reason: string, other?: Record<string, unknown>) => void
  onSeal: (value: Record<string, unknown>, reason: string, password: string) => Promise<void>
  lost: boolean
  onDone: () => void
  onAnew: () => void
}

/** What a step asks for: why it is entered again, its photo, its figures. */
export function StepEntry({ at, again, other, lost, onRecord, onSeal, onDone, onAnew }: Props): ReactElement {
  const { path, state, text, values } = at
  const kind = KINDS[state.kind]!
  const since = useDraftSince()
  const asksWhy = again && kind.inParts !== true
  const replaced = again && kind.againOf !== undefined ? state.fact_id : null
  const [reason, setReason] = useDraft('reason', () => '')
  const [photos, setPhotos] = useDraft<string[]>('photos', () => [])
  return (
    <>
      {since !== null && (
        <Typography sx={{ my: 1 }}>
          {say('steps.typedAtNotRecorded', { at: dayAndTime(since, at.data.line.time_zone) })}{' '}
          <Button variant="outlined" size="small" onClick={onAnew}>
            {say('steps.beginAnew')}
          </Button>
        </Typography>
      )}
      {asksWhy && (
        <TextField
          label={say('steps.whyDoesTheEarlierEntryNot')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          sx={{ my: 1.5 }}
        />
      )}
      {text.photo && kind.ownPhotos !== true && (
        <PhotoEntry subject={path} step={state.key} of={text.photo.of} taken={photos} onTaken={(id) => setPhotos((all) => [...all, id])} />
      )}
      <Replacing.Provider value={replaced === null ? null : { fact: replaced, reason }}>
        <kind.Enter
          {...at}
          earlier={again && kind.startsFromEarlier ? (values[state.key] ?? null) : null}
          other={other ?? null}
          onRecord={(value, more) => onRecord({ ...value, ...(photos.length > 0 ? { photos } : {}) }, reason, more)}
          lost={lost}
          onSeal={(value, password) => onSeal(value, reason, password)}
          onDone={onDone}
        />
      </Replacing.Provider>
      {/* What is typed comes first; the drawing says the same for who looks closer. */}
      {state.figure && <Figure figure={state.figure} />}
    </>
  )
}
