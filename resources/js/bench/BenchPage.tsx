import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useSearchParams } from 'react-router'
import { api, Refusal } from '../api/client'
import { useCalculations, type CalcSchema } from '../api/queries'
import { Loading } from '../ui/Loading'
import { Page } from '../ui/Page'
import { figureOf } from '../ui/figureOf'
import { say } from '../texts/say'

const FAMILY: Record<string, string> = {
  measuring: say('bench.measuringAndRounds'),
  electrofusion: say('bench.electrofusionAndPePipe'),
  gasketed: say('bench.gasketedJoints'),
  'pressure-test': say('bench.pressureTest'),
}

/** Quick sums: any calculation, drawn from its schema, nothing recorded. */
export default function BenchPage(): ReactElement {
  const calculations = useCalculations()
  const [params, setParams] = useSearchParams()
  const [find, setFind] = useState('')
  const asked = params.get('calc')
  const families = useMemo(() => {
    const by: Record<string, [string, CalcSchema][]> = {}
    for (const [n, s] of Object.entries(calculations.data ?? {}))
      if (`${n} ${s.description}`.toLowerCase().includes(find.toLowerCase())) (by[s['x-family']] ??= []).push([n, s])
    return by
  }, [calculations.data, find])
  if (!calculations.data) return <Loading query={calculations} up={{ to: '/', label: say('common.lines') }} />
  const name = asked ?? Object.keys(calculations.data)[0] ?? ''
  const schema = calculations.data[name]
  return (
    <Page title={say('bench.bench')} up={{ to: '/', label: say('common.lines') }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '340px minmax(0,1fr)' }, gap: 5, mt: 2 }}>
        <Box component="nav" aria-label={say('bench.calculations')} sx={{ order: { xs: 2, md: 0 } }}>
          <TextField label={say('bench.findASum')} value={find} onChange={(e) => setFind(e.target.value)} sx={{ mb: 1 }} />
          <Box sx={{ maxHeight: { md: 620 }, overflowY: 'auto' }} tabIndex={0} role="group" aria-label={say('bench.listOfCalculations')}>
            {Object.entries(families).map(([family, list]) => (
              <Box key={family} sx={{ mb: 2 }}>
                <Typography variant="h3" component="h2" sx={{ py: 1 }}>
                  {FAMILY[family] ?? family}
                </Typography>
                {list.map(([n, s]) => (
                  <Box
                    key={n}
                    component="button"
                    type="button"
                    aria-current={n === name}
                    onClick={() => setParams({ calc: n })}
                    sx={{
                      all: 'unset',
                      display: 'block',
                      width: '100%',
                      boxSizing: 'border-box',
                      py: 1,
                      cursor: 'pointer',
                      borderLeft: 4,
                      borderColor: n === name ? 'secondary.main' : 'transparent',
                      pl: 1.5,
                      '&:focus-visible': { outline: '3px solid var(--accent)' },
                    }}
                  >
                    <strong>{n.replace(/-/g, ' ')}</strong>
                    <Typography variant="body2">{s.description}</Typography>
                  </Box>
                ))}
              </Box>
            ))}
          </Box>
        </Box>
        {schema ? <Sum key={name} name={name} schema={schema} /> : <Typography>{say('bench.thereIsNoCalculation', { name })}</Typography>}
      </Box>
    </Page>
  )
}

function Sum({ name, schema }: { name: string; schema: CalcSchema }): ReactElement {
  const [texts, setTexts] = useState<Record<string, string>>({})
  const [fault, setFault] = useState<{ field: string; message: string } | null>(null)
  const [out, setOut] = useState<Record<string, unknown> | null>(null)
  const run = async (): Promise<void> => {
    const input: Record<string, unknown> = {}
    for (const [key, text] of Object.entries(texts)) {
      if (text.trim() === '') continue
      const type = schema.properties[key]?.['type']
      if (type === 'number' || type === 'integer') input[key] = figureOf(text) ?? text
      else if (type === 'string') input[key] = text
      else if (type === 'boolean') input[key] = text === 'true'
      else
        try {
          input[key] = JSON.parse(text)
        } catch {
          input[key] = text
        }
    }
    try {
      setOut(await api.post<Record<string, unknown>>(`/calculations/${name}`, input))
      setFault(null)
    } catch (error) {
      setOut(null)
      setFault(
        error instanceof Refusal
          ? (error.errors[0] ?? { field: '', message: error.message })
          : { field: '', message: (error as Error).message },
      )
    }
  }
  return (
    <Box>
      <Typography variant="h2" component="h2">
        {schema.description}
      </Typography>
      <Typography variant="body2" sx={{ mb: 2 }}>
        {say('bench.source', { xSource: schema['x-source'] })}
      </Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault()
          void run()
        }}
        sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 }}
      >
        {Object.entries(schema.properties).map(([key, s]) => {
          const label = `${named(key, s['x-unit'] as string | undefined)}${schema.required.includes(key) ? '' : ' (optional)'}`
          const props = {
            label,
            value: texts[key] ?? '',
            onChange: (e: { target: { value: string } }) => setTexts((t) => ({ ...t, [key]: e.target.value })),
            error: fault?.field === key,
            helperText:
              (s['description'] as string | undefined) ??
              (s['default'] !== undefined ? say('bench.else', { default: String(s['default']) }) : undefined),
          }
          if (Array.isArray(s['enum']))
            return (
              <TextField key={key} select {...props}>
                <MenuItem value="">–</MenuItem>
                {(s['enum'] as string[]).map((o) => (
                  <MenuItem key={o} value={o}>
                    {o}
                  </MenuItem>
                ))}
              </TextField>
            )
          if (s['type'] === 'boolean')
            return (
              <TextField key={key} select {...props}>
                <MenuItem value="">–</MenuItem>
                <MenuItem value="true">{say('common.yes')}</MenuItem>
                <MenuItem value="false">{say('common.no')}</MenuItem>
              </TextField>
            )
          if (s['type'] === 'array' || s['type'] === 'object' || !s['type'])
            return (
              <TextField
                key={key}
                multiline
                minRows={3}
                {...props}
                helperText={`${props.helperText ?? ''} ${shape(s)}`}
                sx={{ gridColumn: '1 / -1' }}
              />
            )
          return <TextField key={key} {...props} />
        })}
        <Button variant="contained" type="submit" sx={{ gridColumn: '1 / -1' }}>
          {say('bench.workItOut')}
        </Button>
      </Box>
      {fault && (
        <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 2 }}>
          {fault.message}
        </Typography>
      )}
      {out && (
        <Box
          component="dl"
          aria-live="polite"
          sx={{
            mt: 3,
            display: 'grid',
            gridTemplateColumns: 'minmax(140px, auto) 1fr',
            columnGap: 3,
            rowGap: 1,
            '& dd': { m: 0, fontWeight: 700, fontSize: '1.15rem', overflowWrap: 'anywhere' },
          }}
        >
          {Object.entries(out).map(([k, v]) => [
            <dt key={k}>{k.replace(/_pct$|_percent$/, ', %').replace(/_/g, ' ')}</dt>,
            <dd key={`${k}=`}>
              {typeof v === 'number' ? Number(v.toPrecision(7)) : v === null ? '–' : typeof v === 'object' ? JSON.stringify(v) : String(v)}
            </dd>,
          ])}
        </Box>
      )}
    </Box>
  )
}

/** A key as a label: the unit goes behind a comma. */
function named(key: string, unit: string | undefined): string {
  const bare = unit
    ? key.replace(/_(per_k|per_f|kg_m3|m3_s|l_s|l_h|m3_h|l_min|m_s|kpa_h|bar_h|[a-z0-9]+)$/, '')
    : key.replace(/_(pct|percent)$/, '')
  return `${bare.replace(/_/g, ' ')}${unit ? `, ${unit}` : bare === key ? '' : ', %'}`
}

/** The wanted shape of a list or object as an example line. */
function shape(s: Record<string, unknown>): string {
  const items = s['items'] as { properties?: Record<string, unknown>; description?: string } | undefined
  if (items?.properties)
    return say('bench.list', {
      rows: `[{${Object.keys(items.properties)
        .map((k) => `"${k}": …`)
        .join(', ')}}, …]`,
    })
  if (items?.description) return say('bench.list', { rows: `[[${items.description}], …]` })
  return s['properties']
    ? `{${Object.keys(s['properties'] as object)
        .map((k) => `"${k}": …`)
        .join(', ')}}`
    : ''
}
