import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useRef, useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { useMe, useProcedures } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { Loading } from '../ui/Loading'
import { Page } from '../ui/Page'
import { say } from '../texts/say'

const CERTAINTY: Record<string, string> = {
  std: say('procedures.standard'),
  practice: say('procedures.commonPractice'),
  memory: say('procedures.fromMemoryConfirmIt'),
  project: say('procedures.project'),
}

/** The schools side by side, each limit with where it comes from. */
export default function ProceduresPage(): ReactElement {
  const procedures = useProcedures()
  const me = useMe()
  const project = me.data?.projects.find((p) => p.role === 'engineer')
  const [chosenType, setType] = useState<string | null>(null)
  const load = useVerb(async (chosen: File) => api.post('/procedures', { project_id: project!.id, file: await textOf(chosen) }))
  const file = useRef<HTMLInputElement>(null)
  if (!procedures.data) return <Loading query={procedures} up={{ to: '/', label: say('common.lines') }} />
  const types = [...new Set(procedures.data.map((p) => p.joint_type))]
  // The kind of which there are most to compare stands first.
  const most = (t: string): number => procedures.data!.filter((p) => p.joint_type === t).length
  const type = chosenType ?? [...types].sort((a, b) => most(b) - most(a))[0] ?? ''
  const shown = procedures.data.filter((p) => p.joint_type === type)
  const names = [...new Set(shown.flatMap((p) => Object.keys(p.parameters ?? {})))]
  return (
    <Page wide title={say('common.proceduresAndLimits')} up={{ to: '/', label: say('common.lines') }}>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', my: 2, alignItems: 'center' }}>
        <TextField select label={say('procedures.kind')} value={type} onChange={(e) => setType(e.target.value)} sx={{ width: 300 }}>
          {types.map((t) => (
            <MenuItem key={t} value={t}>
              {t.replace(/-/g, ' ')}
            </MenuItem>
          ))}
        </TextField>
        {project && (
          <Button variant="outlined" onClick={() => file.current?.click()}>
            {say('procedures.loadAProcedureFile')}
          </Button>
        )}
        <input
          ref={file}
          type="file"
          hidden
          accept=".json"
          aria-label={say('procedures.procedureFile')}
          onChange={(e) => {
            const chosen = e.target.files?.[0]
            e.target.value = ''
            if (chosen) load.run(chosen)
          }}
        />
      </Box>
      {load.said.length > 0 && <Faults faults={load.said} />}
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={say('procedures.limitsBySchool')}>
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            minWidth: 700,
            width: '100%',
            '& th, & td': { textAlign: 'left', verticalAlign: 'top', borderTop: 1, borderColor: 'divider', py: 1.25, pr: 3 },
          }}
        >
          <thead>
            <tr>
              <th scope="col">{say('procedures.limit')}</th>
              {shown.map((p) => (
                <th scope="col" key={p.hash}>
                  {p.title}
                  {p.own ? ' (own)' : ''}
                  <Typography variant="body2" sx={{ fontWeight: 400 }}>
                    {say('procedures.versionText', { school: p.school, version: p.version, hash: p.hash.slice(0, 8) })}
                  </Typography>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {names.map((n) => (
              <tr key={n}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  {shown.map((p) => p.parameters?.[n]?.label).find(Boolean) ?? n}
                </th>
                {shown.map((p) => {
                  const q = p.parameters?.[n]
                  return (
                    <td key={p.hash}>
                      {q ? (
                        <>
                          <strong>
                            {typeof q.value === 'boolean' ? say(q.value ? 'common.yes' : 'common.no') : `${String(q.value)} ${unit(n)}`}
                          </strong>
                          <Typography variant="body2">
                            {[...new Set([q.source, CERTAINTY[q.certainty] ?? q.certainty])].join(' · ')}
                          </Typography>
                        </>
                      ) : (
                        '–'
                      )}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Page>
  )
}

/** What the file holds, byte for byte: another encoding is said and not guessed. */
async function textOf(file: File): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer())
  } catch {
    throw new Error(say('procedures.theFileIsNotInUtf'))
  }
}

/** All that is wrong with a file, by line. */
function Faults({ faults }: { faults: string[] }): ReactElement {
  return (
    <Box role="alert" sx={{ mb: 3, borderLeft: 6, borderColor: 'secondary.main', pl: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>{say('procedures.notLoadedToPutRight', { count: faults.length })}</Typography>
      <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5, maxHeight: '50vh', overflowY: 'auto' }}>
        {faults.map((f) => (
          <li key={f}>{f}</li>
        ))}
      </Box>
    </Box>
  )
}

function unit(name: string): string {
  if (name.endsWith('_per_k')) return name.endsWith('_pct_per_k') ? '%/K' : '/K'
  const found = /_(mm|kpa|bar|pct|percent|min|h|c|k|ms|v|ohm|deg|l|s)$/.exec(name)
  return (
    {
      s: 's',
      mm: 'mm',
      kpa: 'kPa',
      bar: 'bar',
      pct: '%',
      percent: '%',
      min: 'min',
      h: 'h',
      c: '°C',
      k: 'K',
      ms: 'm/s',
      v: 'V',
      ohm: 'Ω',
      deg: '°',
      l: 'L',
    }[found?.[1] ?? ''] ?? ''
  )
}
