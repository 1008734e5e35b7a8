import { Box, Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { NearJoint } from '../api/client'
import { pageOf } from '../api/subject'
import { dayAndTime } from '../ui/clock'
import { useShow } from '../ui/units'
import { VerdictMark } from '../ui/Verdict'
import { stateWord } from '../texts/words'
import { say } from '../texts/say'

type Pipe = NonNullable<NearJoint['pipes']['a']>

/** Nearer than this it lies there, m. */
const HERE_M = 0.05

/** Joints round a place, each with its pipes and who made it. */
export function JointsNear({ joints, zone }: { joints: NearJoint[]; zone: string }): ReactElement {
  const show = useShow()
  const distance = (m: number): string => {
    const shown = show('x_m', 'length', Math.abs(m))
    return Math.abs(m) < HERE_M ? say('records.here') : say(m < 0 ? 'records.before' : 'records.beyond', { distance: shown })
  }
  return (
    <Box>
      <Typography variant="h2">{say('records.jointsNear')}</Typography>
      {joints.map((j) => (
        <Box key={j.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, display: 'flex', gap: 1.5 }}>
          <Box sx={{ pt: 0.25 }}>
            <VerdictMark verdict={j.verdict} />
          </Box>
          <Box sx={{ minWidth: 0 }}>
            <Typography sx={{ fontSize: '1.1rem' }}>
              <MuiLink component={Link} to={pageOf('joint', j.id)}>
                {j.name}
              </MuiLink>{' '}
              · <strong>{distance(j.distance_m)}</strong> · {stateWord(j.state)}
            </Typography>
            <Typography>{madeOf(j, zone)}</Typography>
            {j.told.length > 0 && <Typography variant="body2">{j.told.map((t) => `${t.label}: ${t.text}`).join(' · ')}</Typography>}
            <Pipes of={[j.pipes.a, j.pipes.b].filter((pipe) => pipe !== null && pipe !== undefined)} />
          </Box>
        </Box>
      ))}
    </Box>
  )
}

const madeOf = (j: NearJoint, zone: string): string =>
  [
    j.made_on ? say('records.madeOnBy', { day: j.made_on, by: j.made_by.join(', ') }) : say('records.notMade'),
    j.signed_by ? say('records.signedByName', { name: j.signed_by }) : '',
    j.covered_at ? say('records.coveredSince', { at: dayAndTime(j.covered_at, zone) }) : '',
    j.procedure,
  ]
    .filter(Boolean)
    .join(' · ')

/** Of what nothing is known but numbers, one line says all. */
function Pipes({ of }: { of: Pipe[] }): ReactElement {
  const isBare = of.every((p) => !p.serial && !p.source && !p.came_with && p.state !== 'rejected')
  if (isBare) return <Typography variant="body2">{of.map((p) => say('records.pipe', { number: p.number })).join(' · ')}</Typography>
  return (
    <>
      {of.map((pipe) => (
        <PipeLine key={pipe.number} pipe={pipe} />
      ))}
    </>
  )
}

function PipeLine({ pipe }: { pipe: Pipe }): ReactElement {
  const said = [
    pipe.serial ? say('records.serialOf', { serial: pipe.serial }) : '',
    pipe.source ? say('records.fromOf', { source: pipe.source }) : '',
    pipe.state === 'rejected' && pipe.reason ? say('records.rejectedFor', { reason: pipe.reason }) : '',
  ].filter(Boolean)
  return (
    <Typography variant="body2">
      {[say('records.pipe', { number: pipe.number }), ...said].join(' · ')}
      {pipe.came_with && (
        <>
          {' · '}
          <MuiLink component={Link} to={pageOf('stretch', pipe.came_with.id)}>
            {pipe.came_with.name}
          </MuiLink>
        </>
      )}
    </Typography>
  )
}
