import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { Subject } from '../api/client'
import { say } from '../texts/say'
import { Sentence, tight } from '../ui/Verdict'
import { brokenUnder } from './sealed'

/** What is not any more as it was signed and sealed, said before anything else. */
export function SealBroken({ seal }: { seal: Subject['seal'] }): ReactElement | null {
  const broken = brokenUnder(seal)
  if (broken.length === 0) return seal?.alone ? <Typography sx={{ my: 1 }}>{seal.alone}</Typography> : null
  return (
    <Box role="alert" sx={{ my: 2 }}>
      <Sentence verdict="bad" act={say('steps.sealBrokenDo')}>
        {say('steps.sealIsBroken')}
      </Sentence>
      <Box component="ul" sx={{ pl: 5.5, my: 1 }}>
        {broken.map((one) => (
          <Typography key={one} component="li">
            {tight(one)}
          </Typography>
        ))}
      </Box>
    </Box>
  )
}
