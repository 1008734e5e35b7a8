import { Box, Button, MenuItem, TextField } from '@mui/material'
import { useRef, useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { useMe, useProcedures } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { say } from '../texts/say'
import { Compared } from './Compared'
import { Faults } from './Faults'

/** The schools side by side, each limit with where it comes from. */
export default function ProceduresPage(): ReactElement {
  const procedures = useProcedures({ limits: 1 })
  const me = useMe()
  const project = me.data?.projects.find((p) => p.role === 'engineer')
  const [chosenType, setType] = useState<string | null>(null)
  const load = useVerb(async (chosen: File) => api.post('/procedures', { project_id: project!.id, file: await textOf(chosen) }))
  const file = useRef<HTMLInputElement>(null)
  if (!procedures.data) return whileComing(procedures, { to: '/', label: say('common.lines') })
  const types = [...new Set(procedures.data.map((p) => p.joint_type))]
  // Joints come before their test; the kind of which there are most to compare stands first.
  const most = (t: string): number => (t === 'pressure-test' ? 0 : procedures.data!.filter((p) => p.joint_type === t).length)
  const type = chosenType ?? [...types].sort((a, b) => most(b) - most(a))[0] ?? ''
  const shown = procedures.data.filter((p) => p.joint_type === type)
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
      {load.said.length > 0 && <Faults title={say('procedures.notLoadedToPutRight', { count: load.said.length })} faults={load.said} />}
      <Compared shown={shown} />
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
