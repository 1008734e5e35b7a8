import { Box, Button, Link, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link as RouterLink, useNavigate, useParams } from 'react-router'
import { api, type ProcedureShort, type ProcedureText, type TriedProcedure } from '../api/client'
import { queries, useMe, useProcedure } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { guardsLeftOut, plainTitle, sent, slug, withLimit, withoutSource, withoutStep, withStep, type Draft } from './adapt'
import { AddStep } from './AddStep'
import { Faults } from './Faults'
import { Tried } from './Tried'
import { TryOn } from './TryOn'
import { useOwnUnit } from './useLimit'

/** Adapts a procedure in the page: its limits with their sources, its steps; tried on a joint before it is frozen. */
export default function AdaptPage(): ReactElement {
  const { hash = '' } = useParams()
  const procedure = useProcedure(hash)
  const me = useMe()
  const up = { to: '/procedures', label: say('common.proceduresAndLimits') }
  if (!procedure.data || !me.data) return whileComing(procedure, up)
  const projects = me.data.projects.filter((p) => p.role === 'engineer')
  return projects.length === 0 ? (
    <Page title={procedure.data.title} up={up}>
      <Typography sx={{ mt: 2 }}>{say('procedures.onlyAnEngineerAdapts')}</Typography>
    </Page>
  ) : (
    <Adapt key={hash} from={procedure.data as Draft} projects={projects} />
  )
}

function Adapt({ from, projects }: { from: Draft; projects: { id: number; name: string }[] }): ReactElement {
  const navigate = useNavigate()
  const [project, setProject] = useState(projects[0]!.id)
  const [draft, setDraft] = useState<Draft>({
    ...from,
    title: say('procedures.ownTitle', { title: from.title }),
    id: `${from.id}-own`,
    version: '1',
  })
  const [joint, setJoint] = useState<string | null>(null)
  const [tried, setTried] = useState<TriedProcedure | null>(null)
  const body = { project_id: project, procedure: sent(draft) }
  const test = useVerb(
    () => api.post<TriedProcedure>('/procedures/try', { ...body, ...(joint ? { joint } : {}) }),
    (answer) => setTried(answer),
  )
  const freeze = useVerb(
    () => api.post<ProcedureShort>('/procedures', body),
    (kept) => {
      void queries.invalidateQueries({ queryKey: ['procedures'] })
      void navigate(`/procedures/${kept.hash}`)
    },
  )
  const change = (next: Draft): void => {
    setDraft(next)
    setTried(null)
  }
  const faults = test.said.length > 0 ? test.said : freeze.said
  const unsourced = withoutSource(draft, from)
  const guards = guardsLeftOut(draft, from)
  return (
    <Page title={say('procedures.adapt', { title: from.title })} up={{ to: `/procedures/${from.hash}`, label: from.title }}>
      <Typography sx={{ mt: 1, maxWidth: 760 }}>{say('procedures.aCopyIsMade')}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '2fr 1fr 1fr' }, gap: 2, mt: 2 }}>
        <TextField
          label={say('procedures.title')}
          value={draft.title}
          onChange={(e) => change({ ...draft, title: e.target.value, id: slug(e.target.value) })}
        />
        <TextField
          label={say('procedures.version')}
          value={draft.version}
          onChange={(e) => change({ ...draft, version: e.target.value })}
        />
        <TextField select label={say('procedures.forProject')} value={project} onChange={(e) => setProject(Number(e.target.value))}>
          {projects.map((p) => (
            <MenuItem key={p.id} value={p.id}>
              {p.name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Typography variant="h2" sx={{ mt: 4 }}>
        {say('procedures.limits')}
      </Typography>
      <Limits draft={draft} from={from} onChange={change} />
      <Typography variant="h2" sx={{ mt: 4 }}>
        {say('procedures.steps')}
      </Typography>
      <Box component="ol" sx={{ pl: 3.5, m: 0, mt: 1, maxWidth: 760 }}>
        {draft.steps.map((step, i) => (
          <Box component="li" key={`${step.id}/${i}`} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', justifyContent: 'space-between' }}>
              <Typography>{plainTitle(step)}</Typography>
              <Button
                onClick={() => change(withoutStep(draft, i))}
                aria-label={say('procedures.leaveOutStep', { title: plainTitle(step) })}
              >
                {say('procedures.leaveOut')}
              </Button>
            </Box>
          </Box>
        ))}
      </Box>
      {guards.length > 0 && (
        <Typography role="status" sx={{ borderLeft: 4, borderColor: 'secondary.main', pl: 1.5, my: 1.5, maxWidth: 760 }}>
          {say('procedures.guardsLeftOut', { steps: guards.join(', ') })}
        </Typography>
      )}
      <AddStep steps={draft.steps} onAdd={(after, step) => change(withStep(draft, after, step))} />
      <Typography variant="h2" sx={{ mt: 4 }}>
        {say('procedures.tryIt')}
      </Typography>
      <TryOn joint={joint} onJoint={setJoint} />
      {unsourced.length > 0 && (
        <Typography sx={{ mt: 2, fontWeight: 700, color: 'secondary.main' }}>
          {say('procedures.sayWhereFrom', { limits: unsourced.map((n) => draft.parameters[n]?.label ?? n).join(', ') })}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 2 }}>
        <Button variant="outlined" disabled={test.busy} onClick={() => test.run()}>
          {say(joint ? 'procedures.tryItOnTheJoint' : 'procedures.lookForFaults')}
        </Button>
        <Button variant="contained" disabled={freeze.busy || unsourced.length > 0} onClick={() => freeze.run()}>
          {say('procedures.freezeIt')}
        </Button>
        <Link component={RouterLink} to={`/procedures/${from.hash}`} sx={{ alignSelf: 'center', ml: 1 }}>
          {say('procedures.leaveItAsItWas')}
        </Link>
      </Box>
      {faults.length > 0 && <Faults title={say('procedures.toPutRight', { count: faults.length })} faults={faults} />}
      {tried && test.said.length === 0 && <Tried tried={tried} />}
    </Page>
  )
}

function Limits({ draft, from, onChange }: { draft: Draft; from: Draft; onChange: (draft: Draft) => void }): ReactElement {
  return (
    <Box sx={{ maxWidth: 980, mt: 1 }}>
      {Object.entries(draft.parameters).map(([name, limit]) => (
        <LimitRow
          key={name}
          name={name}
          limit={limit}
          was={from.parameters[name]?.value}
          onChange={(changed) => onChange(withLimit(draft, name, changed))}
        />
      ))}
    </Box>
  )
}

type Limit = ProcedureText['parameters'][string]

function LimitRow({
  name,
  limit,
  was,
  onChange,
}: {
  name: string
  limit: Limit
  was: Limit['value'] | undefined
  onChange: (change: Partial<Limit>) => void
}): ReactElement {
  const [text, setText] = useState(String(limit.value))
  const label = [limit.label ?? name, useOwnUnit()(name)]
  const take = (typed: string): void => {
    setText(typed)
    const number = Number(typed.replace(',', '.'))
    const value = typeof was === 'number' ? (typed.trim() !== '' && Number.isFinite(number) ? number : typed) : typed
    onChange({ value })
  }
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '1fr 2fr' },
        columnGap: 2,
        rowGap: 1,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      {typeof was === 'boolean' ? (
        <TextField
          select
          label={limit.label ?? name}
          value={String(limit.value)}
          onChange={(e) => onChange({ value: (e.target.value === 'true') as never })}
        >
          <MenuItem value="true">{say('common.yes')}</MenuItem>
          <MenuItem value="false">{say('common.no')}</MenuItem>
        </TextField>
      ) : (
        <TextField
          label={label.filter((part) => part !== '').join(', ')}
          value={text}
          onChange={(e) => take(e.target.value)}
          helperText={limit.value === was ? undefined : say('procedures.wasBefore', { was: String(was) })}
        />
      )}
      <TextField
        label={say('procedures.whereItComesFrom', { limit: limit.label ?? name })}
        value={limit.source ?? ''}
        onChange={(e) => onChange({ source: e.target.value })}
      />
    </Box>
  )
}
