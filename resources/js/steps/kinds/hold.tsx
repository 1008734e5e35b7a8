import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Sheet } from '../../ui/Sheet'
import { FieldsEntry } from '../FieldsEntry'
import { History } from '../History'
import { Signing } from '../Signing'
import { Stands } from '../Stands'
import type { StepState } from '../../api/client'
import type { Entering, KindView } from './kind'
import { say } from '../../texts/say'

function Enter({ text, state, data, onRecord, onSeal }: Entering): ReactElement {
  const [refusing, setRefusing] = useState(false)
  const [signing, setSigning] = useState<Record<string, unknown> | null>(null)
  const [remark, setRemark] = useState('')
  // What a device kept from an earlier version does not say them.
  const toConfirm = (state.limits as StepState['limits'] | undefined) ?? []
  const own = text.seals ? data.own_work : null
  const sign = (value: Record<string, unknown>): void =>
    setSigning({ ...value, signed: true, ...(toConfirm.length > 0 ? { confirmed: toConfirm.map((l) => l.name) } : {}) })
  return (
    <Box sx={{ my: 2, display: 'grid', gap: 1 }}>
      <History data={data} />
      <Typography sx={{ mt: 1 }}>{say('steps.yourNameStandsUnder')}</Typography>
      <Stands data={data} />
      {own && <Typography sx={{ fontWeight: 700 }}>{own.text}</Typography>}
      {own?.may_seal === false ? null : (text.fields ?? []).length > 0 ? (
        <FieldsEntry step={text} project={data.line.project_id} label={say('steps.sign')} onRecord={sign} />
      ) : (
        <Button variant="contained" onClick={() => sign({})}>
          {say('steps.sign')}
        </Button>
      )}
      <Button variant="outlined" onClick={() => setRefusing(true)}>
        {say('steps.refuseToSign')}
      </Button>
      {signing && (
        <Signing
          title={`${data.name} · ${state.title}`}
          limits={toConfirm}
          onClose={() => setSigning(null)}
          onSign={
            text.seals
              ? (password) => onSeal(signing, password)
              : () => {
                  onRecord(signing)
                  setSigning(null)
                }
          }
          asksPassword={text.seals === true}
        />
      )}
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
