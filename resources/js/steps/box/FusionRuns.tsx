import { Box, Button, Typography } from '@mui/material'
import { useEffect, type ReactElement } from 'react'
import { store } from '../../outbox/db'
import { Message } from '../../texts/Message'
import { say } from '../../texts/say'
import { hourMinute } from '../../ui/clock'
import { FusionChart } from '../charts'
import type { useRun } from '../useRun'
import { Small } from './Small'

/** The fusion as it goes: what is left, whether the voltage holds, what comes after. */
export function FusionRuns({
  run: { run, come },
  keyOf,
  volts,
  planned,
  tolerance,
  cooling,
  precool,
  zone,
}: {
  run: NonNullable<ReturnType<typeof useRun>>
  keyOf: string
  volts: number | null
  planned: number | null
  tolerance: number | null
  cooling: number | null
  precool: number | null
  /** of the place */
  zone: string
}): ReactElement {
  const rows = run.samples.slice(0, come)
  // The button that starts it stands low on a phone: the eye goes up to the time that is left.
  useEffect(() => {
    if (Date.now() - run.startedAt < 2_000) document.getElementById('step-title')?.focus()
  }, [run.startedAt])
  const last = rows[rows.length - 1]
  const total = planned ?? run.samples[run.samples.length - 1]![0]!
  const left = Math.max(0, Math.ceil(total - (last?.[0] ?? 0)))
  const band = volts !== null && tolerance !== null ? [volts * (1 - tolerance / 100), volts * (1 + tolerance / 100)] : null
  const inside = !last || !band || (last[1]! >= band[0]! && last[1]! <= band[1]!)
  const after = new Date(Date.now() + (left / run.speed + (cooling ?? 0) * 60) * 1000)
  return (
    <Box>
      <Box sx={{ height: 10, bgcolor: (t) => t.colours.raised, borderRadius: 1, overflow: 'hidden', mt: 1 }} aria-hidden="true">
        <Box sx={{ height: '100%', width: `${Math.min(100, (100 * (last?.[0] ?? 0)) / total)}%`, bgcolor: 'text.primary' }} />
      </Box>
      <Typography role="timer" sx={{ fontSize: '1.6rem', fontWeight: 700, lineHeight: 1.05, mt: 1 }}>
        <Message
          id="ui.leftSeconds"
          values={{ seconds: left }}
          parts={[<Box component="span" sx={{ fontSize: { xs: '4.4rem', md: '5rem' } }} />]}
        />
      </Typography>
      <Typography sx={{ fontSize: '1.3rem', fontWeight: 700, color: inside ? 'text.primary' : 'secondary.main' }}>
        {last ? `${last[1]!.toFixed(1)} V, ${last[2]!.toFixed(1)} A` : say('steps.begins')}
        <Small>
          {band
            ? inside
              ? say('steps.insideToV', { low: band[0]!.toFixed(1), high: band[1]!.toFixed(1) })
              : say('steps.outsideToV', { low: band[0]!.toFixed(1), high: band[1]!.toFixed(1) })
            : ''}
        </Small>
      </Typography>
      <FusionChart rows={rows} volts={volts} tolerance={tolerance} planned={total} height={220} />
      <Typography sx={{ mt: 1 }}>
        {say('steps.then', {
          cooling:
            cooling !== null
              ? say('steps.minInTheClampUntouchedOff', { cooling, after: hourMinute(after, zone) })
              : precool !== null
                ? say('steps.minToCoolThenFeelThe', { precool })
                : say('steps.letItCool'),
          played: run.speed > 1 ? say('steps.playedTimesAsFastAsReal', { speed: run.speed }) : '',
        })}
      </Typography>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => void store.runs.update(keyOf, { stopped: true })}>
        {say('steps.stopIt')}
      </Button>
    </Box>
  )
}
