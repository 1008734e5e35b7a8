import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement, type ReactNode } from 'react'
import { say } from '../texts/say'

/** The stand-in of a device where the work is real: not in the way, and said to prove nothing. */
export function StandInFold({ children }: { children: ReactNode }): ReactElement {
  const [open, setOpen] = useState(false)
  return open ? (
    <Box sx={{ mt: 3, borderTop: 1, borderColor: 'divider', pt: 1.5 }}>
      <Typography sx={{ fontWeight: 700, mb: 1.5 }}>{say('steps.standInProvesNothing')}</Typography>
      {children}
    </Box>
  ) : (
    <Button sx={{ mt: 2, px: 0.5, fontWeight: 400, color: 'text.secondary' }} onClick={() => setOpen(true)}>
      {say('steps.noDeviceHere')}
    </Button>
  )
}
