import { Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import { say } from '../texts/say'
import type { RunningClock } from '../ui/useClocks'
import { clockAndCountdown } from '../ui/useNow'

/** Restraints of one joint that cool together stand on one line: the last of them counts. */
export function Clocks({ clocks, now, zone }: { clocks: RunningClock[]; now: number; zone: string }): ReactElement {
  const groups = new Map<string, RunningClock[]>()
  for (const k of clocks) {
    const key = k.joint.host_id ? `${k.joint.host_id}/${k.name}` : k.joint.id
    groups.set(key, [...(groups.get(key) ?? []), k])
  }
  return (
    <>
      {[...groups.values()].map((group) => {
        const last = group[group.length - 1]!
        const host = last.joint.host_id
        return (
          <Typography key={last.joint.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, fontSize: '1.1rem' }}>
            <MuiLink component={Link} to={`/joints/${host && group.length > 1 ? host : last.joint.id}`}>
              {group.length > 1 ? say('line.restraints', { count: group.length }) : say('common.joint', { number: last.joint.number })}
            </MuiLink>
            : {last.label.toLowerCase()}
            {last.at > 0 && (
              <>
                {' '}
                <strong>{clockAndCountdown(new Date(last.at).toISOString(), now, zone)}</strong>
              </>
            )}
          </Typography>
        )
      })}
    </>
  )
}
