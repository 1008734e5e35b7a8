import { Typography } from '@mui/material'
import type { ReactElement } from 'react'

/** What stands smaller behind a figure. */
export function Small({ children }: { children: string }): ReactElement {
  return (
    <Typography component="span" sx={{ color: 'text.secondary', fontWeight: 400, fontSize: '1rem', ml: 1 }}>
      {children}
    </Typography>
  )
}
