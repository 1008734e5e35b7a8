import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Sheet } from '../../ui/Sheet'
import { FieldsEntry } from '../FieldsEntry'
import type { Entering, KindView } from './kind'

function Enter({ text, data, role, onRecord }: Entering): ReactElement {
  const [refusing, setRefusing] = useState(false)
  const [remark, setRemark] = useState('')
  const may = !text.roles?.length || (role !== undefined && text.roles.includes(role))
  if (!may)
    return (
      <Typography sx={{ my: 2 }}>
        This is signed by {text.roles!.join(' or ')}. You are signed in as {role}.
      </Typography>
    )
  const stands = data.judgement.steps
    .filter((s) => s.kind !== 'hold')
    .map((s) => s.summary)
    .filter(Boolean)
  return (
    <Box sx={{ my: 2, display: 'grid', gap: 1 }}>
      <Typography>Your name stands under: {stands.join('; ')}.</Typography>
      {(text.fields ?? []).length > 0 ? (
        <FieldsEntry step={text} project={data.line.project_id} label="Sign" onRecord={(v) => onRecord({ ...v, signed: true })} />
      ) : (
        <Button variant="contained" onClick={() => onRecord({ signed: true })}>
          Sign
        </Button>
      )}
      <Button variant="outlined" onClick={() => setRefusing(true)}>
        Refuse to sign
      </Button>
      <Sheet
        open={refusing}
        onClose={() => setRefusing(false)}
        title="Why is it not signed?"
        actions={
          <Button
            variant="contained"
            disabled={remark.trim().length < 3}
            onClick={() => {
              setRefusing(false)
              onRecord({ signed: false, remark })
            }}
          >
            Record the refusal
          </Button>
        }
      >
        <TextField autoFocus label="Reason" value={remark} onChange={(e) => setRemark(e.target.value)} sx={{ mt: 1 }} />
      </Sheet>
    </Box>
  )
}

export const hold: KindView = { Enter, again: 'Decide again' }
