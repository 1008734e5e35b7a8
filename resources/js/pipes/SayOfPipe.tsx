import { Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type LinePipe } from '../api/client'
import { useVerb } from '../api/useVerb'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { say } from '../texts/say'

/** Rejects a pipe, or accepts it again, with the reason. */
export function SayOfPipe({ pipe, onClose }: { pipe: LinePipe; onClose: () => void }): ReactElement {
  const [reason, setReason] = useState('')
  const rejected = pipe.state !== 'rejected'
  const saying = useVerb(() => api.post(`/pipes/${pipe.id}/words`, { rejected, reason }), onClose)
  return (
    <Sheet
      open
      onClose={onClose}
      title={rejected ? say('pipes.rejectPipe', { number: pipe.number }) : say('pipes.acceptPipeAgain', { number: pipe.number })}
      actions={
        <Button variant="contained" disabled={reason.trim().length < 3 || saying.busy} onClick={() => saying.run()}>
          {rejected ? say('pipes.rejectIt') : say('pipes.acceptIt')}
        </Button>
      }
    >
      <Typography sx={{ mb: 2 }}>
        {rejected ? say('pipes.itMustNotBeLaidA') : say('pipes.itWasRejected', { reason: pipe.reason ?? '' })}
      </Typography>
      <TextField autoFocus label={say('common.why')} value={reason} onChange={(e) => setReason(e.target.value)} />
      <Refused why={saying.fault} />
    </Sheet>
  )
}
