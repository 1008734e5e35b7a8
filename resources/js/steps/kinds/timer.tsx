import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { rightNow } from '../../api/serverClock'
import { deviceTime } from '../../outbox/deviceTime'
import { Sheet } from '../../ui/Sheet'
import { hourMinute } from '../../ui/clock'
import { Waiting } from '../../ui/Waiting'
import { earlyBy } from '../../ui/wait'
import { useNow } from '../../ui/useNow'
import type { Entering, KindView } from './kind'
import { say } from '../../texts/say'

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`

/** The clock whose waiting ends with this step, and the time at which it ended. */
function Enter({ text, state, data, onRecord }: Entering): ReactElement {
  const now = useNow(500)
  const [time, setTime] = useState('')
  const [early, setEarly] = useState<Date | null>(null)
  const field = text.fields![0]!
  const clock = data.judgement.clocks.find((c) => c.until === state.key)
  const free = clock ? Date.parse(clock.at) : null
  const isEarly = free !== null && free > now
  const zone = data.line.time_zone
  const record = (at: Date): void => onRecord({ [field.key]: deviceTime(at) })
  // What spoils a joint takes two taps, the second of them beside what it costs.
  const done = (at: Date): void => (free !== null && at.getTime() < free ? setEarly(at) : record(at))
  const says = early && free !== null ? earlyBy(free - early.getTime()) : null
  return (
    <Box sx={{ my: 1 }}>
      {free === null ? null : isEarly ? (
        <Waiting label={clock!.label} at={free} now={now} zone={zone} />
      ) : (
        <Typography role="timer" sx={{ fontSize: '2.2rem', fontWeight: 700, lineHeight: 1.2, my: 1 }}>
          {say('steps.freeSince', { clock: hourMinute(free, zone) })}
        </Typography>
      )}
      <Typography sx={{ mb: 1.5 }}>
        {free === null
          ? say('steps.theClockStartsWhenWhatComes')
          : sentence(isEarly ? (clock?.meanwhile ?? say('steps.leaveItAsItIs')) : (clock?.free ?? say('common.theTimeIsOver')))}
      </Typography>
      <Button variant={free === null || isEarly ? 'outlined' : 'contained'} fullWidth onClick={() => done(new Date(rightNow()))}>
        {say(isEarly ? 'steps.nowEarly' : 'steps.now', { label: field.label.replace(/ at$/, '') })}
      </Button>
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <TextField
          type="datetime-local"
          label={say('steps.orAt')}
          value={time}
          onChange={(e) => setTime(e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }}
        />
        <Button variant="outlined" disabled={!time} onClick={() => done(new Date(time))}>
          {say('steps.record')}
        </Button>
      </Box>
      {early && says && (
        <Sheet
          open
          onClose={() => setEarly(null)}
          title={say(says.id, says.values)}
          actions={
            <Button
              variant="contained"
              color="secondary"
              onClick={() => {
                record(early)
                setEarly(null)
              }}
            >
              {say('steps.recordAllTheSame')}
            </Button>
          }
        >
          <Typography>{say('steps.earlyCounts')}</Typography>
        </Sheet>
      )}
    </Box>
  )
}

export const timer: KindView = { Enter, again: say('steps.correctThis') }
