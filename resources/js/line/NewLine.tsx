import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api, type LinePreview, type NewLine as Body } from '../api/client'
import { useMaterials, useMe, useProcedures, type Materials } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { ProcedureChoice } from '../ui/ProcedureChoice'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { figureOf, noFigure } from '../ui/figureOf'
import { pointsOf, rowsOf } from './pointsOf'
import { say } from '../texts/say'
import { serviceWord } from '../texts/words'
import { CentreLineField } from './CentreLineField'
import { PreviewOfLine } from './PreviewOf'
import { emptyRow, inUnit, sectionBody, sectionSoFar, type SectionRow, type SectionUnits } from './sectionForm'
import { SectionFields } from './SectionFields'
import { PipeFields } from './PipeFields'
import { pipeBody, suitedTo, usualPipe, wantedFigures } from './pipeForm'
import { usePreview } from './usePreview'
import { useSectionUnits } from './useSectionUnits'

/** What is typed as a figure beside the pipe, and in which of the units of the person. */
const FIGURES = { design_bar: 'pressure', mdp_bar: 'pressure', pipe_length_m: 'length' } as const

type Figure = keyof typeof FIGURES

/** Under which name the server speaks of a field that is called otherwise here. */
const FAULT_OF: Record<string, string> = { procedure: 'procedure_hash', centre: 'centre_line' }

/** How long pipes are sold, as it is said in each unit. */
const PIPE_LENGTH: Record<string, string> = { m: '12', ft: '40' }

/** What an engineer states of a line; joints are planned from the pipe length, and all of it is drawn while it is typed. */
export default function NewLine(): ReactElement {
  const me = useMe()
  const units = useSectionUnits()
  const materials = useMaterials()
  // What is filled in stands in the units of the person: not before they are known.
  if (!me.data || units === null) return whileComing(me, { to: '/', label: say('common.lines') })
  if (!materials.data) return whileComing(materials, { to: '/', label: say('common.lines') })
  return <Form units={units} materials={materials.data} projects={me.data.projects.filter((p) => p.role === 'engineer')} />
}

interface Props {
  units: SectionUnits
  materials: Materials
  projects: { id: number; name: string }[]
}

function Form({ units, materials, projects }: Props): ReactElement {
  const navigate = useNavigate()
  const [f, setF] = useState({
    project: '',
    name: '',
    begun_on: '',
    service: 'water',
    design_bar: inUnit(units.pressure, 8),
    mdp_bar: inUnit(units.pressure, 10),
    pipe_length_m: PIPE_LENGTH[units.length.symbol] ?? inUnit(units.length, 12),
    procedure: '',
    centre: '',
  })
  const [pipe, setPipe] = useState(usualPipe(units.length.symbol === 'ft'))
  const project = projects.find((p) => String(p.id) === f.project) ?? projects[0]
  const procedures = useProcedures({ service: f.service, ...suitedTo(pipe, materials) })
  const [sections, setSections] = useState<SectionRow[]>([emptyRow(units)])
  const [faults, setFaults] = useState<Record<string, string>>({})
  const send = useVerb(
    (body: Body) => api.post<{ id: string }>('/lines', body),
    (line) => void navigate(`/lines/${line.id}`),
    // A metric size is called by its diameter there.
    ({ dn_mm, ...found }) => setFaults(dn_mm ? { nominal: dn_mm, ...found } : found),
  )
  const set = (key: keyof typeof f) => (e: { target: { value: string } }) => {
    setF((old) => ({ ...old, [key]: e.target.value }))
    corrected(FAULT_OF[key] ?? key)
  }
  /** What was wrong is not said any more once it is touched. */
  const corrected = (field: string): void => setFaults(({ [field]: _gone, ...rest }) => rest)
  const joints = (procedures.data ?? []).filter((p) => p.family === 'joint' && (p.place ?? 'in-line') === 'in-line')
  const methods = (procedures.data ?? []).filter((p) => p.family === 'test')
  /** A section without a method is none: it is planned later, when there is one for this pipe. */
  const isTestable = methods.some((p) => (p.unsuited ?? []).length === 0)
  const planned = isTestable ? sections : []
  const points = rowsOf(f.centre)
  const arePoints = points.length > 1 && pointsOf(f.centre) !== null
  const figure = (key: Figure): number => Number(units[FIGURES[key]].toKey(figureOf(f[key]) ?? NaN).toPrecision(12))
  const own = Object.keys(FIGURES) as Figure[]
  const asked = { ...pipeBody(pipe, materials), ...(Object.fromEntries(own.map((key) => [key, figure(key)])) as Record<Figure, number>) }
  const isDrawn = project !== undefined && arePoints && Object.values(asked).every((n) => typeof n === 'string' || n > 0)
  const preview = usePreview<LinePreview>(
    '/lines/preview',
    isDrawn
      ? {
          project_id: project.id,
          service: f.service,
          ...asked,
          centre_line: points,
          sections: planned.map((s) => sectionSoFar(s, units)),
        }
      : null,
  )

  /** Most lines are tested whole: the first section goes from end to end until something else is said. */
  const wholeLine = (points: number[][]): void => {
    const [first, last] = [points[0]![0]!, points.at(-1)![0]!].map((m) => String(Number(units.length.fromKey(m).toPrecision(9))))
    setSections((all) => all.map((s, i) => (i === 0 && s.to === '' ? { ...s, from: first!, to: last! } : s)))
  }
  const make = (): void => {
    const missing: Record<string, string> = {}
    if (f.name.trim() === '') missing['name'] = say('line.giveTheLineAName')
    if (!f.procedure) missing['procedure_hash'] = say('line.chooseTheProcedureForTheJoints')
    if (!arePoints) missing['centre_line'] = say('line.eachRowWantsChainageEastingNorthing')
    const typed = [...own.map((key) => [key, f[key]] as const), ...wantedFigures(pipe, materials).map((key) => [key, pipe[key]] as const)]
    for (const [key, text] of typed) {
      const why = noFigure(text)
      if (why) missing[key] = why
    }
    const parts = planned.map((s, i) => {
      if (!s.method || s.from === '' || s.to === '') missing[`sections.${i}`] = say('line.fromToAndTheTestMethod', { name: s.name })
      const { body, fault } = sectionBody(s, units)
      if (fault) missing[`sections.${i}`] ??= fault
      return body
    })
    setFaults(missing)
    if (Object.keys(missing).length > 0 || !project) return
    send.run({
      project_id: project.id,
      name: f.name.trim(),
      ...(f.begun_on ? { begun_on: f.begun_on } : {}),
      service: f.service as Body['service'],
      ...(asked as Pick<Body, 'material' | 'series' | Figure>),
      procedure_hash: f.procedure,
      centre_line: points,
      sections: parts,
    })
  }
  const field = (key: keyof typeof f, label: string, unit?: string, hint?: string): ReactElement => (
    <TextField
      label={unit ? `${label}, ${unit}` : label}
      value={f[key]}
      onChange={set(key)}
      error={faults[key] !== undefined}
      helperText={faults[key] ?? hint}
      slotProps={{ htmlInput: { inputMode: key in FIGURES ? 'decimal' : 'text' } }}
    />
  )
  const grid = { display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }
  return (
    <Page title={say('line.makeALine')} up={{ to: '/', label: say('common.lines') }}>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault()
          make()
        }}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'repeat(2, minmax(0,1fr))' },
          columnGap: 6,
          rowGap: 4,
          mt: 2,
        }}
      >
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start', gridTemplateColumns: 'minmax(0,1fr)' }}>
          {projects.length > 1 && (
            <TextField select label={say('line.project')} value={project ? String(project.id) : ''} onChange={set('project')}>
              {projects.map((p) => (
                <MenuItem key={p.id} value={String(p.id)}>
                  {p.name}
                </MenuItem>
              ))}
            </TextField>
          )}
          {projects.length === 1 && <Typography>{say('line.inTheProject', { name: projects[0]!.name })}</Typography>}
          {field('name', say('line.name'))}
          <TextField
            type="date"
            label={say('line.workBeginsOn')}
            value={f.begun_on}
            onChange={set('begun_on')}
            error={faults['begun_on'] !== undefined}
            helperText={faults['begun_on'] ?? say('line.workBeginsHint')}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Box sx={grid}>
            <TextField select label={say('line.service')} value={f.service} onChange={set('service')}>
              {['water', 'sewer', 'gas'].map((s) => (
                <MenuItem key={s} value={s}>
                  {serviceWord(s)}
                </MenuItem>
              ))}
            </TextField>
            <PipeFields
              pipe={pipe}
              materials={materials}
              faults={faults}
              onChange={(typed, fields) => {
                setPipe(typed)
                fields.forEach(corrected)
              }}
            />
            {field('pipe_length_m', say('line.lengthOfOnePipe'), units.length.symbol)}
            {field('design_bar', say('line.designPressure'), units.pressure.symbol)}
            {field('mdp_bar', say('line.maximumDesignPressure'), units.pressure.symbol)}
          </Box>
          <ProcedureChoice
            label={say('line.procedureForTheJoints')}
            of={joints}
            value={f.procedure}
            onChange={(hash) => set('procedure')({ target: { value: hash } })}
            fault={faults['procedure_hash']}
            hint={joints.find((p) => p.hash === f.procedure)?.school}
          />
          <CentreLineField
            text={f.centre}
            fault={faults['centre_line']}
            onText={(text) => set('centre')({ target: { value: text } })}
            onTyped={() => arePoints && wholeLine(points)}
            onRead={(read) => {
              set('centre')({ target: { value: read.map((p) => p.join('; ')).join('\n') } })
              wholeLine(read)
            }}
          />
        </Box>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start', gridTemplateColumns: 'minmax(0,1fr)' }}>
          {preview.data && isDrawn && <PreviewOfLine of={preview.data} />}
          {preview.error && isDrawn && (
            <Typography role="status" sx={{ fontWeight: 700, color: 'secondary.main' }}>
              {preview.error.message}
            </Typography>
          )}
          <Typography variant="h2" component="h2">
            {say('line.sectionsToBeTested')}
          </Typography>
          {procedures.data && !isTestable && <Typography>{say('line.noMethodSuits')}</Typography>}
          {planned.map((s, i) => (
            <SectionFields
              key={i}
              row={s}
              units={units}
              methods={methods}
              fault={faults[`sections.${i}`]}
              onChange={(row) => {
                setSections((all) => all.map((old, k) => (k === i ? row : old)))
                corrected(`sections.${i}`)
              }}
              onRemove={() => {
                setSections((all) => all.filter((_, k) => k !== i))
                setFaults({})
              }}
            />
          ))}
          {isTestable && (
            <Button
              variant="outlined"
              onClick={() =>
                setSections((all) => [
                  ...all,
                  {
                    ...(all.at(-1) ?? emptyRow(units)),
                    name: say('line.section', { count: all.length + 1 }),
                    from: all.at(-1)?.to ?? '',
                    to: '',
                    gauge: '',
                  },
                ])
              }
            >
              {say('line.anotherSection')}
            </Button>
          )}
          {Object.entries(faults)
            .filter(([k]) => !(k in f) && !(k in pipe) && !['procedure_hash', 'centre_line'].includes(k) && !/^sections\.\d+$/.test(k))
            .map(([k, m]) => (
              <Typography key={k} role="alert" sx={{ color: 'secondary.main', fontWeight: 700 }}>
                {m}
              </Typography>
            ))}
          <Button variant="contained" type="submit" disabled={projects.length === 0 || send.busy}>
            {say('line.makeTheLine')}
          </Button>
        </Box>
      </Box>
    </Page>
  )
}
