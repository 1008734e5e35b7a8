import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { Subject } from '../api/client'
import { tight, VerdictMark } from '../ui/Verdict'

/** What a signature stands under: each step with its figures. */
export function Stands({ data }: { data: Subject }): ReactElement {
  const steps = data.judgement.steps.filter((s) => s.kind !== 'hold' && s.status === 'done')
  return (
    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {steps.map((s) => (
        <Box
          key={s.key}
          component="li"
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.75, display: 'grid', gridTemplateColumns: '24px 1fr auto', columnGap: 1.5 }}
        >
          <VerdictMark verdict={s.verdict} />
          <Typography>{s.title}</Typography>
          <Typography sx={{ textAlign: 'right', maxWidth: { xs: 170, md: 260 } }}>{s.summary ? tight(s.summary) : ''}</Typography>
        </Box>
      ))}
    </Box>
  )
}
