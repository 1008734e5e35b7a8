import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useStores, type InputSchema } from '../../api/queries'
import { say } from '../../texts/say'
import { columnsOf, kindOf, rangeOf, roundUnit, written, type ShownOf, type Typed } from '../typed'
import { codeWords, inputWords } from '../words'
import { RoundField, placesFor, type Reading } from './RoundField'
import { RowsField } from './RowsField'
import { SeriesField } from './SeriesField'

interface Props {
  calculation: string
  name: string
  schema: InputSchema
  required: boolean
  value: Typed | undefined
  shown: ShownOf
  fault: string | null
  onValue: (value: Typed) => void
}

/** Kinds that need the whole width. */
export const isWide = (schema: InputSchema): boolean =>
  ['round', 'table', 'series', 'part', 'signs', 'file', 'order', 'parts'].includes(kindOf(schema))

/** One input by its name in words, with unit, range, what it is and where it is read. */
export function InputField({ calculation, name, schema, required, value, shown, fault, onValue }: Props): ReactElement {
  const words = inputWords(calculation, name, schema)
  const kind = kindOf(schema)
  const { symbol } = shown(name, schema)
  const unit = kind === 'figure' ? symbol || percentOf(name) : ''
  const label = [words.name, unit].filter((part) => part !== '').join(', ') + (required ? '' : say('bench.suffixIfKnown'))
  const help = [
    words.about || schema.description || '',
    kind === 'figure' ? allowed(name, schema, shown) : '',
    otherwise(name, schema, shown),
  ]
    .filter((part) => part !== '')
    .join(' · ')
  const text = typeof value === 'string' ? value : ''
  const props = {
    label,
    value: text,
    error: fault !== null,
    helperText: fault ?? help,
    onChange: (e: { target: { value: string } }) => onValue(e.target.value),
  }
  const options = (list: [string, string][]): ReactElement => (
    <TextField select {...props}>
      <MenuItem value="">–</MenuItem>
      {list.map(([v, l]) => (
        <MenuItem key={v} value={v}>
          {l}
        </MenuItem>
      ))}
    </TextField>
  )
  const framed = (inside: ReactElement): ReactElement => (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
      <Typography component="legend" sx={{ fontWeight: 700, p: 0 }}>
        {label}
      </Typography>
      <Typography variant="body2" sx={{ mb: 1, color: fault ? 'secondary.main' : undefined, fontWeight: fault ? 700 : 400 }}>
        {fault ?? help}
      </Typography>
      {inside}
    </Box>
  )
  switch (kind) {
    case 'choice':
      return options(schema.enum!.map((o) => [o, codeWords(o, calculation)]))
    case 'flag':
      return options([
        ['true', say('common.yes')],
        ['false', say('common.no')],
      ])
    case 'time':
    case 'day':
      return <TextField {...props} type={kind === 'day' ? 'date' : 'datetime-local'} slotProps={{ inputLabel: { shrink: true } }} />
    case 'layout':
      return <LayoutChoice {...props} />
    case 'series': {
      const rows = Array.isArray(value) ? (value as string[][]) : []
      return framed(<SeriesField label={words.name} columns={columnsOf(schema)} rows={rows} onRows={onValue} />)
    }
    case 'round': {
      const across = Object.keys(schema.items?.properties ?? {}).some((key) => key.startsWith('d_'))
      const readings = Array.isArray(value) ? (value as unknown as Reading[]) : placesFor(4, across).map((clock) => ({ clock, value: '' }))
      return framed(
        <RoundField
          label={words.name}
          symbol={roundUnit(schema, shown).symbol}
          across={across}
          readings={readings}
          onReadings={(read) => onValue(read as unknown as Typed)}
        />,
      )
    }
    case 'table': {
      const properties = Object.entries(schema.items?.properties ?? {})
      const rows = Array.isArray(value) ? (value as Record<string, string>[]) : []
      return framed(
        <RowsField
          label={words.name}
          columns={properties.map(([key, s]) => ({
            key,
            name: [inputWords(calculation, key, s).name, shown(key, s).symbol || percentOf(key)].filter((p) => p !== '').join(', '),
            ...(s.enum ? { options: s.enum.map((o) => ({ value: o, label: codeWords(o, calculation) })) } : {}),
            time: kindOf(s) === 'time',
          }))}
          rows={rows.map((row) => properties.map(([key]) => String(row[key] ?? '')))}
          onRows={(all) => onValue(all.map((cells) => Object.fromEntries(properties.map(([key], i) => [key, cells[i] ?? '']))))}
        />,
      )
    }
    case 'part': {
      const part = value !== undefined && typeof value === 'object' && !Array.isArray(value) ? value : {}
      return framed(
        <Box
          sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2, pl: 2, borderLeft: 3, borderColor: 'divider' }}
        >
          {Object.entries(schema.properties ?? {}).map(([key, s]) => (
            <Box key={key} sx={{ gridColumn: isWide(s) ? '1 / -1' : undefined, minWidth: 0 }}>
              <InputField
                calculation={calculation}
                name={key}
                schema={s}
                required={schema.required?.includes(key) ?? false}
                value={part[key]}
                shown={shown}
                fault={null}
                onValue={(v) => onValue({ ...part, [key]: v })}
              />
            </Box>
          ))}
        </Box>,
      )
    }
    case 'signs': {
      const said = value !== undefined && typeof value === 'object' && !Array.isArray(value) ? (value as Record<string, string>) : {}
      return framed(
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 }}>
          {(schema['x-names'] ?? []).map((sign) => (
            <TextField
              key={sign}
              select
              label={codeWords(sign, calculation)}
              value={said[sign] ?? ''}
              onChange={(e) => onValue({ ...said, [sign]: e.target.value })}
            >
              <MenuItem value="">{say('bench.notLookedAt')}</MenuItem>
              <MenuItem value="true">{say('common.yes')}</MenuItem>
              <MenuItem value="false">{say('common.no')}</MenuItem>
              <MenuItem value="n/a">{codeWords('n/a')}</MenuItem>
            </TextField>
          ))}
        </Box>,
      )
    }
    case 'order':
    case 'parts':
      return <TextField {...props} multiline minRows={3} maxRows={12} />
    case 'file':
      return framed(
        <Box>
          <Button component="label" variant="outlined">
            {say('bench.loadAFile')}
            <input type="file" hidden accept=".csv,.txt" onChange={(e) => void e.target.files?.[0]?.text().then(onValue)} />
          </Button>
          <TextField
            multiline
            minRows={3}
            maxRows={8}
            fullWidth
            label={say('bench.orPasteIt')}
            value={text}
            onChange={(e) => onValue(e.target.value)}
            sx={{ mt: 1 }}
          />
        </Box>,
      )
    default:
      return <TextField {...props} slotProps={kind === 'figure' ? { htmlInput: { inputMode: 'decimal' } } : {}} />
  }
}

/** Which digits hold what: chosen out of the layouts in the stores. */
function LayoutChoice(props: {
  value: string
  label: string
  helperText: string
  error: boolean
  onChange: (e: { target: { value: string } }) => void
}): ReactElement {
  const stores = useStores()
  const kept = (stores.data ?? []).flatMap((item) => {
    const layout = (item.snapshot as Record<string, unknown>)['layout']
    return layout === undefined ? [] : [{ name: item.name, value: JSON.stringify(layout) }]
  })
  const isKept = props.value === '' || kept.some((l) => l.value === props.value)
  return (
    <TextField select {...props}>
      <MenuItem value="">–</MenuItem>
      {!isKept && <MenuItem value={props.value}>{say('bench.layoutOfTheExample')}</MenuItem>}
      {kept.map((l) => (
        <MenuItem key={l.name} value={l.value}>
          {l.name}
        </MenuItem>
      ))}
    </TextField>
  )
}

const percentOf = (key: string): string => (/_(pct|percent)$/.test(key) ? '%' : /_deg$/.test(key) ? '°' : '')

function allowed(key: string, schema: InputSchema, shown: ShownOf): string {
  const { least, most, strict } = rangeOf(key, schema, shown)
  if (least !== null && most !== null) return say('bench.fromTo', { least, most })
  if (least !== null) return say(strict ? 'bench.over' : 'bench.atLeast', { least })
  return most === null ? '' : say('bench.atMost', { most })
}

/** What counts where it is left empty. */
function otherwise(key: string, schema: InputSchema, shown: ShownOf): string {
  const { default: value } = schema
  if (value === undefined) return ''
  const said =
    typeof value === 'boolean'
      ? say(value ? 'common.yes' : 'common.no').toLowerCase()
      : typeof value === 'number'
        ? written(Number(shown(key, schema).fromKey(value).toPrecision(4)))
        : codeWords(String(value))
  return say('bench.otherwise', { said })
}
