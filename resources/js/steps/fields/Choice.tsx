import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { FieldSpec } from '../../api/client'
import type { Entered } from '../entry'

interface Props {
  field: FieldSpec
  /** of a group of inputs: each end has its own */
  name: string
  value: Entered
  onChange: (v: string) => void
}

/** A few ways, one of which it was: each a line to tap. */
export function Choice({ field, name, value, onChange }: Props): ReactElement {
  const options = field.options ?? []
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, py: 0.5 }}>
      <Typography component="legend" sx={{ p: 0, pb: 0.5 }}>
        {field.label}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 0.75,
          gridTemplateColumns: options.every((o) => o.label.length < 22) ? 'repeat(auto-fit, minmax(130px, 1fr))' : '1fr',
        }}
      >
        {options.map((o) => (
          <Box
            key={o.value}
            component="label"
            sx={{
              minHeight: 52,
              border: 2,
              borderColor: value === o.value ? 'text.primary' : 'divider',
              bgcolor: value === o.value ? 'text.primary' : 'transparent',
              color: value === o.value ? 'background.default' : 'text.primary',
              borderRadius: 1,
              px: 1.5,
              py: 0.75,
              display: 'flex',
              alignItems: 'center',
              fontWeight: value === o.value ? 650 : 400,
              cursor: 'pointer',
              '&:focus-within': { outline: '3px solid var(--accent)', outlineOffset: 2 },
            }}
          >
            <input
              type="radio"
              name={name}
              checked={value === o.value}
              onChange={() => onChange(o.value)}
              aria-label={`${field.label}: ${o.label}`}
              style={{ position: 'absolute', opacity: 0, width: 1, height: 1 }}
            />
            {o.label}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
