import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { deviceTime } from '../../outbox/outbox'
import { useNow } from '../../ui/useNow'
import type { Entering, KindView } from './kind'
import { say } from '../../texts/say'

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`

/** The clock whose waiting ends with this step, and the time at which it ended. */
function Enter({ text, state, data, onRecord }: Entering): ReactElement {
  const now = useNow(500)
  const [time, setTime] = useState('')
  const field = text.fields![0]!
  const clock = data.judgement.clocks.find((c) => c.until === state.key)
  const left = clock ? Math.max(0, Math.ceil((Date.parse(clock.at) - now) / 1000)) : null
  return (
    <Box sx={{ my: 1 }}>
      <Typography
        role="timer"
        sx={{
          fontSize: { xs: '4rem', md: '5rem' },
          fontWeight: 700,
          lineHeight: 1.1,
          color: left === 0 ? 'text.primary' : 'secondary.main',
        }}
      >
        {left === null ? '–' : left === 0 ? say('steps.free') : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`}
      </Typography>
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        {left === null
          ? say('steps.theClockStartsWhenWhatComes')
          : left === 0
            ? sentence(clock?.free ?? say('common.theTimeIsOver'))
            : sentence(clock?.meanwhile ?? say('steps.leaveItAsItIs'))}
      </Typography>
      <Button variant={left === 0 ? 'contained' : 'outlined'} fullWidth onClick={() => onRecord({ [field.key]: deviceTime() })}>
        {say('steps.now', { label: field.label.replace(/ at$/, ''), early: left === 0 ? '' : say('steps.beforeItsTime') })}
      </Button>
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <TextField
          type="datetime-local"
          label={say('steps.orAt')}
          value={time}
          onChange={(e) => setTime(e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }}
        />
        <Button variant="outlined" disabled={!time} onClick={() => onRecord({ [field.key]: deviceTime(new Date(time)) })}>
          {say('steps.record')}
        </Button>
      </Box>
    </Box>
  )
}

export const timer: KindView = { Enter, again: say('steps.correctThis') }
