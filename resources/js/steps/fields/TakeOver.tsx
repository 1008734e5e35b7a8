import { Button } from '@mui/material'
import type { ReactElement } from 'react'

interface Props {
  /** where each part is known from, and what it is */
  parts: { says: string; what: string }[]
  onTake: () => void
}

/** What is known from elsewhere, in full, to be taken over with one tap. */
export function TakeOver({ parts, onTake }: Props): ReactElement {
  return (
    <Button
      variant="outlined"
      fullWidth
      onClick={onTake}
      sx={{ display: 'block', textAlign: 'left', my: 0.75, minHeight: 56, fontWeight: 400, lineHeight: 1.3, py: 1, px: 1.5 }}
    >
      {parts.map((part) => (
        <span key={part.says} style={{ display: 'block' }}>
          {part.says} <strong>{part.what}</strong>
        </span>
      ))}
    </Button>
  )
}
