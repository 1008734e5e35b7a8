import { Box, Button, TextField } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { deviceTime } from '../../outbox/deviceTime'
import { say } from '../../texts/say'
import { figureOf, noFigure } from '../../ui/figureOf'
import { Sheet } from '../../ui/Sheet'
import { FileEntry } from '../FileEntry'

/** A file of a real box holds the samples; what it does not hold is asked for, never made up. */
export function BoxFile({
  subject,
  stepKey,
  begun,
  zone,
  onDone,
}: {
  subject: string
  stepKey: string
  /** a trace whose end has not come, with the number of its next part */
  begun: { trace: string; part: number } | null
  zone: string
  onDone: () => void
}): ReactElement {
  const [open, setOpen] = useState(false)
  const [end, setEnd] = useState('')
  const [supply, setSupply] = useState('')
  const [ohms, setOhms] = useState('')
  const figure = (text: string): number | undefined => figureOf(text) ?? undefined
  const wrong = (text: string): string | undefined => (text.trim() === '' ? undefined : (noFigure(text) ?? undefined))
  return (
    <>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => setOpen(true)}>
        {say('steps.loadATraceFromAFile')}
      </Button>
      <Sheet open={open} onClose={() => setOpen(false)} title={say('steps.aTraceFromTheBox')}>
        <Box sx={{ display: 'grid', gap: 2, mt: 1 }}>
          <TextField
            type="datetime-local"
            label={say('steps.powerWentOffAt')}
            value={end}
            onChange={(e) => setEnd(e.target.value)}
            helperText={say('steps.theCoolingClockStartsHere')}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }}
          />
          <TextField
            label={say('steps.supplyBeforeTheFusionVIf')}
            value={supply}
            onChange={(e) => setSupply(e.target.value)}
            error={!!wrong(supply)}
            helperText={wrong(supply)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <TextField
            label={say('steps.coldResistanceByTheBoxIf')}
            value={ohms}
            onChange={(e) => setOhms(e.target.value)}
            error={!!wrong(ohms)}
            helperText={wrong(ohms)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <FileEntry
            subject={subject}
            stepKey={stepKey}
            path="/files/fusion-trace"
            accept=".csv,.json,.txt"
            what="trace"
            onDone={() => {
              setOpen(false)
              onDone()
            }}
            zone={zone}
            hold={end === '' ? say('steps.sayFirstWhenThePowerWent') : (wrong(supply) ?? wrong(ohms) ?? null)}
            extra={(rows) => {
              const ended = new Date(end)
              return {
                ...begun,
                supply_v: figure(supply),
                cold_r_ohm: figure(ohms),
                ended_at: deviceTime(ended),
                started_at: deviceTime(new Date(ended.getTime() - ((rows[rows.length - 1]?.[0] ?? 0) - (rows[0]?.[0] ?? 0)) * 1000)),
              }
            }}
          />
        </Box>
      </Sheet>
    </>
  )
}
