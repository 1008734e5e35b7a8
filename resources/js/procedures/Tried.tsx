import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { TriedProcedure, Verdict } from '../api/client'
import { say } from '../texts/say'
import { VerdictMark, WORD } from '../ui/Verdict'

/** What the adapted procedure says of a joint, and where that differs from before. */
export function Tried({ tried: { steps, tried } }: { tried: TriedProcedure }): ReactElement {
  if (tried === null)
    return (
      <Typography role="status" sx={{ mt: 2, fontWeight: 700 }}>
        {say('procedures.nothingWrong', { steps })}
      </Typography>
    )
  const at = (verdict: string | null, without: string): string => (verdict === null ? without : WORD[verdict as Verdict])
  return (
    <Box role="status" sx={{ mt: 2, maxWidth: 760 }}>
      <Typography sx={{ display: 'flex', gap: 1, alignItems: 'center', fontWeight: 700 }}>
        <VerdictMark verdict={tried.now} />
        {say('procedures.triedOn', { joint: tried.joint, now: WORD[tried.now], was: WORD[tried.was] })}
      </Typography>
      {tried.differs.length === 0 ? (
        <Typography>{say('procedures.noStepDiffers')}</Typography>
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
          {tried.differs.map((step) => (
            <Box component="li" key={step.key} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
              <strong>{step.title}</strong>:{' '}
              {say('procedures.wasAndIs', {
                was: at(step.was, say('procedures.notThere')),
                now: at(step.now, say('procedures.leftOut')),
              })}
              {step.text ? ` ${step.text}` : ''}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  )
}
