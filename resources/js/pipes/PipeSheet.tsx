import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type LineFull, type LinePipe } from '../api/client'
import { useVerb } from '../api/useVerb'
import { figureOf, noFigure } from '../ui/figureOf'
import { nominalWord, SERIES } from '../ui/series'
import { Sheet } from '../ui/Sheet'
import { say } from '../texts/say'

const FIGURES = ['nominal', 'sdr', 'length_m'] as const

interface Form {
  number: string
  serial: string
  source: string
  material: string
  series: string
  nominal: string
  sdr: string
  length_m: string
}

function begun(line: LineFull, pipe: LinePipe | null): Form {
  const size = pipe?.pipe ?? line.pipe
  return {
    number: pipe?.number ?? '',
    serial: pipe?.serial ?? '',
    source: pipe?.source ?? '',
    material: size.material,
    series: size.series ?? 'metric',
    nominal: String(figureOf((size.size ?? '').split(' ')[0] ?? '') ?? size.dn_mm),
    sdr: String(size.sdr),
    length_m: String(pipe?.length_m ?? line.pipe_length_m),
  }
}

/** What a pipe is, where it differs from what was planned. */
export function PipeSheet({ line, pipe, onClose }: { line: LineFull; pipe: LinePipe | null; onClose: () => void }): ReactElement {
  const [form, setForm] = useState(() => begun(line, pipe))
  const [faults, setFaults] = useState<Record<string, string>>({})
  const keep = useVerb(
    () => {
      const body = { ...form, ...Object.fromEntries(FIGURES.map((key) => [key, figureOf(form[key])])) }
      return pipe ? api.patch(`/pipes/${pipe.id}`, body) : api.post(`/lines/${line.id}/pipes`, body)
    },
    onClose,
    setFaults,
  )
  const save = (): void => {
    const wrong = Object.fromEntries(
      FIGURES.flatMap((key) => {
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
  const choice = (key: 'material' | 'series', label: string, options: Record<string, string>): ReactElement => (
    <TextField select label={label} value={form[key]} onChange={(e) => setForm((old) => ({ ...old, [key]: e.target.value }))}>
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
        {choice('material', say('common.material'), { PE100: 'PE100', 'PVC-U': 'PVC-U' })}
        {choice('series', say('pipes.series'), SERIES)}
        {field('nominal', nominalWord(form.series), true)}
        {field('sdr', 'SDR', true)}
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
