import { Typography } from '@mui/material'
import type { ReactElement } from 'react'

/** Why something was not done, in a sentence; nothing where there is none. */
export function Refused({ why }: { why: string | null | undefined }): ReactElement | null {
  if (!why) return null
  return (
    <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 1 }}>
      {why}
    </Typography>
  )
}
