import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { tight } from '../ui/Verdict'
import { hourMinute } from '../ui/clock'
import { useDeviceNow } from '../ui/useNow'
import { useShow } from '../ui/units'
import { BandScale } from './BandScale'
import type { HoldNow } from './useHoldNow'

interface Props {
  /** what is to be done; null while nothing says it */
  said: HoldNow | null
  /** [min, kPa, …] as far as they have come */
  rows: number[][]
  /** ms of the device's clock at which the last one was read; null: it is played */
  readAt: number | null
  /** how many minutes of the log go by in one */
  speed: number
  /** of the place */
  zone: string
  /** above a pad: without the scale */
  compact?: boolean
}

/** At the trench: the pressure, the time to go, and what to do, in one sentence. */
export function GaugeNow({ said, rows, readAt, speed, zone, compact = false }: Props): ReactElement {
  const show = useShow()
  const now = useDeviceNow(1000)
  const last = rows[rows.length - 1]
  const pressure = (kpa: number): string => show('x_kpa', 'pressure', kpa)
  const figure = (kpa: number): string => pressure(kpa).split(' ')[0]!
  const unit = pressure(0).split(' ')[1] ?? ''
  const isOutside = said !== null && OUTSIDE.includes(said.act)
  const hasScale = said !== null && !compact
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: hasScale ? '130px 1fr' : '1fr', gap: compact ? 0.75 : 1.5, alignItems: 'center' }}>
      {hasScale && (
        <BandScale
          at={last?.[1] ?? said.p_kpa}
          target={said.target_kpa}
          least={said.least_kpa}
          most={said.most_kpa ?? null}
          text={figure}
        />
      )}
      <Box
        sx={compact ? { display: 'flex', justifyContent: 'space-between', alignItems: 'end' } : { textAlign: hasScale ? 'right' : 'left' }}
      >
        <Box>
          <Typography
            role="timer"
            sx={{
              fontSize: compact ? '3rem' : { xs: '4.2rem', md: '5rem' },
              fontWeight: 800,
              lineHeight: 1,
              color: isOutside ? 'secondary.main' : 'text.primary',
            }}
          >
            {last ? figure(last[1]!) : '–'}
          </Typography>
          <Typography>{readAt === null ? unit : say('steps.readSecondsAgo', { unit, ago: ago(now - readAt) })}</Typography>
        </Box>
        {said?.to_go_min !== undefined && (
          <Box sx={{ textAlign: 'right', mt: compact ? 0 : 2 }}>
            <Typography sx={{ fontSize: compact ? '2rem' : '2.4rem', fontWeight: 700, lineHeight: 1.1 }}>
              {say('steps.minutesToGo', { minutes: Math.ceil(said.to_go_min) })}
            </Typography>
            <Typography>
              {say('steps.toGoUntil', { clock: hourMinute((readAt ?? now) + (said.to_go_min * 60_000) / speed, zone) })}
            </Typography>
          </Box>
        )}
      </Box>
      {said && (
        <Box sx={{ gridColumn: '1 / -1', borderLeft: 6, borderColor: isOutside ? 'secondary.main' : 'divider', pl: 2, py: 0.5 }}>
          <Typography
            aria-live="polite"
            sx={{ fontSize: compact ? '1.15rem' : { xs: '1.3rem', md: '1.4rem' }, fontWeight: 700, lineHeight: 1.3 }}
          >
            {tight(sentence(said, pressure))}
          </Typography>
        </Box>
      )}
    </Box>
  )
}

/** What cannot wait: it is not where it should be. */
const OUTSIDE: HoldNow['act'][] = ['add-water', 'let-down', 'fell', 'over-most', 'too-fast']

const MINUTE_S = 60

const ago = (ms: number): string => {
  const seconds = Math.max(0, Math.round(ms / 1000))
  return seconds < 2 * MINUTE_S ? say('steps.secondsAgo', { seconds }) : say('steps.minutesAgo', { count: Math.floor(seconds / MINUTE_S) })
}

/** How a shut hold looks while it goes on; of the rest nothing is said yet. */
const LOOKS: Partial<Record<NonNullable<HoldNow['looks']>, string>> = {
  tight: say('steps.looksTight'),
  stabilising: say('steps.looksStabilising'),
  creep: say('steps.looksCreep'),
  temperature: say('steps.looksTemperature'),
  leak: say('steps.looksLeak'),
  rising: say('steps.looksRising'),
}

function sentence(said: HoldNow, pressure: (kpa: number) => string): string {
  const [target, off] = [pressure(said.target_kpa), pressure(said.off_kpa)]
  switch (said.act) {
    case 'raise':
      return say('steps.nowRaise', { target, need: pressure(said.need_kpa) })
    case 'add-water':
      return say('steps.nowAddWater', { target, off })
    case 'let-down':
      return say('steps.nowLetDown', { target, off })
    case 'fell':
      return say('steps.nowFell', { least: pressure(said.least_kpa) })
    case 'over-most':
      return say('steps.nowOverMost')
    case 'too-fast':
      return say('steps.nowTooFast', { rise: pressure(said.rise_kpa_min ?? 0) })
    case 'enough':
      return say('steps.nowHeld', { minutes: Math.floor(said.held_min) })
    case 'leave':
      return (said.looks && LOOKS[said.looks]) ?? say('steps.nowLeave')
  }
}
