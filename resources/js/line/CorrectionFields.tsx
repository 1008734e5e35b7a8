import { Box, TextField, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { LineFull } from '../api/client'
import { useProcedures, type Materials } from '../api/queries'
import { say } from '../texts/say'
import { ProcedureChoice } from '../ui/ProcedureChoice'
import type { Corrections } from './corrections'
import { PipeFields } from './PipeFields'
import { suitedTo } from './pipeForm'
import type { SectionUnits } from './sectionForm'

interface Props {
  line: LineFull
  typed: Corrections
  units: SectionUnits
  materials: Materials
  faults: Record<string, string>
  onChange: (typed: Corrections) => void
}

/** Pressures, pipe and procedure of a line: for what nobody has begun. */
export function CorrectionFields({ line, typed, units, materials, faults, onChange }: Props): ReactElement {
  const procedures = useProcedures({ service: line.service, ...suitedTo(typed.pipe, materials) })
  const joints = (procedures.data ?? []).filter((p) => p.family === 'joint' && (p.place ?? 'in-line') === 'in-line')
  const grid = { display: 'grid', gap: 2, gridTemplateColumns: { xs: 'minmax(0,1fr)', sm: 'repeat(2, minmax(0,1fr))' } }
  const pressure = (key: 'design_bar' | 'mdp_bar', label: string): ReactElement => (
    <TextField
      label={`${label}, ${units.pressure.symbol}`}
      value={typed[key]}
      onChange={(e) => onChange({ ...typed, [key]: e.target.value })}
      error={faults[key] !== undefined}
      helperText={faults[key]}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
  return (
    <>
      <Typography variant="h2">{say('line.correctPressures')}</Typography>
      <Typography>{say('line.correctPressuresHint')}</Typography>
      <Box sx={grid}>
        {pressure('design_bar', say('line.designPressure'))}
        {pressure('mdp_bar', say('line.maximumDesignPressure'))}
      </Box>
      <Typography variant="h2">{say('line.correctPipe')}</Typography>
      <Typography>{say('line.correctPipeHint')}</Typography>
      <Box sx={grid}>
        <PipeFields pipe={typed.pipe} materials={materials} faults={faults} onChange={(pipe) => onChange({ ...typed, pipe })} />
      </Box>
      <ProcedureChoice
        label={say('line.procedureForTheJoints')}
        of={joints}
        value={joints.some((p) => p.hash === typed.procedure) ? typed.procedure : ''}
        onChange={(procedure) => onChange({ ...typed, procedure })}
        fault={faults['procedure_hash']}
        hint={joints.find((p) => p.hash === typed.procedure)?.school}
      />
    </>
  )
}
