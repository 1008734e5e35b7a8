import { Box } from '@mui/material'
import type { ReactElement } from 'react'
import { Assembly } from '../ui/Assembly'
import { CouplerSection } from '../ui/CouplerSection'
import { PieceBetween } from '../ui/PieceBetween'
import { Round } from '../ui/Round'
import { SocketSection } from '../ui/socket/SocketSection'
import { TrenchSection } from '../ui/TrenchSection'
import { say } from '../texts/say'

/** What a round shows: the value of each position that was read. */
export const shown = (readings: Record<string, unknown>[], field: string): { clock: string; value: number | null }[] =>
  readings.map((r) => ({ clock: String(r['clock']), value: typeof r[field] === 'number' ? r[field] : null }))

/** A drawing beside a step: its shape and values come from the procedure. */
export function Figure({ figure }: { figure: Record<string, unknown> }): ReactElement | null {
  if (figure['shape'] === 'coupler') return <CouplerSection of={figure} />
  if (figure['shape'] === 'piece-between') return <PieceBetween of={figure} />
  if (figure['shape'] === 'trench') return <TrenchSection of={figure} />
  if (figure['shape'] === 'assembly') return <Assembly of={figure} />
  if (figure['shape'] === 'socket') return <SocketSection of={figure} />
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
        readings={shown(readings, 'value_mm')}
        centre={['jaws', axis === null ? say('steps.noClearAxis') : say('steps.pressHere')]}
      />
    </Box>
  )
}
