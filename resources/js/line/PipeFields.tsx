import { MenuItem, TextField } from '@mui/material'
import type { ReactElement } from 'react'
import type { Materials } from '../api/queries'
import { say } from '../texts/say'
import { nominalWord, SERIES } from '../ui/series'
import { inSeries, ofMaterial, wallFigures, type PipeFigure, type TypedPipe } from './pipeForm'

interface Props {
  pipe: TypedPipe
  materials: Materials
  faults: Record<string, string>
  /** @param fields what was touched */
  onChange: (pipe: TypedPipe, fields: (keyof TypedPipe)[]) => void
}

/** How a pipe is ordered: material, series, size and what says its wall. */
export function PipeFields({ pipe, materials, faults, onChange }: Props): ReactElement {
  const sold = materials[pipe.material]!
  const walls = wallFigures(pipe.material, materials)
  const figure = (key: PipeFigure, label: string, hint?: string): ReactElement => (
    <TextField
      label={label}
      value={pipe[key]}
      onChange={(e) => onChange({ ...pipe, [key]: e.target.value }, [key])}
      error={faults[key] !== undefined}
      helperText={faults[key] ?? hint}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
  return (
    <>
      <TextField
        select
        label={say('common.material')}
        value={pipe.material}
        error={faults['material'] !== undefined}
        helperText={faults['material']}
        onChange={(e) =>
          onChange(ofMaterial(pipe, e.target.value, materials), ['material', 'series', 'nominal', 'sdr', 'od_mm', 'wall_mm'])
        }
      >
        {Object.keys(materials).map((s) => (
          <MenuItem key={s} value={s}>
            {s}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={say('pipes.series')}
        value={pipe.series}
        error={faults['series'] !== undefined}
        helperText={faults['series']}
        onChange={(e) => onChange(inSeries(pipe, e.target.value), ['series', 'nominal'])}
      >
        {sold.series.map((value) => (
          <MenuItem key={value} value={value}>
            {SERIES[value]}
          </MenuItem>
        ))}
      </TextField>
      {figure('nominal', nominalWord(pipe.series))}
      {walls.includes('sdr') && figure('sdr', 'SDR')}
      {walls.includes('od_mm') && figure('od_mm', say('pipes.odMm'), say('line.asMarkedOnThePipe'))}
      {walls.includes('wall_mm') &&
        figure('wall_mm', say('line.wallMm'), sold.wall === 'class' ? say('line.emptyTheUsualClass') : undefined)}
    </>
  )
}
