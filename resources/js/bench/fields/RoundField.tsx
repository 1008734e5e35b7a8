import { Box, MenuItem, TextField } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../../texts/say'
import { figureOf } from '../../ui/figureOf'
import { Round } from '../../ui/Round'

export interface Reading {
  clock: string
  value: string
}

/** How many places round the pipe can be read, and into how many the round is divided for them. */
const PLACES = [4, 6, 8, 12]

/** Half a round of diameters is the whole pipe. */
export const placesFor = (count: number, across: boolean): string[] =>
  Array.from({ length: count }, (_, i) => {
    const minutes = Math.round((i * (across ? 360 : 720)) / count)
    return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, '0')}`
  })

/** Readings round the pipe, typed at their places and drawn on its cross-section. */
export function RoundField({
  label,
  symbol,
  across,
  readings,
  onReadings,
}: {
  label: string
  symbol: string
  /** diameters: both ends of a direction are one reading */
  across: boolean
  readings: Reading[]
  onReadings: (readings: Reading[]) => void
}): ReactElement {
  const known = readings.filter((r) => figureOf(r.value) !== null).length
  return (
    <Box role="group" aria-label={label} sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '280px 1fr' }, columnGap: 3 }}>
      <Round
        size={280}
        across={across}
        readings={readings.map((r) => ({ clock: r.clock, value: figureOf(r.value) }))}
        centre={[say('bench.readOf', { known, of: readings.length }), symbol]}
      />
      <Box>
        <TextField
          select
          label={say('bench.placesRoundThePipe')}
          value={PLACES.includes(readings.length) ? readings.length : ''}
          onChange={(e) =>
            onReadings(
              placesFor(Number(e.target.value), across).map((clock) => ({
                clock,
                value: readings.find((r) => r.clock === clock)?.value ?? '',
              })),
            )
          }
          sx={{ mb: 1.5, minWidth: 200 }}
        >
          {PLACES.map((n) => (
            <MenuItem key={n} value={n}>
              {n}
            </MenuItem>
          ))}
        </TextField>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(120px, 1fr))', gap: 1 }}>
          {readings.map((r, i) => (
            <TextField
              key={r.clock}
              label={`${r.clock}, ${symbol}`}
              value={r.value}
              slotProps={{ htmlInput: { inputMode: 'decimal' } }}
              onChange={(e) => onReadings(readings.map((other, k) => (k === i ? { ...other, value: e.target.value } : other)))}
            />
          ))}
        </Box>
      </Box>
    </Box>
  )
}
