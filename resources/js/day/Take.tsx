import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { api, type DayAsked, type DayPage, type LineFull } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { dayAndTime } from '../ui/clock'
import { Refused } from '../ui/Refused'

/** The days as they stand become the plan that those to come are held against; what was to hand is remembered with it. */
export function Take({ line, page, asked }: { line: LineFull; page: DayPage; asked: DayAsked }): ReactElement {
  const take = useVerb(() => api.post<DayPage>(`/lines/${line.id}/day`, asked))
  const taken = page.taken
  return (
    <Box sx={{ mt: 2 }}>
      {taken && (
        <Typography sx={{ mb: 1 }}>
          {taken.section === page.section
            ? say('day.takenBy', { by: taken.by, at: dayAndTime(taken.at, line.time_zone) })
            : say('day.takenOfAnother', { by: taken.by, at: dayAndTime(taken.at, line.time_zone) })}
        </Typography>
      )}
      {page.may_take && page.joints.length + page.attached.length > 0 && (
        <Button variant="outlined" disabled={take.busy} onClick={() => take.run()}>
          {taken ? say('day.takeAnew') : say('day.take')}
        </Button>
      )}
      <Refused why={take.fault} />
    </Box>
  )
}
