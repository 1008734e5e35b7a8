import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api, type LineFull } from '../api/client'
import { useMe, useProcedures, useUnits } from '../api/queries'
import { pageOf } from '../api/subject'
import { useVerb } from '../api/useVerb'
import { figureOf, noFigure } from '../ui/figureOf'
import { Sheet } from '../ui/Sheet'
import { shownAs } from '../ui/units'
import { say } from '../texts/say'

const FOOT_M = 0.3048

/** A stretch or a point of the line on which something is recorded that is no joint and no test. */
export function AddStretch({ onClose, line }: { onClose: () => void; line: LineFull }): ReactElement {
  const kinds = (useProcedures().data ?? []).filter((p) => p.family === 'stretch' && p.place !== 'line')
  const navigate = useNavigate()
  const [form, setForm] = useState({ hash: '', name: '', from: '', to: '' })
  const [faults, setFaults] = useState<Record<string, string>>({})
  const shown = shownAs('from_m', 'length', useMe().data?.units ?? 'metric', useUnits().data)
  const metres = (text: string): number => Math.round((figureOf(text) ?? NaN) * (shown.suffix === 'ft' ? FOOT_M : 1) * 1000) / 1000
  const chosen = form.hash || kinds[0]?.hash || ''
  const add = useVerb(
    () =>
      api.post<{ id: string }>(`/lines/${line.id}/stretches`, {
        procedure_hash: chosen,
        name: form.name.trim(),
        from_m: metres(form.from),
        to_m: form.to.trim() === '' ? null : metres(form.to),
      }),
    (made) => void navigate(pageOf('stretch', made.id)),
    setFaults,
  )
  const save = (): void => {
    const wrong: Record<string, string> = {}
    if (form.name.trim() === '') wrong['name'] = say('line.giveItANameSuchAs')
    const [from, to] = [noFigure(form.from), form.to.trim() === '' ? null : noFigure(form.to)]
    if (from) wrong['from_m'] = from
    if (to) wrong['to_m'] = to
    setFaults(wrong)
    if (Object.keys(wrong).length === 0) add.run()
  }
  const field = (key: 'name' | 'from' | 'to', of: string, label: string): ReactElement => (
    <TextField
      label={label}
      value={form[key]}
      onChange={(e) => setForm((old) => ({ ...old, [key]: e.target.value }))}
      error={faults[of] !== undefined}
      helperText={faults[of]}
      slotProps={{ htmlInput: { inputMode: key === 'name' ? 'text' : 'decimal' } }}
    />
  )
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('line.addAStretch')}
      actions={
        <Button variant="contained" disabled={add.busy} onClick={save}>
          {say('common.addIt')}
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gap: 2, mt: 1 }}>
        <TextField
          select
          label={say('line.whatIsRecorded')}
          value={chosen}
          onChange={(e) => setForm((old) => ({ ...old, hash: e.target.value }))}
          error={faults['procedure_hash'] !== undefined}
          helperText={faults['procedure_hash']}
        >
          {kinds.map((p) => (
            <MenuItem key={p.hash} value={p.hash}>
              {p.title}
            </MenuItem>
          ))}
        </TextField>
        {field('name', 'name', say('line.name'))}
        {field('from', 'from_m', say('line.fromChainage', { symbol: shown.symbol }))}
        {field('to', 'to_m', say('line.toChainageLeftOutAPoint', { symbol: shown.symbol }))}
        {faults['all'] && (
          <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700 }}>
            {faults['all']}
          </Typography>
        )}
      </Box>
    </Sheet>
  )
}
