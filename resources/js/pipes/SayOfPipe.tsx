import { Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type LinePipe } from '../api/client'
import { useVerb } from '../api/useVerb'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'

/** Rejects a pipe, or accepts it again, with the reason. */
export function SayOfPipe({ pipe, onClose }: { pipe: LinePipe; onClose: () => void }): ReactElement {
  const [reason, setReason] = useState('')
  const rejected = pipe.state !== 'rejected'
  const say = useVerb(() => api.post(`/pipes/${pipe.id}/words`, { rejected, reason }), onClose)
  return (
    <Sheet
      open
      onClose={onClose}
      title={rejected ? `Reject pipe ${pipe.number}` : `Accept pipe ${pipe.number} again`}
      actions={
        <Button variant="contained" disabled={reason.trim().length < 3 || say.busy} onClick={() => say.run()}>
          {rejected ? 'Reject it' : 'Accept it'}
        </Button>
      }
    >
      <Typography sx={{ mb: 2 }}>
        {rejected
          ? 'It must not be laid. A joint that has it, and is not signed yet, is bad until it is out or accepted again.'
          : `It was rejected: ${pipe.reason ?? ''}`}
      </Typography>
      <TextField autoFocus label="Why" value={reason} onChange={(e) => setReason(e.target.value)} />
      <Refused why={say.fault} />
    </Sheet>
  )
}
