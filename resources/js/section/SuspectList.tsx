import { Box, Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { SectionPlan } from '../api/client'
import { say } from '../texts/say'
import { tight } from '../ui/Verdict'
import { useShow } from '../ui/units'

type Suspect = NonNullable<SectionPlan['suspects']>[number]

const WHY: Record<Suspect['why'][number], string> = {
  bad: say('section.suspectBad'),
  open: say('section.suspectOpen'),
  repair: say('section.suspectRepair'),
  closing: say('section.suspectClosing'),
  close: say('section.suspectClose'),
  corrected: say('section.suspectCorrected'),
  last: say('section.suspectLast'),
}

/** After a bad test: where to look first, with what is known of each joint. */
export function SuspectList({ of }: { of: Suspect[] }): ReactElement | null {
  const show = useShow()
  if (of.length === 0) return null
  return (
    <Box component="section" aria-labelledby="suspects" sx={{ mt: 2 }}>
      <Typography id="suspects" variant="h3">
        {say('section.lookFirstAt')}
      </Typography>
      <Typography variant="body2">{say('section.aLeakMayBeAnywhere')}</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 0.5 }}>
        {of.map((joint) => (
          <Box component="li" key={joint.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
            <MuiLink component={Link} to={`/joints/${joint.id}`}>
              {say('section.jointAt', { number: joint.number, at: show('x_m', 'length', joint.chainage_m, 0) })}
            </MuiLink>
            : {joint.why.map((why) => WHY[why]).join('; ')}
            {joint.near.map((near) => (
              <Typography key={near} variant="body2">
                {tight(near)}
              </Typography>
            ))}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
