import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type LineFull, type LinePipe } from '../api/client'
import { useMaterials } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { orderedAs, type TypedPipe } from '../line/pipeForm'
import { figureOf, noFigure } from '../ui/figureOf'
import { nominalWord, SERIES } from '../ui/series'
import { Sheet } from '../ui/Sheet'
import { say } from '../texts/say'

const FIGURES = ['nominal', 'sdr', 'od_mm', 'wall_mm', 'length_m'] as const

/** Iron goes by its wall, the plastics by a ratio; where no table has the diameter, it is said too. */
const UNSAID = { ratio: ['od_mm', 'wall_mm'], class: ['od_mm', 'sdr'], measured: ['sdr'] } as const

interface Form extends TypedPipe {
  number: string
  serial: string
  source: string
  length_m: string
}

function begun(line: LineFull, pipe: LinePipe | null): Form {
  const size = pipe?.pipe ?? line.pipe
  return {
    number: pipe?.number ?? '',
    serial: pipe?.serial ?? '',
    source: pipe?.source ?? '',
    ...orderedAs(size),
    length_m: String(pipe?.length_m ?? line.pipe_length_m),
  }
}

/** What a pipe is, where it differs from what was planned. */
export function PipeSheet({ line, pipe, onClose }: { line: LineFull; pipe: LinePipe | null; onClose: () => void }): ReactElement {
  const [form, setForm] = useState(() => begun(line, pipe))
  const [faults, setFaults] = useState<Record<string, string>>({})
  const materials = useMaterials().data ?? {}
  const sold = materials[form.material]
  const unsaid: readonly string[] = UNSAID[sold?.wall ?? 'ratio']
  const figures = FIGURES.filter((key) => !unsaid.includes(key))
  const keep = useVerb(
    () => {
      const { sdr: _ratio, od_mm: _od, wall_mm: _wall, ...said } = form
      const body = { ...said, ...Object.fromEntries(figures.map((key) => [key, figureOf(form[key])])) }
      return pipe ? api.patch(`/pipes/${pipe.id}`, body) : api.post(`/lines/${line.id}/pipes`, body)
    },
    onClose,
    setFaults,
  )
  const save = (): void => {
    const wrong = Object.fromEntries(
      figures.flatMap((key) => {
        const why = noFigure(form[key])
        return why ? [[key, why]] : []
      }),
    )
    if (!pipe && form.number.trim() === '') wrong['number'] = say('pipes.giveTheNumberThatIsPainted')
    setFaults(wrong)
    if (Object.keys(wrong).length === 0) keep.run()
  }
  const field = (key: keyof Form, label: string, figure = false): ReactElement => (
    <TextField
      label={label}
      value={form[key]}
      error={faults[key] !== undefined}
      helperText={faults[key]}
      slotProps={{ htmlInput: { inputMode: figure ? 'decimal' : 'text' } }}
      onChange={(e) => setForm((old) => ({ ...old, [key]: e.target.value }))}
    />
  )
  /** Another material may come in other series. */
  const chosen = (old: Form, key: 'material' | 'series', value: string): Form => {
    const series = key === 'material' ? (materials[value]?.series ?? []) : []
    return { ...old, [key]: value, ...(series.length > 0 && !series.includes(old.series) ? { series: series[0]! } : {}) }
  }
  const choice = (key: 'material' | 'series', label: string, options: Record<string, string>): ReactElement => (
    <TextField select label={label} value={form[key]} onChange={(e) => setForm((old) => chosen(old, key, e.target.value))}>
      {Object.entries(options).map(([value, said]) => (
        <MenuItem key={value} value={value}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  )
  const known = ['number', 'serial', 'source', ...FIGURES]
  const rest = Object.entries(faults).filter(([key]) => !known.includes(key))
  return (
    <Sheet
      open
      onClose={onClose}
      title={pipe ? say('pipes.pipe', { number: pipe.number }) : say('pipes.addAPipe')}
      actions={
        <Button variant="contained" disabled={keep.busy} onClick={save}>
          {pipe ? say('pipes.keepItSo') : say('common.addIt')}
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gap: 2, mt: 1, gridTemplateColumns: '1fr 1fr' }}>
        {!pipe && field('number', say('pipes.numberOnThePipe'))}
        {field('serial', say('pipes.serialIfAny'))}
        {choice(
          'material',
          say('common.material'),
          Object.fromEntries([...new Set([form.material, ...Object.keys(materials)])].map((m) => [m, m])),
        )}
        {choice('series', say('pipes.series'), Object.fromEntries((sold?.series ?? [form.series]).map((s) => [s, SERIES[s] ?? s])))}
        {field('nominal', nominalWord(form.series), true)}
        {figures.includes('sdr') && field('sdr', 'SDR', true)}
        {figures.includes('od_mm') && field('od_mm', say('pipes.odMm'), true)}
        {figures.includes('wall_mm') && field('wall_mm', say('line.wallMm'), true)}
        {field('length_m', say('pipes.lengthM'), true)}
        {field('source', say('pipes.whereFrom'))}
      </Box>
      {rest.map(([key, message]) => (
        <Typography key={key} role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 1 }}>
          {message}
        </Typography>
      ))}
    </Sheet>
  )
}
