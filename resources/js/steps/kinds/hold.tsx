import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Sheet } from '../../ui/Sheet'
import { useMe } from '../../api/queries'
import { FieldsEntry } from '../FieldsEntry'
import { History } from '../History'
import { Stands } from '../Stands'
import type { StepState } from '../../api/client'
import type { Entering, KindView } from './kind'
import { say } from '../../texts/say'

function Enter({ text, state, data, onRecord }: Entering): ReactElement {
  const me = useMe()
  const [refusing, setRefusing] = useState(false)
  const [signing, setSigning] = useState<Record<string, unknown> | null>(null)
  const [remark, setRemark] = useState('')
  const [confirmed, setConfirmed] = useState(false)
  // What a device kept from an earlier version does not say them.
  const toConfirm = (state.limits as StepState['limits'] | undefined) ?? []
  const sign = (value: Record<string, unknown>): void =>
    setSigning({ ...value, signed: true, ...(toConfirm.length > 0 ? { confirmed: toConfirm.map((l) => l.name) } : {}) })
  return (
    <Box sx={{ my: 2, display: 'grid', gap: 1 }}>
      <History data={data} />
      <Typography sx={{ mt: 1 }}>{say('steps.yourNameStandsUnder')}</Typography>
      <Stands data={data} />
      {(text.fields ?? []).length > 0 ? (
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
        <Sheet
          open
          onClose={() => setSigning(null)}
          title={`${data.name} · ${state.title}`}
          actions={
            <Button
              variant="contained"
              disabled={toConfirm.length > 0 && !confirmed}
              onClick={() => {
                onRecord(signing)
                setSigning(null)
              }}
            >
              {say('steps.signAs', { name: me.data?.name ?? '' })}
            </Button>
          }
        >
          {toConfirm.length > 0 && (
            <>
              <Typography sx={{ fontWeight: 700 }}>{say('steps.writtenDownFromMemory')}</Typography>
              <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
                {toConfirm.map((l) => (
                  <li key={l.name}>
                    {say('steps.limitWithSource', { label: l.label, value: l.shown ?? String(l.value), source: l.source })}
                  </li>
                ))}
              </Box>
              <FormControlLabel
                sx={{ minHeight: 56, mb: 1 }}
                control={<Checkbox checked={confirmed} onChange={(e) => setConfirmed(e.target.checked)} />}
                label={say('steps.iHaveConfirmedThem', { count: toConfirm.length })}
              />
            </>
          )}
          <Typography>{say(text.seals ? 'steps.signedAndSealed' : 'steps.signedOnly')}</Typography>
        </Sheet>
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
