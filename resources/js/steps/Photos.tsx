import { Box, Button, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import type { Photo } from '../api/client'
import { NotKept } from '../outbox/kept'
import { keepPhoto } from '../outbox/outbox'
import { useWaitingPhotos } from '../outbox/usePhotos'
import { Sheet } from '../ui/Sheet'
import { useCalled } from './called'
import { dayAndTimeHere } from '../ui/clock'
import { say } from '../texts/say'

const LONGEST_SIDE = 1600

/** Made smaller on the device: a trench has little network. */
async function smaller(file: Blob): Promise<Blob> {
  const image = await createImageBitmap(file)
  const scale = Math.min(1, LONGEST_SIDE / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.width * scale))
  canvas.height = Math.max(1, Math.round(image.height * scale))
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  return new Promise((done, fail) => canvas.toBlob((b) => (b ? done(b) : fail(new Error(say('steps.noPicture')))), 'image/jpeg', 0.85))
}

/** The button that takes a picture for a step that is not recorded yet. */
export function PhotoEntry({
  subject,
  step,
  of,
  taken,
  onTaken,
}: {
  subject: string
  step: string
  of: string
  taken: string[]
  onTaken: (id: string) => void
}): ReactElement {
  const input = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState<string | null>(null)
  const called = useCalled()
  return (
    <Box sx={{ my: 1.5 }}>
      <PhotoStrip subject={subject} ids={taken} photos={[]} />
      <Button variant="outlined" fullWidth onClick={() => input.current?.click()}>
        {taken.length === 0 ? say('steps.photoOf', { of }) : say('steps.anotherPhoto')}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={say('steps.photoOf', { of })}
        onChange={async (e) => {
          const file = e.target.files?.[0]
          e.target.value = ''
          if (!file) return
          try {
            onTaken(await keepPhoto(subject, step, await smaller(file), called))
            setSaid(null)
          } catch (error) {
            setSaid(error instanceof NotKept ? error.message : say('steps.thatIsNoPictureThatCan'))
          }
        }}
      />
      {said && (
        <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 1 }}>
          {said}
        </Typography>
      )}
    </Box>
  )
}

/** Pictures of a step, those that wait on the device too. */
export function PhotoStrip({ subject, ids, photos }: { subject: string; ids: string[]; photos: Photo[] }): ReactElement | null {
  const waiting = useWaitingPhotos(subject)
  const [open, setOpen] = useState<string | null>(null)
  const [urls, setUrls] = useState<Record<string, string>>({})
  useEffect(() => {
    const made = Object.fromEntries(waiting.map((w) => [w.id, URL.createObjectURL(w.picture)]))
    setUrls(made)
    return () => Object.values(made).forEach((url) => URL.revokeObjectURL(url))
  }, [waiting])
  if (ids.length === 0) return null
  const src = (id: string): string => urls[id] ?? `/api/v1/photos/${id}`
  const about = (id: string): string => {
    const known = photos.find((p) => p.id === id)
    const late = waiting.find((w) => w.id === id)
    return late
      ? late.refused
        ? say('common.refused', { refused: late.refused })
        : say('steps.notYetSent')
      : known
        ? say(known.late ? 'steps.photoAfterTheSeal' : 'steps.photoBy', { by: known.by, at: dayAndTimeHere(known.taken_at) })
        : ''
  }
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1 }}>
      {ids.map((id, i) => (
        <Box
          key={id}
          component="button"
          type="button"
          onClick={() => setOpen(id)}
          sx={{ all: 'unset', cursor: 'pointer', '&:focus-visible': { outline: '3px solid var(--accent)' } }}
        >
          <Box
            component="img"
            src={src(id)}
            alt={say('steps.photoOfThisStep', { number: i + 1 })}
            sx={{ width: 112, height: 84, objectFit: 'cover', display: 'block', bgcolor: (t) => t.colours.raised, borderRadius: 0.5 }}
          />
          <Typography variant="body2" sx={{ maxWidth: 112, fontSize: 13 }}>
            {about(id)}
          </Typography>
        </Box>
      ))}
      <Sheet open={open !== null} onClose={() => setOpen(null)} title={say('steps.photo')}>
        {open && <img src={src(open)} alt={say('steps.thePhotoOfThisStepLarge')} style={{ width: '100%' }} />}
      </Sheet>
    </Box>
  )
}
