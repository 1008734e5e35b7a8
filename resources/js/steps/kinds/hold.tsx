import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Sheet } from '../../ui/Sheet'
import { FieldsEntry } from '../FieldsEntry'
import type { Entering, KindView } from './kind'
import { say } from '../../texts/say'
import { oneOf } from '../../texts/listed'
import { roleWord } from '../../texts/words'

function Enter({ text, data, role, onRecord }: Entering): ReactElement {
  const [refusing, setRefusing] = useState(false)
  const [remark, setRemark] = useState('')
  const may = !text.roles?.length || (role !== undefined && text.roles.includes(role))
  if (!may)
    return (
      <Typography sx={{ my: 2 }}>
        {say('steps.thisIsSignedByYouAre', { roles: oneOf(text.roles!.map(roleWord)), role: roleWord(role ?? '') })}
      </Typography>
    )
  const stands = data.judgement.steps
    .filter((s) => s.kind !== 'hold')
    .map((s) => s.summary)
    .filter(Boolean)
  return (
    <Box sx={{ my: 2, display: 'grid', gap: 1 }}>
      <Typography>{say('steps.yourNameStandsUnder', { stands: stands.join('; ') })}</Typography>
      {(text.fields ?? []).length > 0 ? (
        <FieldsEntry
          step={text}
          project={data.line.project_id}
          label={say('steps.sign')}
          onRecord={(v) => onRecord({ ...v, signed: true })}
        />
      ) : (
        <Button variant="contained" onClick={() => onRecord({ signed: true })}>
          {say('steps.sign')}
        </Button>
      )}
      <Button variant="outlined" onClick={() => setRefusing(true)}>
        {say('steps.refuseToSign')}
      </Button>
      <Sheet
        open={refusing}
        onClose={() => setRefusing(false)}
        title={say('steps.whyIsItNotSigned')}
        actions={
          <Button
            variant="contained"
            disabled={remark.trim().length < 3}
            onClick={() => {
              setRefusing(false)
              onRecord({ signed: false, remark })
            }}
          >
            {say('steps.recordTheRefusal')}
          </Button>
        }
      >
        <TextField autoFocus label={say('steps.reason')} value={remark} onChange={(e) => setRemark(e.target.value)} sx={{ mt: 1 }} />
      </Sheet>
    </Box>
  )
}

export const hold: KindView = { Enter, again: say('steps.decideAgain') }
