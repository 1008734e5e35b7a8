import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useMutation } from '@tanstack/react-query'
import { useRef, useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api, fileForm, type NewLine as Body } from '../api/client'
import { useMe, useProcedures } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { ProcedureChoice } from '../ui/ProcedureChoice'
import { Page } from '../ui/Page'
import { figureOf, noFigure } from '../ui/figureOf'
import { say } from '../texts/say'
import { serviceWord } from '../texts/words'

interface SectionRow {
  name: string
  from: string
  to: string
  method: string
  rule: string
  factor: string
  gauge: string
  most: string
  water: string
  fill: string
}

const RULES = {
  'en805-surge-calculated': say('line.surgeCalculated'),
  'en805-surge-assumed': say('line.surgeAssumed'),
  factor: say('line.surgeByFactor'),
} as const

const EMPTY: SectionRow = {
  name: say('line.section1'),
  from: '',
  to: '',
  method: '',
  rule: 'en805-surge-calculated',
  factor: '1.5',
  gauge: '',
  most: '',
  water: '12',
  fill: '5',
}

const EXAMPLE = '0; 1000; 2000; 95.0\n60; 1060; 2000; 96.4\n120; 1120; 2000; 95.2'

/** What an engineer states of a line; joints are planned from the pipe length. */
export default function NewLine(): ReactElement {
  const me = useMe()
  const navigate = useNavigate()
  const file = useRef<HTMLInputElement>(null)
  const projects = (me.data?.projects ?? []).filter((p) => p.role === 'engineer')
  const [f, setF] = useState({
    name: '',
    service: 'water',
    material: 'PE100',
    dn_mm: '110',
    sdr: '11',
    design_bar: '8',
    mdp_bar: '10',
    pipe_length_m: '12',
    procedure: '',
    centre: '',
  })
  const procedures = useProcedures({
    material: f.material,
    service: f.service,
    ...Object.fromEntries(
      (['dn_mm', 'sdr'] as const).flatMap((key) => {
        const figure = figureOf(f[key])
        return figure !== null && figure > 0 ? [[key, figure] as const] : []
      }),
    ),
  })
  const [sections, setSections] = useState<SectionRow[]>([EMPTY])
  const [faults, setFaults] = useState<Record<string, string>>({})
  const [said, setSaid] = useState('')
  const send = useVerb(
    (body: Body) => api.post<{ id: string }>('/lines', body),
    (line) => void navigate(`/lines/${line.id}`),
    setFaults,
  )
  const set = (key: keyof typeof f) => (e: { target: { value: string } }) => {
    setF((old) => ({ ...old, [key]: e.target.value }))
    setFaults(({ [key]: _gone, ...rest }) => rest)
  }
  const joints = (procedures.data ?? []).filter((p) => p.family === 'joint' && (p.place ?? 'in-line') === 'in-line')
  const methods = (procedures.data ?? []).filter((p) => p.family === 'test')
  const points = f.centre
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
    .map((l) => l.split(/[;\t]|,\s+/).map((c) => figureOf(c) ?? NaN))

  const reading = useMutation({
    mutationFn: (chosen: File) => api.post<{ points: number[][] }>('/centre-line', fileForm(chosen)),
    onSuccess: (read) => {
      setF((old) => ({ ...old, centre: read.points.map((p) => p.join('; ')).join('\n') }))
      const last = read.points[read.points.length - 1]![0]!
      setSections((all) => all.map((s, i) => (i === 0 && s.to === '' ? { ...s, from: String(read.points[0]![0]), to: String(last) } : s)))
      setSaid(say('line.pointsRead', { count: read.points.length, first: read.points[0]![0], last }))
    },
    onError: (error) => setSaid(say('line.nothingWasTakenOver', { message: error.message })),
  })
  const make = (): void => {
    const missing: Record<string, string> = {}
    if (f.name.trim() === '') missing['name'] = say('line.giveTheLineAName')
    if (!f.procedure) missing['procedure_hash'] = say('line.chooseTheProcedureForTheJoints')
    if (points.length < 2 || points.some((p) => p.length !== 4 || p.some((n) => !Number.isFinite(n))))
      missing['centre_line'] = say('line.eachRowWantsChainageEastingNorthing')
    sections.forEach((s, i) => {
      if (!s.method || s.from === '' || s.to === '') missing[`sections.${i}`] = say('line.fromToAndTheTestMethod', { name: s.name })
    })
    const figures: Record<string, number> = {}
    const read = (key: string, text: string): number => {
      const why = noFigure(text)
      if (why) missing[key] = why
      return (figures[key] = figureOf(text) ?? NaN)
    }
    for (const key of ['dn_mm', 'sdr', 'design_bar', 'mdp_bar', 'pipe_length_m'] as const) read(key, f[key])
    const parts = sections.map((s, i) => {
      const at = (text: string): number => read(`sections.${i}`, text)
      return {
        from_m: at(s.from),
        to_m: at(s.to),
        water_c: at(s.water),
        fill_l_s: at(s.fill),
        gauge_m: at(s.gauge === '' ? s.from : s.gauge),
        pipe_max_bar: s.most === '' ? null : at(s.most),
        ...(s.rule === 'factor' ? { factor: at(s.factor) } : {}),
      }
    })
    setFaults(missing)
    if (Object.keys(missing).length > 0) return
    const body: Body = {
      project_id: projects[0]!.id,
      name: f.name.trim(),
      service: f.service as Body['service'],
      material: f.material as Body['material'],
      dn_mm: figures['dn_mm']!,
      sdr: figures['sdr']!,
      design_bar: figures['design_bar']!,
      mdp_bar: figures['mdp_bar']!,
      pipe_length_m: figures['pipe_length_m']!,
      procedure_hash: f.procedure,
      centre_line: points,
      sections: sections.map((s, i) => ({ name: s.name, method_hash: s.method, stp_method: s.rule as keyof typeof RULES, ...parts[i]! })),
    }
    send.run(body)
  }
  const field = (key: keyof typeof f, label: string, unit?: string): ReactElement => (
    <TextField
      label={unit ? `${label}, ${unit}` : label}
      value={f[key]}
      onChange={set(key)}
      error={faults[key] !== undefined}
      helperText={faults[key]}
      slotProps={{ htmlInput: { inputMode: unit ? 'decimal' : 'text' } }}
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
        sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1fr 1fr' }, columnGap: 6, rowGap: 4, mt: 2 }}
      >
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          {field('name', say('line.name'))}
          <Box sx={grid}>
            <TextField select label={say('line.service')} value={f.service} onChange={set('service')}>
              {['water', 'sewer', 'gas'].map((s) => (
                <MenuItem key={s} value={s}>
                  {serviceWord(s)}
                </MenuItem>
              ))}
            </TextField>
            <TextField select label={say('common.material')} value={f.material} onChange={set('material')}>
              {['PE100', 'PVC-U'].map((s) => (
                <MenuItem key={s} value={s}>
                  {s}
                </MenuItem>
              ))}
            </TextField>
            {field('dn_mm', say('line.outsideDiameter'), 'mm')}
            {field('sdr', 'SDR')}
            {field('pipe_length_m', say('line.lengthOfOnePipe'), 'm')}
            <Box component="span" sx={{ display: { xs: 'none', sm: 'block' } }} />
            {field('design_bar', say('line.designPressure'), 'bar')}
            {field('mdp_bar', say('line.maximumDesignPressure'), 'bar')}
          </Box>
          <ProcedureChoice
            label={say('line.procedureForTheJoints')}
            of={joints}
            value={f.procedure}
            onChange={(hash) => set('procedure')({ target: { value: hash } })}
            fault={faults['procedure_hash']}
            hint={joints.find((p) => p.hash === f.procedure)?.school}
          />
        </Box>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <TextField
            multiline
            minRows={5}
            maxRows={9}
            label={say('line.centreLineChainageEastingNorthingLevel')}
            value={f.centre}
            onChange={set('centre')}
            placeholder={EXAMPLE}
            error={!!faults['centre_line']}
            helperText={faults['centre_line'] ?? said}
          />
          <Box>
            <Button variant="outlined" onClick={() => file.current?.click()}>
              {say('line.readCsvOrGeojson')}
            </Button>
            <input
              ref={file}
              type="file"
              hidden
              accept=".csv,.txt,.json,.geojson"
              aria-label={say('line.fileWithTheCentreLine')}
              onChange={(e) => {
                const chosen = e.target.files?.[0]
                e.target.value = ''
                if (chosen) reading.mutate(chosen)
              }}
            />
          </Box>
          <Typography variant="h2" component="h2">
            {say('line.sectionsToBeTested')}
          </Typography>
          {sections.map((s, i) => {
            const change = (key: keyof SectionRow) => (e: { target: { value: string } }) =>
              setSections((all) => all.map((old, k) => (k === i ? { ...old, [key]: e.target.value } : old)))
            return (
              <Box
                key={i}
                sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1.4fr 1fr 1fr', borderTop: 1, borderColor: 'divider', pt: 2 }}
              >
                <TextField label={say('line.name')} value={s.name} onChange={change('name')} />
                <TextField label={say('line.fromM')} value={s.from} onChange={change('from')} error={!!faults[`sections.${i}`]} />
                <TextField label={say('line.toM')} value={s.to} onChange={change('to')} error={!!faults[`sections.${i}`]} />
                <Box sx={{ gridColumn: '1 / -1', display: 'grid' }}>
                  <ProcedureChoice
                    label={say('line.testMethod')}
                    of={methods}
                    value={s.method}
                    onChange={(hash) => change('method')({ target: { value: hash } })}
                    fault={faults[`sections.${i}`]}
                  />
                </Box>
                <TextField
                  select
                  label={say('line.testPressure')}
                  value={s.rule}
                  onChange={change('rule')}
                  sx={{ gridColumn: s.rule === 'factor' ? 'span 2' : '1 / -1' }}
                >
                  {Object.entries(RULES).map(([rule, text]) => (
                    <MenuItem key={rule} value={rule}>
                      {text}
                    </MenuItem>
                  ))}
                </TextField>
                {s.rule === 'factor' && (
                  <TextField
                    label={say('line.factor')}
                    value={s.factor}
                    onChange={change('factor')}
                    slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                  />
                )}
                <TextField
                  label={say('line.mostTheWeakestPartMaySee')}
                  value={s.most}
                  onChange={change('most')}
                  placeholder={say('common.notStated')}
                  helperText={s.most === '' ? say('line.notStatedNoPointSeesMore') : undefined}
                  slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
                  sx={{ gridColumn: '1 / -1' }}
                />
                <TextField
                  label={say('line.gaugeAtM')}
                  value={s.gauge}
                  onChange={change('gauge')}
                  placeholder={s.from}
                  slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
                />
                <TextField
                  label={say('line.waterC')}
                  value={s.water}
                  onChange={change('water')}
                  slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                />
                <TextField
                  label={say('line.fillAtLS')}
                  value={s.fill}
                  onChange={change('fill')}
                  slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                />
              </Box>
            )
          })}
          <Button
            variant="outlined"
            onClick={() =>
              setSections((all) => [
                ...all,
                {
                  ...(all[all.length - 1] ?? EMPTY),
                  name: say('line.section', { count: all.length + 1 }),
                  from: all[all.length - 1]?.to ?? '',
                  to: '',
                  gauge: '',
                },
              ])
            }
          >
            {say('line.anotherSection')}
          </Button>
          {Object.entries(faults)
            .filter(([k]) => !(k in f) && !['procedure_hash', 'centre_line'].includes(k) && !/^sections\.\d+$/.test(k))
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
