import { Box, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useSearchParams } from 'react-router'
import { useCalculations, type CalcSchema } from '../api/queries'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { say } from '../texts/say'
import { Sum } from './Sum'

const FAMILY: Record<string, string> = {
  measuring: say('bench.measuringAndRounds'),
  electrofusion: say('bench.electrofusionAndPePipe'),
  gasketed: say('bench.gasketedJoints'),
  mechanical: say('bench.mechanicalJoints'),
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
    const seen = new Set<string>()
    for (const [n, s] of Object.entries(calculations.data ?? {})) {
      // Some answer under a second name too.
      if (seen.has(s.description)) continue
      seen.add(s.description)
      if (`${n} ${s.description}`.toLowerCase().includes(find.toLowerCase())) (by[s['x-family']] ??= []).push([n, s])
    }
    return by
  }, [calculations.data, find])
  if (!calculations.data) return whileComing(calculations, { to: '/', label: say('common.lines') })
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
                    <Typography sx={{ fontWeight: n === name ? 700 : 400 }}>{s.description}</Typography>
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
