import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, type LineFull, type ProcedureShort, type StretchShort, type Subject } from '../api/client'
import { useProcedures } from '../api/queries'
import { pageOf } from '../api/subject'
import { useVerb } from '../api/useVerb'
import { dayAndTime } from '../ui/clock'
import { Refused } from '../ui/Refused'
import { say } from '../texts/say'

/** A joint is looked at and covered with what lies beside it, and laid bare with it again, so far to both sides, m. */
const BESIDE_M = 1

interface Props {
  joint: Subject
  line: LineFull
}

/** Whether a joint is covered or lies bare again, and the way to look at it for the last time, or to open it up. */
export function Covering({ joint, line }: Props): ReactElement | null {
  const at = joint.chainage_m ?? 0
  const isCovered = !!joint.covered_at
  const begun = line.stretches.find(
    (s) => (isCovered ? s.uncovers : s.covers) && s.state !== 'accepted' && s.from_m <= at && at <= (s.to_m ?? s.from_m),
  )
  const isMade = joint.state === 'made' || joint.state === 'accepted'
  if (!isCovered && !joint.bare_at && !isMade) return null
  return (
    <>
      <HowItLies joint={joint} />
      {begun && begun.id !== joint.covering_id && begun.id !== joint.opening_id ? (
        <GoOn with={begun} />
      ) : (
        (isCovered || isMade) && <Next joint={joint} line={line} />
      )}
    </>
  )
}

function HowItLies({ joint }: { joint: Subject }): ReactElement | null {
  const at = joint.covered_at ?? joint.bare_at
  const record = joint.covering_id ?? joint.opening_id
  if (!at) return null
  return (
    <Typography sx={{ mt: 2 }}>
      {say(joint.covered_at ? 'joint.coveredAt' : 'joint.bareAt', { at: dayAndTime(at, joint.line.time_zone) })}{' '}
      {record && <Link to={pageOf('stretch', record)}>{say(joint.covered_at ? 'joint.howItWasCovered' : 'joint.howItWasOpened')}</Link>}
    </Typography>
  )
}

function GoOn({ with: begun }: { with: StretchShort }): ReactElement {
  return (
    <Typography sx={{ mt: 2 }}>
      <Link to={pageOf('stretch', begun.id)}>{say(begun.covers ? 'joint.goOnCovering' : 'joint.goOnOpening', { name: begun.name })}</Link>
    </Typography>
  )
}

/** Only of a joint that has come so far are the procedures asked for: they are many. */
function Next({ joint, line }: Props): ReactElement | null {
  const procedure = (useProcedures().data ?? []).find((p) => (joint.covered_at ? p.uncovers : p.covers))
  return procedure ? <Begin joint={joint} line={line} procedure={procedure} /> : null
}

function Begin({ joint, line, procedure }: Props & { procedure: ProcedureShort }): ReactElement {
  const navigate = useNavigate()
  const at = joint.chainage_m ?? 0
  const begin = useVerb(
    () =>
      api.post<{ id: string }>(`/lines/${line.id}/stretches`, {
        procedure_hash: procedure.hash,
        name: joint.name,
        from_m: Math.max(line.start_m, at - BESIDE_M),
        to_m: Math.min(line.start_m + line.length_m, at + BESIDE_M),
      }),
    (made) => void navigate(pageOf('stretch', made.id)),
  )
  return (
    <>
      <Button variant="outlined" sx={{ mt: 2 }} disabled={begin.busy} onClick={() => begin.run()}>
        {say(procedure.covers ? 'joint.lookAndCover' : 'joint.openItUp')}
      </Button>
      <Refused why={begin.fault} />
    </>
  )
}
