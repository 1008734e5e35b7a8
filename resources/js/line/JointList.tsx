import { Box, Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { JointShort } from '../api/client'
import { say } from '../texts/say'
import { useFirst } from '../ui/useFirst'
import { VerdictMark } from '../ui/Verdict'

const SHOWN = 6

interface Props {
  title: string
  joints: JointShort[]
  note: (j: JointShort) => string
}

/** Joints that wait for something, the first of them; the rest where somebody asks. */
export function JointList({ title, joints, note }: Props): ReactElement {
  const { shown, others } = useFirst(joints, SHOWN)
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {shown.map((j) => (
        <Box key={j.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <VerdictMark verdict={j.verdict} />
          <Typography>
            <MuiLink component={Link} to={`/joints/${j.id}`}>
              {say('common.joint', { number: j.number })}
            </MuiLink>{' '}
            · {note(j)}
          </Typography>
        </Box>
      ))}
      {others}
    </Box>
  )
}
