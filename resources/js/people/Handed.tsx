import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { dayAndTimeHere } from '../ui/clock'
import { Code } from '../ui/Code'

export interface Link {
  path: string
  expires_at: string
}

/** A link that was just made, to be read off the screen by a phone, printed or copied: it is shown this once. */
export function Handed({ link }: { link: Link }): ReactElement {
  const address = `${window.location.origin}${link.path}`
  return (
    <Box sx={{ display: 'grid', gap: 1.5, pb: 1 }}>
      <Typography>{say('people.worksOnce', { at: dayAndTimeHere(link.expires_at) })}</Typography>
      <Code text={address} about={say('people.linkAsACode')} />
      <Typography component="code" sx={{ fontFamily: 'inherit', overflowWrap: 'anywhere', fontWeight: 700 }}>
        {address}
      </Typography>
    </Box>
  )
}
