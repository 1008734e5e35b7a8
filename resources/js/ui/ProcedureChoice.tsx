import { Box, MenuItem, TextField, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { ProcedureShort } from '../api/client'
import { say } from '../texts/say'

interface Props {
  label: string
  /** with the reasons why each is not meant for the pipe at hand */
  of: ProcedureShort[]
  value: string
  onChange: (hash: string) => void
  fault?: string | undefined
  /** what is said under it when nothing is wrong */
  hint?: string | undefined
}

/** A procedure or method: those that suit the pipe, and below them the others with the reason why not. */
export function ProcedureChoice({ label, of, value, onChange, fault, hint }: Props): ReactElement {
  const reasons = (p: ProcedureShort): string[] => p.unsuited ?? []
  const chosen = of.find((p) => p.hash === value)
  const wrong = fault ?? (chosen ? reasons(chosen)[0] : undefined)
  const sorted = [...of.filter((p) => reasons(p).length === 0), ...of.filter((p) => reasons(p).length > 0)]
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      error={wrong !== undefined}
      helperText={wrong ?? hint}
      slotProps={{
        select: {
          // Both lines of one that does not suit belong to the list, and not to the field.
          renderValue: () => (chosen ? say('procedures.titleVersion', { title: chosen.title, version: chosen.version }) : ''),
          // Why one is not offered is heard by the keyboard too; and the walk goes on where it was when the pipe's answer comes.
          MenuProps: { slotProps: { list: { disabledItemsFocusable: true } } },
        },
      }}
    >
      {sorted.map((p) => (
        <MenuItem
          key={p.hash}
          value={p.hash}
          disabled={reasons(p).length > 0}
          sx={{ '&.Mui-disabled': { opacity: 1 }, whiteSpace: 'normal' }}
        >
          <Box>
            <Typography sx={{ color: reasons(p).length > 0 ? 'text.secondary' : 'text.primary' }}>
              {say('procedures.titleVersion', { title: p.title, version: p.version })}
            </Typography>
            {reasons(p).map((why) => (
              <Typography key={why} variant="body2">
                {why}
              </Typography>
            ))}
            {!p.suits && <Typography variant="body2">{say('procedures.doesNotSayWhatFor')}</Typography>}
          </Box>
        </MenuItem>
      ))}
    </TextField>
  )
}
