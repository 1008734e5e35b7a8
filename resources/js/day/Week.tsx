import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { DayPage } from '../api/client'
import { say } from '../texts/say'
import { shortDay } from '../ui/clock'
import { useShow } from '../ui/units'
import { behindBy } from './behind'
import { dateOf } from './spells'

type Day = DayPage['days'][number]
const isEmpty = (day: Day): boolean => [day.made, day.to_come, day.plan].every((of) => !of || of.joints + of.tests === 0)

/** Day by day: what was done, what is to come, and what was planned where that is another figure. */
export function Week({ page, zone }: { page: DayPage; zone: string }): ReactElement {
  const show = useShow()
  const today = dateOf(Date.parse(page.now), zone)
  const days = page.days.filter((day) => day.date === today || !isEmpty(day))
  const behind = behindBy(page.days, today)
  const metres = (m: number): string => show('x_m', 'length', m, 0)
  const figure = (day: Day, of: (done: Day['made']) => number, said: (value: number) => string): ReactElement => {
    const [made, coming, plan] = [of(day.made), of(day.to_come), day.plan ? of(day.plan) : null]
    const isOther = plan !== null && plan !== made + coming
    return (
      <Box component="td" sx={{ py: 0.75, pr: 1.5, verticalAlign: 'top' }}>
        {made > 0 && <strong>{said(made)}</strong>}
        {made > 0 && coming > 0 && ' + '}
        {coming > 0 && said(coming)}
        {made + coming === 0 && '–'}
        {isOther && <Typography variant="body2">{say('day.planned', { value: said(plan) })}</Typography>}
      </Box>
    )
  }
  return (
    <Box component="section" aria-labelledby="week" sx={{ mt: 3 }}>
      <Typography id="week" variant="h2" sx={{ mb: 1 }}>
        {say('day.dayByDay')}
      </Typography>
      {behind && (
        <Typography sx={{ mb: 1, fontWeight: 700 }}>
          {behind.joints > 0
            ? say('day.behind', { count: behind.joints, metres: metres(behind.metres) })
            : behind.joints < 0
              ? say('day.ahead', { count: -behind.joints, metres: metres(-behind.metres) })
              : say('day.asPlanned')}
        </Typography>
      )}
      <Box component="table" sx={{ width: '100%', borderCollapse: 'collapse', '& tr': { borderTop: 1, borderColor: 'divider' } }}>
        <thead>
          <tr>
            {[say('day.day'), say('common.joints'), say('day.pipeLaid'), say('day.tests')].map((head) => (
              <Box component="th" key={head} sx={{ textAlign: 'left', fontWeight: 400, color: 'text.secondary', py: 0.5 }}>
                {head}
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          {days.map((day) => (
            <tr key={day.date} aria-current={day.date === today ? 'date' : undefined}>
              <Box component="th" scope="row" sx={{ textAlign: 'left', py: 0.75, pr: 1.5, fontWeight: day.date === today ? 700 : 400 }}>
                {day.date === today ? say('day.today') : shortDay(day.date)}
              </Box>
              {figure(day, (done) => done.joints, String)}
              {figure(day, (done) => done.metres, metres)}
              {figure(day, (done) => done.tests, String)}
            </tr>
          ))}
        </tbody>
      </Box>
      <Typography variant="body2" sx={{ mt: 0.5 }}>
        {say('day.boldIsDone')}
      </Typography>
    </Box>
  )
}
