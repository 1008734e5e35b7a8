import { Box, Switch, TextField, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { LayingPage } from '../api/client'
import { say } from '../texts/say'
import { useShow, type Shown } from '../ui/units'
import { smallUnit, type Asked } from './asked'
import { Figure, type Figured } from './Figure'

interface Props {
  page: LayingPage
  asked: Asked
  unit: Shown
  faults: Record<string, string>
  onAsked: (asked: Asked) => void
}

interface Typed extends Figured {
  key: Exclude<keyof Asked, 'stock' | 'limit_source' | 'allow_phase_cuts' | 'bends' | 'ground'>
}

/** What the plan keeps to: the angle and its source, how much of it is used, pieces, gaps, tolerance, where the last pipe lies. */
export function Rules({ page, asked, unit, faults, onAsked }: Props): ReactElement {
  const show = useShow()
  const { symbol, per } = smallUnit(unit)
  const long = { symbol: unit.symbol, out: (v: number) => unit.fromKey(v), back: (v: number) => unit.toKey(v) }
  const short = { symbol, out: (v: number) => v * per, back: (v: number) => v / per }
  const fields: Typed[] = [
    { key: 'max_joint_angle_deg', label: 'laying.largestAngle', symbol: '°', out: (v) => v, back: (v) => v },
    { key: 'working_share', label: 'laying.shareUsed', symbol: '%', out: (v) => v * 100, back: (v) => v / 100 },
    { key: 'min_piece_m', label: 'laying.shortestPiece', ...long },
    { key: 'joint_allowance_m', label: 'laying.gapKept', ...short },
    { key: 'side_tol_m', label: 'laying.offSideways', ...short, free: true },
    { key: 'level_tol_m', label: 'laying.offInLevel', ...short, free: true },
    // Of an older plan, which knew one figure for both.
    ...((asked.barrel_tol_m ?? null) === null
      ? []
      : ([{ key: 'barrel_tol_m', label: 'laying.mayLieOff', ...short, free: true }] as Typed[])),
    ...(page.face === null
      ? []
      : ([
          { key: 'off_right_m', label: 'laying.liesRight', ...short },
          { key: 'off_up_m', label: 'laying.liesAbove', ...short },
        ] as Typed[])),
  ]
  return (
    <Box component="section" aria-labelledby="rules" sx={{ mt: 3, display: 'grid', gap: 1.5 }}>
      <Typography id="rules" variant="h2">
        {say('laying.whatItKeepsTo')}
      </Typography>
      <Typography>
        {page.turns
          ? say('laying.procedureSays', { angle: `${page.turns.limit_deg}°`, source: page.turns.source })
          : say('laying.procedureSaysNothing')}
      </Typography>
      {!page.turns && (
        <TextField
          label={say('laying.whoseAngle')}
          defaultValue={asked.limit_source ?? ''}
          onBlur={(e) => onAsked({ ...asked, limit_source: e.target.value.trim() || null })}
          error={!!faults['limit_source']}
          helperText={faults['limit_source']}
        />
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        {fields.map((field) => (
          <Figure
            key={`${field.key}-${String(asked[field.key])}-${field.symbol}`}
            field={field}
            value={asked[field.key] ?? null}
            fault={faults[field.key] ?? null}
            onValue={(value) => onAsked({ ...asked, [field.key]: value })}
          />
        ))}
      </Box>
      {page.face !== null && (
        <Typography variant="body2">
          {say('laying.lastPipe', { pipe: page.pipe, at: show('x_m', 'length', page.from_m, 2), joint: page.face })}
        </Typography>
      )}
      <Box component="label" sx={{ display: 'flex', gap: 1, alignItems: 'center', minHeight: 56, cursor: 'pointer' }}>
        <Switch
          checked={asked.allow_phase_cuts ?? false}
          onChange={(e) => onAsked({ ...asked, allow_phase_cuts: e.target.checked })}
          sx={{ '& .Mui-checked + .MuiSwitch-track': { bgcolor: 'text.primary' } }}
        />
        {say('laying.cutsWithinAllowed')}
      </Box>
    </Box>
  )
}
