import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { CodeLayout } from '../api/client'
import { figureOf } from '../ui/figureOf'
import { say } from '../texts/say'

/** What a fitting code may hold, in the order in which a person thinks of it; the first four are always wanted. */
const KNOWN: [string, string][] = [
  ['dn_mm', say('steps.sizeMm')],
  ['voltage_v', say('steps.voltageV')],
  ['resistance_mantissa', say('steps.resistanceDigits')],
  ['time', say('steps.fusionTime')],
  ['resistance_exponent', say('steps.resistanceDividedByTenToThe')],
  ['resistance_tol_pct', say('steps.toleranceOfTheResistance')],
  ['time_unit', say('steps.unitOfTheTime')],
  ['correction_pct_per_k', say('steps.changeOfTheTimePerK')],
  ['cooling_min', say('steps.coolingTimeMin')],
  ['kind', say('steps.kindOfFitting')],
  ['maker', say('steps.maker')],
]
const DIGITS = Array.from({ length: 24 }, (_, i) => i + 1)

const listOf = (values: Record<string, number | string> | undefined): string =>
  Object.entries(values ?? {})
    .map(([k, v]) => `${k} = ${v}`)
    .join(', ')
const pairs = (text: string): Record<string, string> =>
  Object.fromEntries(
    text
      .split(/[;\n]|,(?=[^,=]*=)/)
      .map((p) => p.split('=').map((s) => s.trim()))
      .filter((p) => p.length === 2 && p[0] !== '')
      .map((p) => [p[0]!, p[1]!]),
  )
/** What is no number goes to the server as it is, which says so. */
const parsed = (text: string): Record<string, number> =>
  Object.fromEntries(Object.entries(pairs(text)).map(([digits, value]) => [digits, figureOf(value) ?? (value as unknown as number)]))

/** The 24 digits as a strip; fields are laid on it row by row, or read from a file. */
export function LayoutEntry({
  value,
  onChange,
  fault,
}: {
  value: CodeLayout | null
  onChange: (layout: CodeLayout) => void
  fault?: string | undefined
}): ReactElement {
  const fields = value?.fields ?? {}
  const [said, setSaid] = useState<string | null>(null)
  const taken = new Map(
    Object.entries(fields).flatMap(([name, f]) =>
      Array.from({ length: Math.max(0, f.to - f.from + 1) }, (_, i) => [f.from + i, name] as const),
    ),
  )
  const put = (name: string, change: Record<string, unknown> | null): void => {
    const { [name]: before, ...rest } = fields
    onChange({ fields: change === null ? rest : { ...rest, [name]: { ...(before ?? { from: 1, to: 1 }), ...change } } } as CodeLayout)
  }
  const load = async (file: File): Promise<void> => {
    try {
      const read = JSON.parse(await file.text()) as CodeLayout & Record<string, unknown>
      onChange({ fields: read.fields ?? (read as unknown as CodeLayout['fields']) })
      setSaid(say('steps.read', { name: file.name }))
    } catch {
      setSaid(say('steps.theFileIsNoJsonNothing'))
    }
  }
  const left = KNOWN.filter(([name]) => !(name in fields))
  return (
    <Box sx={{ py: 1 }}>
      <Typography sx={{ mb: 1 }}>{say('steps.whichDigitsHoldWhat')}</Typography>
      <LayoutStrip layout={{ fields }} />
      {KNOWN.filter(([name]) => name in fields).map(([name, label]) => {
        const f = fields[name]!
        return (
          <Box
            key={name}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr 1fr', sm: '2fr 90px 90px 2fr auto' },
              gap: 1,
              alignItems: 'center',
              borderTop: 1,
              borderColor: 'divider',
              py: 1,
            }}
          >
            <Typography sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}>{label}</Typography>
            {(['from', 'to'] as const).map((end) => (
              <TextField
                key={end}
                select
                label={say('steps.lastDigit', { end })}
                value={f[end]}
                onChange={(e) => put(name, { [end]: Number(e.target.value) })}
                slotProps={{ htmlInput: { 'aria-label': say('steps.lastDigitOf', { label, end }) } }}
              >
                {DIGITS.slice(0, 23).map((d) => (
                  <MenuItem key={d} value={d}>
                    {d}
                    {taken.has(d) && taken.get(d) !== name ? ' ·' : ''}
                  </MenuItem>
                ))}
              </TextField>
            ))}
            {name === 'time_unit' ? (
              <TextField
                label={say('steps.digitSeconds')}
                defaultValue={listOf(f.seconds)}
                onBlur={(e) => put(name, { seconds: parsed(e.target.value) })}
                placeholder="0 = 1, 1 = 10"
              />
            ) : name === 'kind' ? (
              <TextField
                label={say('steps.kindsOfFitting')}
                defaultValue={listOf(f.kinds)}
                onBlur={(e) => put(name, { kinds: pairs(e.target.value) })}
                placeholder={say('steps.exampleOfKinds')}
              />
            ) : (
              <TextField
                label={say('steps.timesOrAList')}
                defaultValue={f.values ? listOf(f.values) : String(f.scale ?? 1)}
                onBlur={(e) =>
                  put(
                    name,
                    e.target.value.includes('=')
                      ? { values: parsed(e.target.value), scale: undefined }
                      : { scale: figureOf(e.target.value) ?? (e.target.value as unknown as number), values: undefined },
                  )
                }
                placeholder={say('steps.exampleOfList')}
              />
            )}
            <Button
              variant="outlined"
              onClick={() => put(name, null)}
              aria-label={say('steps.removeOne', { label })}
              sx={{ minWidth: 56, px: 1 }}
            >
              {say('steps.remove')}
            </Button>
          </Box>
        )
      })}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        {left.map(([name, label]) => (
          <Button
            key={name}
            variant="outlined"
            onClick={() => {
              const free = DIGITS.find((d) => d < 24 && !taken.has(d)) ?? 1
              put(name, { from: free, to: free, ...(name === 'time_unit' ? { seconds: { 0: 1 } } : {}) })
            }}
          >
            + {label}
          </Button>
        ))}
        <Button variant="outlined" component="label">
          {say('steps.loadAFile')}
          <input
            type="file"
            hidden
            accept=".json"
            aria-label={say('steps.fileWithTheLayout')}
            onChange={(e) => {
              const file = e.target.files?.[0]
              e.target.value = ''
              if (file) void load(file)
            }}
          />
        </Button>
      </Box>
      {said && (
        <Typography role="status" sx={{ mt: 1 }}>
          {said}
        </Typography>
      )}
      {fault && (
        <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 1 }}>
          {fault}
        </Typography>
      )}
    </Box>
  )
}

const SHORT: Record<string, string> = {
  dn_mm: say('steps.shortSize'),
  voltage_v: say('steps.shortVolt'),
  resistance_mantissa: say('steps.shortOhm'),
  resistance_exponent: say('steps.shortExp'),
  resistance_tol_pct: say('steps.shortTol'),
  time: say('steps.shortTime'),
  time_unit: say('steps.shortUnit'),
  correction_pct_per_k: '%/K',
  cooling_min: say('steps.shortCool'),
  kind: say('steps.shortKind'),
  maker: say('steps.shortMaker'),
}

/** The digits of a code with what each holds; the last is the check digit. */
export function LayoutStrip({ layout, code }: { layout: CodeLayout; code?: string }): ReactElement {
  const of = (digit: number): string | undefined => Object.entries(layout.fields).find(([, f]) => digit >= f.from && digit <= f.to)?.[0]
  const runs: { name: string | undefined; from: number; to: number }[] = []
  for (const d of DIGITS) {
    const name = d === 24 ? 'check' : of(d)
    const last = runs[runs.length - 1]
    if (last && last.name === name) last.to = d
    else runs.push({ name, from: d, to: d })
  }
  return (
    <Box
      sx={{ overflowX: 'auto', pb: 1 }}
      tabIndex={0}
      role="img"
      aria-label={runs.map((r) => say('steps.digitsTo', { from: r.from, to: r.to, name: r.name ?? say('steps.freeDigits') })).join('; ')}
    >
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(24, minmax(21px, 1fr))',
          minWidth: 520,
          textAlign: 'center',
          fontVariantNumeric: 'tabular-nums',
        }}
      >
        {DIGITS.map((d) => (
          <Box
            key={d}
            sx={{
              border: 1,
              borderColor: 'divider',
              borderLeftWidth: runs.some((r) => r.from === d) ? 2 : 0,
              borderLeftColor: 'text.primary',
              py: 0.5,
              fontWeight: code ? 700 : 400,
              bgcolor: (t) => (of(d) || d === 24 ? t.colours.raised : 'transparent'),
            }}
          >
            {code?.[d - 1] ?? d}
          </Box>
        ))}
        {/* Beside a narrow field the next name stands one line lower. */}
        {runs.map((r, i) => (
          <Box
            key={r.from}
            sx={{
              gridColumn: `${r.from} / ${r.to + 1}`,
              gridRow: runs[i - 1]?.name && r.from === r.to && i % 2 === 1 ? 3 : 2,
              fontSize: 13,
              color: 'text.secondary',
              pt: 0.25,
              display: 'flex',
              justifyContent: 'center',
              whiteSpace: 'nowrap',
            }}
          >
            {r.name === 'check' ? say('steps.checkDigit') : r.name ? (SHORT[r.name] ?? r.name) : ''}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
