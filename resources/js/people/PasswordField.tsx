import { TextField } from '@mui/material'
import type { ReactElement } from 'react'

interface Props {
  label: string
  value: string
  onChange: (value: string) => void
  /** what the server said of it */
  fault?: string | undefined
  /** it is chosen here, and not that of today */
  isNew?: boolean
}

/** A password, with what a device's own store of passwords needs to know of it. */
export function PasswordField({ label, value, onChange, fault, isNew = false }: Props): ReactElement {
  return (
    <TextField
      label={label}
      type="password"
      autoComplete={isNew ? 'new-password' : 'current-password'}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      error={fault !== undefined}
      helperText={fault}
      fullWidth
    />
  )
}
