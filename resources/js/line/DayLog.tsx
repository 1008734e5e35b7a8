import { Box, Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { LineFull, LogEntry } from '../api/client'
import { useLog } from '../api/queries'
import { pageOf } from '../api/subject'
import { say } from '../texts/say'
import { dayOf, hourMinute } from '../ui/clock'

/** What was recorded last, under its day; the days of the place, not of the reader. */
export function DayLog({ line }: { line: LineFull }): ReactElement | null {
  const log = useLog(line.id)
  const days = new Map<string, LogEntry[]>()
  for (const entry of log.data ?? []) {
    const day = dayOf(entry.at, line.time_zone)
    days.set(day, [...(days.get(day) ?? []), entry])
  }
  if (days.size === 0) return null
  return (
    <Box component="section" aria-labelledby="log" sx={{ mt: 4 }}>
      <Typography id="log" variant="h2">
        {say('line.lately')}
      </Typography>
      {[...days].map(([day, entries]) => (
        <Box key={day} sx={{ mt: 1.5 }}>
          <Typography variant="h3" component="h3">
            {day}
          </Typography>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, columnGap: 6, columns: { xs: 1, md: 2 } }}>
            {entries.map((e) => (
              <Box component="li" key={`${e.id}${e.title}${e.at}`} sx={{ display: 'flex', gap: 1.5, py: 0.75, breakInside: 'avoid' }}>
                <Box component="span" sx={{ fontVariantNumeric: 'tabular-nums', color: 'text.secondary' }}>
                  {hourMinute(e.at, line.time_zone)}
                </Box>
                <span>
                  <MuiLink component={Link} to={pageOf(e.kind, e.id)}>
                    {e.name}
                  </MuiLink>{' '}
                  · {e.title}
                  {e.again ? ', again' : ''} · {e.by}
                </span>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  )
}
