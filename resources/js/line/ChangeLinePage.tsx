import { Box, Button, TextField, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, type LineFull } from '../api/client'
import { useLine, useMaterials, type Materials } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { figureOf, noFigure } from '../ui/figureOf'
import { dayAndTime } from '../ui/clock'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { useShow } from '../ui/units'
import { whileComing } from '../ui/whileComing'
import { CentreLineField } from './CentreLineField'
import { pointsOf } from './pointsOf'
import { CorrectionFields } from './CorrectionFields'
import { corrected, standingOf, type Corrections } from './corrections'
import { inUnit, type SectionUnits } from './sectionForm'
import { useSectionUnits } from './useSectionUnits'
import { say } from '../texts/say'

/** A line gets another name, is corrected, goes on beyond its end, is put away: with a reason, and nothing that was judged is altered. */
export default function ChangeLinePage(): ReactElement {
  const { id = '' } = useParams()
  const line = useLine(id)
  const units = useSectionUnits()
  const materials = useMaterials()
  // What stands in the form stands in the units of the person: not before they are known.
  if (!line.data || units === null) return whileComing(line, { to: '/', label: say('common.lines') })
  if (!materials.data) return whileComing(materials, { to: '/', label: say('common.lines') })
  return (
    <Page wide practice={line.data.practice} up={{ to: `/lines/${id}`, label: line.data.name }} title={say('line.changeTheLine')}>
      <Typography sx={{ my: 1 }}>{say('line.nothingJudgedIsAltered')}</Typography>
      <Form line={line.data} units={units} materials={materials.data} />
      <Changes line={line.data} />
    </Page>
  )
}

const column = { display: 'grid', gap: 2, alignContent: 'start', gridTemplateColumns: 'minmax(0,1fr)' } as const

interface Props {
  line: LineFull
  units: SectionUnits
  materials: Materials
}

function Form({ line, units, materials }: Props): ReactElement {
  const navigate = useNavigate()
  const show = useShow()
  const [name, setName] = useState(line.name)
  const [reason, setReason] = useState('')
  const [centre, setCentre] = useState('')
  // What somebody else changes meanwhile is not taken back by who never touched it.
  const [stood] = useState(() => ({ name: line.name, ...standingOf(line, units) }))
  const [typed, setTyped] = useState<Corrections>(stood)
  const [pipe, setPipe] = useState<string | null>(null)
  const [faults, setFaults] = useState<Record<string, string>>({})
  const [asked, setAsked] = useState(false)
  const change = useVerb(
    (more: Record<string, unknown>) => api.patch<LineFull>(`/lines/${line.id}`, { reason: reason.trim(), ...more }),
    () => void navigate(`/lines/${line.id}`),
    setFaults,
  )
  const form = useRef<HTMLDivElement>(null)
  // What is wrong may stand far above the button.
  useEffect(() => {
    if (Object.keys(faults).length > 0) form.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()
  }, [faults])
  const end = line.start_m + line.length_m
  const save = (more: Record<string, unknown>): void => {
    const wrong: Record<string, string> = {}
    if (reason.trim().length < 3) wrong['reason'] = say('line.sayWhyItChanges')
    const points = centre.trim() === '' ? null : pointsOf(centre)
    if (centre.trim() !== '' && points === null) wrong['centre_line'] = say('line.rowWantsFour')
    const noPipe = pipe === null ? null : noFigure(pipe)
    if (noPipe) wrong['pipe_length_m'] = noPipe
    const correction = corrected(stood, typed, units, materials)
    Object.assign(wrong, correction.faults)
    const length = pipe === null || noPipe ? null : Number(units.length.toKey(figureOf(pipe)!).toPrecision(12))
    setFaults(wrong)
    if (Object.keys(wrong).length > 0) return
    // What a file holds of the line as it is already is left out.
    const beyond = points?.filter((p) => p[0]! > end + 1e-6)
    if (points !== null && beyond!.length === 0)
      return setFaults({ centre_line: say('line.nothingBeyondTheEnd', { end: show('x_m', 'length', end) }) })
    change.run({
      ...more,
      ...correction.body,
      ...(name.trim() === stood.name ? {} : { name: name.trim() }),
      ...(beyond ? { points: beyond } : {}),
      ...(length === null ? {} : { pipe_length_m: length }),
    })
  }
  return (
    <Box
      ref={form}
      sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'repeat(2, minmax(0,1fr))' }, columnGap: 6, rowGap: 2, mt: 2 }}
    >
      <Box sx={column}>
        <TextField
          label={say('line.name')}
          value={name}
          onChange={(e) => setName(e.target.value)}
          error={!!faults['name']}
          helperText={faults['name']}
        />
        <CorrectionFields
          line={line}
          typed={typed}
          units={units}
          materials={materials}
          faults={faults}
          onChange={(now) => {
            setTyped(now)
            setFaults({})
          }}
        />
      </Box>
      <Box sx={column}>
        <Typography variant="h2">{say('line.extendIt')}</Typography>
        <Typography>{say('line.extendItFrom', { end: show('x_m', 'length', end) })}</Typography>
        <CentreLineField
          text={centre}
          fault={faults['centre_line']}
          onText={setCentre}
          onTyped={() => undefined}
          onRead={(read) => setCentre(read.map((p) => p.join('; ')).join('\n'))}
        />
        <Typography variant="h2">{say('line.planItAnew')}</Typography>
        <Typography>{say('line.planItAnewFromTheFace')}</Typography>
        <TextField
          label={`${say('line.lengthOfOnePipe')}, ${units.length.symbol}`}
          value={pipe ?? inUnit(units.length, line.pipe_length_m)}
          onChange={(e) => setPipe(e.target.value)}
          error={!!faults['pipe_length_m']}
          helperText={faults['pipe_length_m']}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <TextField
          label={say('line.whyItChanges')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          error={!!faults['reason']}
          helperText={faults['reason']}
        />
        <Refused why={faults['all'] ?? null} />
        <Button variant="contained" disabled={change.busy} onClick={() => save({})}>
          {say('line.changeIt')}
        </Button>
        <Button
          variant="outlined"
          color={asked ? 'secondary' : 'primary'}
          disabled={change.busy}
          onClick={() => (asked || line.archived ? save({ archived: !line.archived }) : setAsked(true))}
        >
          {say(line.archived ? 'line.takeItOutAgain' : asked ? 'line.putItAwayNow' : 'line.putItAway')}
        </Button>
      </Box>
    </Box>
  )
}

/** What was changed so far, the last first. */
function Changes({ line }: { line: LineFull }): ReactElement | null {
  if (line.changes.length === 0) return null
  return (
    <Box component="section" aria-labelledby="changes" sx={{ mt: 4 }}>
      <Typography id="changes" variant="h2">
        {say('line.changedSoFar')}
      </Typography>
      {[...line.changes].reverse().map((c) => (
        <Typography key={c.at} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
          <strong>{c.said}</strong> {say('line.changedByBecause', { at: dayAndTime(c.at, line.time_zone), by: c.by, reason: c.reason })}
        </Typography>
      ))}
    </Box>
  )
}
