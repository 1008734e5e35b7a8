import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, type LineFull, type Subject } from '../api/client'
import { useProcedures } from '../api/queries'
import { pageOf } from '../api/subject'
import { useVerb } from '../api/useVerb'
import { dayAndTime } from '../ui/clock'
import { Refused } from '../ui/Refused'
import { say } from '../texts/say'

/** A joint is looked at and covered with what lies beside it, so far to both sides, m. */
const BESIDE_M = 1

/** Whether a joint is covered, and the way to look at it for the last time. */
export function Covering({ joint, line }: { joint: Subject; line: LineFull }): ReactElement | null {
  const navigate = useNavigate()
  const procedure = (useProcedures().data ?? []).find((p) => p.covers)
  const at = joint.chainage_m ?? 0
  const begun = line.stretches.find((s) => s.covers && s.state !== 'accepted' && s.from_m <= at && at <= (s.to_m ?? s.from_m))
  const begin = useVerb(
    () =>
      api.post<{ id: string }>(`/lines/${line.id}/stretches`, {
        procedure_hash: procedure!.hash,
        name: joint.name,
        from_m: Math.max(line.start_m, at - BESIDE_M),
        to_m: Math.min(line.start_m + line.length_m, at + BESIDE_M),
      }),
    (made) => void navigate(pageOf('stretch', made.id)),
  )
  if (joint.covered_at)
    return (
      <Typography sx={{ mt: 2 }}>
        {say('joint.coveredAt', { at: dayAndTime(joint.covered_at, joint.line.time_zone) })}{' '}
        {joint.covering_id && <Link to={pageOf('stretch', joint.covering_id)}>{say('joint.howItWasCovered')}</Link>}
      </Typography>
    )
  if (joint.state !== 'made' && joint.state !== 'accepted') return null
  if (begun)
    return (
      <Typography sx={{ mt: 2 }}>
        <Link to={pageOf('stretch', begun.id)}>{say('joint.goOnCovering', { name: begun.name })}</Link>
      </Typography>
    )
  return procedure ? (
    <>
      <Button variant="outlined" sx={{ mt: 2 }} disabled={begin.busy} onClick={() => begin.run()}>
        {say('joint.lookAndCover')}
      </Button>
      <Refused why={begin.fault} />
    </>
  ) : null
}
