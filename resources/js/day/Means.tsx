import { Box, Button, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { DayAsked, DayPage } from '../api/client'
import { say, type MessageId } from '../texts/say'
import { lasting } from './said'
import { WEEKDAYS } from './words'

interface Props {
  asked: DayAsked
  /** joints are fused: clamps and boxes count */
  isFused: boolean
  atWork: number
  inStores: DayPage['in_stores']
  faults: Record<string, string>
  onAsked: (asked: DayAsked) => void
}

const RAIN_STEP_MIN = 60

/** What the stores hold of it: in date, and for the pipe of this line. */
const stored = ({ usable, there }: { usable: number; there: number }): string =>
  there === 0 ? say('day.noneInStores') : say('day.inStores', { usable, there })

/** What there is, and when hands work; changed in place. */
export function Means({ asked, isFused, atWork, inStores, faults, onAsked }: Props): ReactElement {
  const set = (change: Partial<DayAsked>): void => onAsked({ ...asked, ...change })
  return (
    <Box component="section" aria-labelledby="means" sx={{ mt: 3 }}>
      <Typography id="means" variant="h2" sx={{ mb: 0.5 }}>
        {say('day.toHand')}
      </Typography>
      <Counter name="day.crews" value={asked.crews} least={1} onValue={(crews) => set({ crews })} />
      {isFused && (
        <>
          <Counter
            name="day.clamps"
            note={[stored(inStores.clamps), ...(atWork > 0 ? [say('day.atWork', { count: atWork })] : [])].join(' · ')}
            value={asked.clamps}
            least={1}
            onValue={(clamps) => set({ clamps })}
          />
          <Counter name="day.boxes" note={stored(inStores.boxes)} value={asked.boxes} least={1} onValue={(boxes) => set({ boxes })} />
        </>
      )}
      {asked.open_min != null && (
        <>
          <Counter name="day.plant" value={asked.plant ?? 1} least={1} onValue={(plant) => set({ plant })} />
          <Counter
            name="day.openAhead"
            note={say('day.openAheadNote')}
            value={asked.open_ahead ?? 0}
            least={0}
            onValue={(open_ahead) => set({ open_ahead })}
          />
        </>
      )}
      <Counter
        name="day.rain"
        value={asked.rain_min}
        shown={asked.rain_min === 0 ? say('day.noRain') : lasting(asked.rain_min)}
        least={0}
        step={RAIN_STEP_MIN}
        onValue={(rain_min) => set({ rain_min })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, mt: 2 }}>
        <Clock name="day.workFrom" value={asked.shift_from} fault={faults['shift_from']} onValue={(v) => v && set({ shift_from: v })} />
        <Clock name="day.workTo" value={asked.shift_to} fault={faults['shift_to']} onValue={(v) => v && set({ shift_to: v })} />
        <Clock name="day.pauseFrom" value={asked.pause_from ?? ''} onValue={(v) => set({ pause_from: v, pause_to: v && asked.pause_to })} />
        <Clock
          name="day.pauseTo"
          value={asked.pause_to ?? ''}
          fault={faults['pause_to']}
          onValue={(v) => set({ pause_to: v, pause_from: v && asked.pause_from })}
        />
      </Box>
      <ToggleButtonGroup
        fullWidth
        value={asked.work_days}
        aria-label={say('day.workDays')}
        sx={{ mt: 1.5 }}
        onChange={(_, days: number[]) => days.length > 0 && set({ work_days: [...days].sort() })}
      >
        {WEEKDAYS.map((weekday, i) => (
          <ToggleButton
            key={weekday}
            value={i + 1}
            sx={{
              minHeight: 56,
              px: 0,
              textTransform: 'none',
              fontSize: '1rem',
              color: 'text.primary',
              '&.Mui-selected, &.Mui-selected:hover': { bgcolor: 'text.primary', color: 'background.default' },
            }}
          >
            {say(weekday)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  )
}

function Counter({
  name,
  note = '',
  value,
  shown,
  least,
  step = 1,
  onValue,
}: {
  name: MessageId
  note?: string
  value: number
  shown?: string
  least: number
  step?: number
  onValue: (value: number) => void
}): ReactElement {
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1, alignItems: 'center' }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography>{say(name)}</Typography>
        {note !== '' && <Typography variant="body2">{note}</Typography>}
      </Box>
      <Button
        variant="outlined"
        sx={{ minWidth: 56, px: 0 }}
        aria-label={say('laying.oneFewer', { of: say(name) })}
        disabled={value - step < least}
        onClick={() => onValue(value - step)}
      >
        −
      </Button>
      <Typography role="status" aria-label={say(name)} sx={{ minWidth: 64, textAlign: 'center', fontSize: '1.3rem', fontWeight: 700 }}>
        {shown ?? value}
      </Typography>
      <Button
        variant="outlined"
        sx={{ minWidth: 56, px: 0 }}
        aria-label={say('laying.oneMore', { of: say(name) })}
        onClick={() => onValue(value + step)}
      >
        +
      </Button>
    </Box>
  )
}

function Clock({
  name,
  value,
  fault,
  onValue,
}: {
  name: MessageId
  value: string
  fault?: string | undefined
  onValue: (value: string | null) => void
}): ReactElement {
  return (
    <TextField
      type="time"
      label={say(name)}
      defaultValue={value}
      key={value}
      onBlur={(e) => e.target.value !== value && onValue(e.target.value === '' ? null : e.target.value)}
      error={!!fault}
      helperText={fault}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  )
}
