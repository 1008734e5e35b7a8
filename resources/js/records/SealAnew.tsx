import { Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'

const LEAST = 10

/** An engineer seals a broken place as it stands, with a reason that stays beside it. */
export function SealAnew({ line }: { line: string }): ReactElement {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const [password, setPassword] = useState('')
  const seal = useVerb(
    () => api.post(`/lines/${line}/seal-anew`, { reason, password }),
    () => setOpen(false),
  )
  return (
    <>
      <Button variant="outlined" className="no-print" onClick={() => setOpen(true)}>
        {say('records.sealAnew')}
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('records.sealAnew')}
        actions={
          <Button variant="contained" disabled={reason.trim().length < LEAST || password === '' || seal.busy} onClick={() => seal.run()}>
            {say('records.sealAsItStands')}
          </Button>
        }
      >
        <Typography>{say('records.sealAnewMeans')}</Typography>
        <TextField
          label={say('records.whatHappened')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          multiline
          minRows={2}
          sx={{ mt: 2 }}
          fullWidth
        />
        <TextField
          label={say('steps.yourPassword')}
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          sx={{ mt: 2 }}
          fullWidth
        />
        <Refused why={seal.fault} />
      </Sheet>
    </>
  )
}
