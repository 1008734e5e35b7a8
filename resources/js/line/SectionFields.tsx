import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { ProcedureShort } from '../api/client'
import { say } from '../texts/say'
import { ProcedureChoice } from '../ui/ProcedureChoice'
import { RULES, type SectionRow, type SectionUnits } from './sectionForm'

interface Props {
  row: SectionRow
  units: SectionUnits
  methods: ProcedureShort[]
  fault: string | undefined
  onChange: (row: SectionRow) => void
  onRemove?: (() => void) | undefined
}

/** What an engineer states of a section to be tested. */
export function SectionFields({ row, units, methods, fault, onChange, onRemove }: Props): ReactElement {
  const change = (key: keyof SectionRow) => (e: { target: { value: string } }) => onChange({ ...row, [key]: e.target.value })
  const unit = (label: string, symbol: string): string => `${label}, ${symbol}`
  const decimal = { htmlInput: { inputMode: 'decimal' as const } }
  const metres = units.length.symbol
  const chosen = methods.find((method) => method.hash === row.method)
  const isAtGauge = chosen?.at_gauge ?? true
  const isWater = (chosen?.medium ?? 'water') === 'water'
  // Of a test with gas the pressure says what it stores.
  const isPressureAsked = isAtGauge || chosen?.medium === 'gas'
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1.4fr 1fr 1fr', borderTop: 1, borderColor: 'divider', pt: 2 }}>
      <TextField label={say('line.name')} value={row.name} onChange={change('name')} />
      <TextField label={unit(say('line.from'), metres)} value={row.from} onChange={change('from')} error={!!fault} slotProps={decimal} />
      <TextField label={unit(say('line.to'), metres)} value={row.to} onChange={change('to')} error={!!fault} slotProps={decimal} />
      <Box sx={{ gridColumn: '1 / -1', display: 'grid' }}>
        <ProcedureChoice
          label={say('line.testMethod')}
          of={methods}
          value={row.method}
          onChange={(hash) => onChange({ ...row, method: hash })}
          fault={fault}
        />
      </Box>
      {isPressureAsked && (
        <TextField
          select
          label={say('line.testPressure')}
          value={row.rule}
          onChange={change('rule')}
          sx={{ gridColumn: row.rule === 'factor' ? 'span 2' : '1 / -1' }}
        >
          {Object.entries(RULES).map(([rule, text]) => (
            <MenuItem key={rule} value={rule}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
      {isPressureAsked && row.rule === 'factor' && (
        <TextField label={say('line.factor')} value={row.factor} onChange={change('factor')} slotProps={decimal} />
      )}
      {isAtGauge && (
        <>
          <TextField
            label={unit(say('line.mostTheWeakestPartMaySee'), units.pressure.symbol)}
            value={row.most}
            onChange={change('most')}
            placeholder={say('common.notStated')}
            helperText={row.most === '' ? say('line.notStatedNoPointSeesMore') : undefined}
            slotProps={{ ...decimal, inputLabel: { shrink: true } }}
            sx={{ gridColumn: '1 / -1' }}
          />
          <TextField
            label={unit(say('line.gaugeAt'), metres)}
            value={row.gauge}
            onChange={change('gauge')}
            placeholder={row.from}
            slotProps={{ ...decimal, inputLabel: { shrink: true } }}
          />
        </>
      )}
      {isWater && (
        <>
          <TextField
            label={unit(say('line.water'), units.temperature.symbol)}
            value={row.water}
            onChange={change('water')}
            slotProps={decimal}
          />
          <TextField label={unit(say('line.fillAt'), units.flow.symbol)} value={row.fill} onChange={change('fill')} slotProps={decimal} />
        </>
      )}
      {onRemove && (
        <Button
          onClick={onRemove}
          sx={{ gridColumn: '1 / -1', justifySelf: 'start', px: 0 }}
          aria-label={say('line.removeSection', { name: row.name })}
        >
          <Typography>{say('line.remove')}</Typography>
        </Button>
      )}
    </Box>
  )
}
