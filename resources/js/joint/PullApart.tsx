import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api, type Subject } from '../api/client'
import { useVerb } from '../api/useVerb'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { say } from '../texts/say'

/** The crew pulls a joint apart and joins it again: the first try stays in the record, the second has a number of its own. */
export function PullApart({ id, joint }: { id: string; joint: Subject }): ReactElement {
  const [open, setOpen] = useState(false)
  const isBad = joint.judgement.verdict === 'bad'
  const found = isBad ? (joint.judgement.reasons.find((r) => r.verdict === 'bad')?.text ?? '') : ''
  const [reason, setReason] = useState<string | null>(null)
  const why = reason ?? found
  const navigate = useNavigate()
  const verb = useVerb(
    () => api.post<{ id: string }[]>(`/joints/${id}/cut-out`, { reason: why.trim(), pulled_apart: true }),
    (made) => {
      setOpen(false)
      if (made[0]) void navigate(`/joints/${made[0].id}`)
    },
  )
  return (
    <Box sx={{ mt: 3 }}>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        {say('joint.pullApart')}
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('joint.pullApart')}
        actions={
          <Button variant="contained" disabled={why.trim().length < 3 || verb.busy} onClick={() => verb.run()}>
            {say('joint.itIsPulledApart')}
          </Button>
        }
      >
        <Typography sx={{ mb: 2 }}>{say('joint.firstTryStays')}</Typography>
        <TextField autoFocus multiline label={say('common.why')} value={why} onChange={(e) => setReason(e.target.value)} />
        <Refused why={verb.fault} />
      </Sheet>
    </Box>
  )
}
