import { Box } from '@mui/material'
import type { ReactElement } from 'react'
import { CouplerSection } from '../ui/CouplerSection'
import { degreesOf, Round } from '../ui/Round'

/** Radii as they lie round the pipe's own middle: the gauge seldom turns exactly there. */
export function centred(
  readings: Record<string, unknown>[],
  field: string,
  shape: Record<string, unknown>,
): { clock: string; value: number | null }[] {
  const [by, towards] = [Number(shape['ecc_mm'] ?? 0), Number(shape['ecc_deg'] ?? 0)]
  return readings.map((r) => {
    const clock = String(r['clock'])
    const value = r[field]
    return { clock, value: typeof value === 'number' ? value - by * Math.cos(((degreesOf(clock) - towards) * Math.PI) / 180) : null }
  })
}

/** A drawing beside a step: its shape and values come from the procedure. */
export function Figure({ figure }: { figure: Record<string, unknown> }): ReactElement | null {
  if (figure['shape'] === 'coupler') return <CouplerSection of={figure} />
  const readings = Array.isArray(figure['readings']) ? (figure['readings'] as Record<string, unknown>[]) : []
  const axis = typeof figure['axis_deg'] === 'number' ? figure['axis_deg'] : null
  if (figure['shape'] !== 'jaws' || readings.length === 0) return null
  return (
    <Box sx={{ maxWidth: 380, mx: 'auto' }}>
      <Round
        radii
        limit={typeof figure['limit_mm'] === 'number' ? figure['limit_mm'] : null}
        axisDeg={axis}
        jaws={axis !== null}
        readings={centred(readings, 'value_mm', figure)}
        centre={['jaws', axis === null ? 'no clear axis' : 'press here']}
      />
    </Box>
  )
}
