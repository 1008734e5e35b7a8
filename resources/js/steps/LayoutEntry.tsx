import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { CodeLayout } from '../api/client'
import { figureOf } from '../ui/figureOf'

/** What a fitting code may hold, in the order in which a person thinks of it; the first four are always wanted. */
const KNOWN: [string, string][] = [
  ['dn_mm', 'Size, mm'],
  ['voltage_v', 'Voltage, V'],
  ['resistance_mantissa', 'Resistance, digits'],
  ['time', 'Fusion time'],
  ['resistance_exponent', 'Resistance, divided by ten to the power of'],
  ['resistance_tol_pct', 'Tolerance of the resistance, %'],
  ['time_unit', 'Unit of the time'],
  ['correction_pct_per_k', 'Change of the time, % per K'],
  ['cooling_min', 'Cooling time, min'],
  ['kind', 'Kind of fitting'],
  ['maker', 'Maker'],
]
const DIGITS = Array.from({ length: 24 }, (_, i) => i + 1)

const listOf = (values: Record<string, number> | undefined): string =>
  Object.entries(values ?? {})
    .map(([k, v]) => `${k} = ${v}`)
    .join(', ')
const parsed = (text: string): Record<string, number> =>
  Object.fromEntries(
    text
      .split(/[;\n]|,(?=[^,=]*=)/)
      .map((p) => p.split('=').map((s) => s.trim()))
      .filter((p) => p.length === 2 && p[0] !== '')
      .map((p) => [p[0]!, figureOf(p[1]!) ?? (p[1] as unknown as number)]),
  )

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
      setSaid(`${file.name} read.`)
    } catch {
      setSaid('The file is no JSON: nothing was taken over.')
    }
  }
  const left = KNOWN.filter(([name]) => !(name in fields))
  return (
    <Box sx={{ py: 1 }}>
      <Typography sx={{ mb: 1 }}>Which digits hold what</Typography>
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
                label={`${end} digit`}
                value={f[end]}
                onChange={(e) => put(name, { [end]: Number(e.target.value) })}
                slotProps={{ htmlInput: { 'aria-label': `${label}, ${end} digit` } }}
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
                label="digit = seconds"
                defaultValue={listOf(f.seconds)}
                onBlur={(e) => put(name, { seconds: parsed(e.target.value) })}
                placeholder="0 = 1, 1 = 10"
              />
            ) : (
              <TextField
                label="times, or a list"
                defaultValue={f.values ? listOf(f.values) : String(f.scale ?? 1)}
                onBlur={(e) =>
                  put(
                    name,
                    e.target.value.includes('=')
                      ? { values: parsed(e.target.value), scale: undefined }
                      : { scale: figureOf(e.target.value) ?? (e.target.value as unknown as number), values: undefined },
                  )
                }
                placeholder="0.1, or 01 = 110, 02 = 160"
              />
            )}
            <Button variant="outlined" onClick={() => put(name, null)} aria-label={`Remove ${label}`} sx={{ minWidth: 56, px: 1 }}>
              Remove
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
          Load a file
          <input
            type="file"
            hidden
            accept=".json"
            aria-label="File with the layout"
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
  dn_mm: 'size',
  voltage_v: 'volt',
  resistance_mantissa: 'ohm',
  resistance_exponent: 'exp',
  resistance_tol_pct: 'tol',
  time: 'time',
  time_unit: 'unit',
  correction_pct_per_k: '%/K',
  cooling_min: 'cool',
  kind: 'kind',
  maker: 'maker',
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
      aria-label={runs.map((r) => `digits ${r.from} to ${r.to}: ${r.name ?? 'free'}`).join('; ')}
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
            {r.name === 'check' ? 'check' : r.name ? (SHORT[r.name] ?? r.name) : ''}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
