import { Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { useClockAhead } from './useServerClock'

const MINUTE_MS = 60_000

/** Says that the clock of this device is off: what is recorded is stamped by the clock of the server. */
export function ClockOff({ practice }: { practice: boolean }): ReactElement | null {
  const ahead = useClockAhead(practice)
  if (ahead === 0) return null
  return (
    <Typography role="status" className="no-print" sx={{ width: '100%', fontWeight: 700, color: 'secondary.main', order: 4 }}>
      {say(ahead > 0 ? 'ui.clockIsAhead' : 'ui.clockIsBehind', { by: duration(Math.abs(ahead)) })}
    </Typography>
  )
}

/** "2 h 5 min", "3 days": by how much, as one says it. */
export function duration(ms: number): string {
  const minutes = Math.round(ms / MINUTE_MS)
  const [days, hours] = [Math.round(minutes / 1440), Math.floor(minutes / 60)]
  if (minutes >= 2 * 1440) return say('ui.days', { count: days })
  return hours > 0 ? say('ui.hoursMinutes', { hours, minutes: minutes % 60 }) : say('ui.minutesOnly', { minutes })
}
