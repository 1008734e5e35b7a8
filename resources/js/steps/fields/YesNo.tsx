import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { FieldSpec } from '../../api/client'
import type { Entered } from '../entry'
import { say } from '../../texts/say'

interface Props {
  field: FieldSpec
  /** of a group of inputs: each end has its own */
  name: string
  value: Entered
  onChange: (v: boolean) => void
  inputRef: (el: HTMLInputElement | null) => void
}

export function YesNo({ field, name, value, onChange, inputRef }: Props): ReactElement {
  const answers = [
    [say('steps.yes'), true],
    [say('steps.no'), false],
  ] as const
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, display: 'flex', alignItems: 'center', gap: 1.5, minHeight: 60 }}>
      <Typography component="legend" sx={{ float: 'left', flexGrow: 1, p: 0 }}>
        {field.label}
        {field.optional ? say('steps.suffixIfKnown') : ''}
      </Typography>
      {answers.map(([word, answer]) => (
        <Box
          key={word}
          component="label"
          sx={{
            minWidth: 68,
            minHeight: 56,
            border: 2,
            borderColor: value === answer ? 'text.primary' : 'divider',
            bgcolor: value === answer ? 'text.primary' : 'transparent',
            color: value === answer ? 'background.default' : 'text.primary',
            borderRadius: 1,
            display: 'grid',
            placeItems: 'center',
            fontWeight: 650,
            cursor: 'pointer',
            '&:focus-within': { outline: '3px solid var(--accent)', outlineOffset: 2 },
          }}
        >
          <input
            ref={answer ? inputRef : undefined}
            type="radio"
            name={name}
            checked={value === answer}
            onChange={() => onChange(answer)}
            aria-label={`${field.label}: ${word}`}
            style={{ position: 'absolute', opacity: 0, width: 1, height: 1 }}
          />
          {word}
        </Box>
      ))}
    </Box>
  )
}
