import { Box, Button } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { JointShort, Subject } from '../api/client'
import { say } from '../texts/say'

/** Once this joint only waits, or nothing is left to do at it: the next one along the line. */
export function NextJoint({ joint, joints }: { joint: Subject; joints: JointShort[] }): ReactElement | null {
  const { judgement } = joint
  const next = judgement.steps.find((s) => s.key === judgement.next)
  const isFree = judgement.verdict !== 'bad' && (next === undefined || next.kind === 'timer' || next.kind === 'hold')
  const after = joints
    .filter((j) => j.place === 'in-line' && ['planned', 'begun'].includes(j.state) && j.chainage_m > (joint.chainage_m ?? Infinity))
    .sort((a, b) => a.chainage_m - b.chainage_m)[0]
  if (!isFree || !after) return null
  return (
    <Box sx={{ mt: 2 }}>
      <Button component={Link} to={`/joints/${after.id}`} variant="outlined" fullWidth>
        {say(next?.kind === 'timer' ? 'joint.meanwhileNext' : 'joint.nextJoint', { number: after.number })}
      </Button>
    </Box>
  )
}
