import { Box, Button, Link as MuiLink, TextField, Typography } from '@mui/material'
import { useCallback, useMemo, useState, type ReactElement } from 'react'
import { useParams } from 'react-router'
import { api, type LayingOutcome, type LayingPage as Starts, type LineFull } from '../api/client'
import { useLaying, useLine } from '../api/queries'
import { faultsOf, useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { BESIDE, besideAt } from '../ui/beside'
import { dayAndTime } from '../ui/clock'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { shownAs, useShow } from '../ui/units'
import { useMe, useUnits } from '../api/queries'
import { Sentence } from '../ui/Verdict'
import { whileComing } from '../ui/whileComing'
import type { Asked } from './asked'
import { Bends } from './Bends'
import { Cover } from './Cover'
import { Ground } from './Ground'
import type { GroundPoint } from './ground'
import { Helps } from './Helps'
import { LayingDrawing } from './LayingDrawing'
import { Pipes } from './Pipes'
import { Rules } from './Rules'
import { Stock } from './Stock'
import { bendWords, turnWords } from '../ui/turn'
import { useOutcome } from './useOutcome'
import { Way } from './Way'

/** Fields at which a refusal stands by itself. */
const BY_ITS_FIELD = new Set([
  'stock',
  'limit_source',
  'max_joint_angle_deg',
  'working_share',
  'min_piece_m',
  'joint_allowance_m',
  'barrel_tol_m',
  'side_tol_m',
  'level_tol_m',
  'off_right_m',
  'off_up_m',
  'bends',
  'ground',
  'least_cover_m',
  'ground_u_m',
])

/** The same each time, so that the drawing is not drawn anew. */
const NO_GROUND: GroundPoint[] = []

const SAID = besideAt(2, 1, 2)
const DRAWING = besideAt(1, 1, 3)
const ASKED = besideAt(2, 2, 4)
const PIPES = besideAt(1, 3, 4)

/** What is wrong with a list, or with one of its figures. */
const faultIn = (faults: Record<string, string>, list: string): string | null =>
  Object.entries(faults).find(([field]) => field.split('.')[0] === list)?.[1] ?? null

/** Which pipe goes where, from the face on: tried with what is to hand, then laid down for the crew. */
export default function LayingPage(): ReactElement {
  const { id = '' } = useParams()
  const line = useLine(id)
  const starts = useLaying(id)
  if (!line.data) return whileComing(line, { to: '/', label: say('common.lines') })
  if (!starts.data) return whileComing(starts, { to: `/lines/${id}`, label: line.data.name })
  return (
    <Page wide practice={line.data.practice} up={{ to: `/lines/${id}`, label: line.data.name }} title={say('laying.title')}>
      {/* Another face is another plan: what was asked begins anew from there. */}
      <Plan key={starts.data.from_m} line={line.data} starts={starts.data} />
    </Page>
  )
}

function Plan({ line, starts }: { line: LineFull; starts: Starts }): ReactElement {
  const [asked, setAsked] = useState<Asked>(starts.asked)
  const [at, setAt] = useState<number | null>(null)
  const isComplete = asked.max_joint_angle_deg !== null && (starts.turns !== null || (asked.limit_source ?? '') !== '')
  const outcome = useOutcome(line.id, isComplete ? asked : null)
  const system = useMe().data?.units ?? 'metric'
  const units = useUnits().data
  const unit = useMemo(() => shownAs('x_m', 'length', system, units), [system, units])
  const faults = useMemo(() => faultsOf(outcome.error instanceof Error ? outcome.error : null), [outcome.error])
  const change = useCallback((next: Asked) => {
    setAsked(next)
    setAt(null)
  }, [])
  const limit = asked.max_joint_angle_deg ?? 1
  const found = outcome.error ? undefined : outcome.data
  return (
    <Box sx={BESIDE}>
      <Box sx={SAID}>
        {!isComplete && <Sentence verdict="open">{say('laying.sayWhoseAngle')}</Sentence>}
        {outcome.error && <Refused why={Object.entries(faults).find(([field]) => !BY_ITS_FIELD.has(field.split('.')[0]!))?.[1] ?? null} />}
        {found && <Judged outcome={found} asked={asked} limit={limit} busy={outcome.isPlaceholderData} />}
        {found && found.rows.length > 0 && <Way outcome={found} />}
        {found?.cover && <Cover cover={found.cover} least={asked.least_cover_m ?? null} />}
        {found && <Helps helps={found.helps} asked={asked} limit={limit} onAsked={change} />}
        {found?.feasible && !outcome.isPlaceholderData && <LayItDown line={line} starts={starts} asked={asked} outcome={found} />}
      </Box>
      <Box sx={DRAWING}>
        {found && (
          <LayingDrawing
            line={line}
            outcome={found}
            limit={limit}
            share={asked.working_share}
            ground={asked.ground ?? NO_GROUND}
            leastCover={asked.least_cover_m ?? null}
            at={at}
            onAt={setAt}
          />
        )}
        {found && at !== null && found.rows[at] && <AtHand row={found.rows[at]} />}
      </Box>
      <Box sx={ASKED}>
        <Stock asked={asked} rows={found?.rows ?? []} unit={unit} fault={faultIn(faults, 'stock')} onAsked={change} />
        <Bends asked={asked} unit={unit} fault={faultIn(faults, 'bends')} onAsked={change} />
        <Ground asked={asked} unit={unit} faults={faults} fault={faultIn(faults, 'ground')} onAsked={change} />
        <Rules page={starts} asked={asked} unit={unit} faults={faults} onAsked={change} />
        <LaidDown line={line} starts={starts} />
      </Box>
      <Box sx={PIPES}>{found && found.rows.length > 0 && <Pipes rows={found.rows} at={at} onAt={setAt} />}</Box>
    </Box>
  )
}

/** What the plan comes to, or where it fails and by how much. */
function Judged({ outcome, asked, limit, busy }: { outcome: LayingOutcome; asked: Asked; limit: number; busy: boolean }): ReactElement {
  const show = useShow()
  const may = `${Number((limit * asked.working_share).toFixed(2))}°`
  const at = show('x_m', 'length', outcome.fail_station_m ?? 0, 1)
  const why = (): string => {
    if (outcome.fail_reason === 'angle')
      return outcome.fail_angle_deg === null
        ? say('laying.turnsBack', { at })
        : say('laying.wouldTurn', { at, angle: `${outcome.fail_angle_deg.toFixed(2)}°`, may })
    if (outcome.fail_reason === 'stock') return say('laying.tooFewPipes')
    if (outcome.fail_reason === 'tolerance') return say('laying.leavesTheLine')
    return say('laying.lastPieceFails', { least: show('x_m', 'length', asked.min_piece_m, 2) })
  }
  return (
    <Box aria-busy={busy} aria-live="polite" sx={{ opacity: busy ? 0.6 : 1 }}>
      {outcome.feasible ? (
        <Sentence
          verdict={asked.working_share < 1 ? 'good' : 'close'}
          act={
            asked.working_share < 1
              ? outcome.fewest_proved
                ? say('laying.fewestThereAre')
                : say('laying.likelyFewest')
              : say('laying.nothingInHand')
          }
        >
          {say('laying.comesOut', {
            count: outcome.piece_count ?? 0,
            bends: outcome.bend_count ?? 0,
            cuts: outcome.cut_count ?? 0,
            angle: `${(outcome.max_angle_deg ?? 0).toFixed(2)}°`,
            may,
          })}
        </Sentence>
      ) : (
        <Sentence
          verdict="bad"
          act={outcome.helps.some((help) => help.enough || help.kind === 'more-pipes') ? undefined : say('laying.theDesignerDecides')}
        >
          {why()}
        </Sentence>
      )}
    </Box>
  )
}

/** The joint that is looked at, and the pipe behind it. */
function AtHand({ row }: { row: LayingOutcome['rows'][number] }): ReactElement {
  const show = useShow()
  return (
    <Typography role="status" sx={{ fontSize: '1.15rem', my: 1.5 }}>
      <strong>
        {row.bend
          ? say('laying.bendAtHand', { at: show('x_m', 'length', row.from_m, 2) })
          : say('laying.atHand', { at: show('x_m', 'length', row.from_m, 2), pipe: row.pipe ?? 0 })}
      </strong>{' '}
      {[
        row.bend ? bendWords(row.bend) : show('x_m', 'length', row.length_m, 3),
        row.cut_from_m === null ? '' : say('laying.cutFrom', { from: show('x_m', 'length', row.cut_from_m, 2) }),
        turnWords(row, show),
        say('laying.invertAt', { level: show('x_m', 'length', row.from.invert_m, 3) }),
      ]
        .filter((said) => said !== '')
        .join(' · ')}
    </Typography>
  )
}

/** The plan becomes the line: joints and pipes that nobody has begun make room for it. Two taps, with the reason. */
function LayItDown({
  line,
  starts,
  asked,
  outcome,
}: {
  line: LineFull
  starts: Starts
  asked: Asked
  outcome: LayingOutcome
}): ReactElement {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const lay = useVerb(
    () => api.post<Starts>(`/lines/${line.id}/laying-plan`, { ...asked, reason: reason.trim(), from_m: starts.from_m }),
    () => setOpen(false),
  )
  const going = line.joints.filter((j) => j.state === 'planned' && j.place === 'in-line' && j.chainage_m > starts.from_m - 0.01).length
  if (!starts.may_lay_down) return <Typography sx={{ mt: 2 }}>{say('laying.anEngineerLaysIt')}</Typography>
  return (
    <Box sx={{ mt: 2 }}>
      <Button variant="contained" fullWidth onClick={() => setOpen(true)}>
        {say('laying.layItDown')}
      </Button>
      {open && (
        <Sheet
          open
          onClose={() => setOpen(false)}
          close={say('laying.notYet')}
          title={say('laying.laidForTheCrew')}
          actions={
            <Button variant="contained" color="secondary" disabled={lay.busy || reason.trim().length < 3} onClick={() => lay.run()}>
              {say('laying.layItDownNow')}
            </Button>
          }
        >
          <Typography sx={{ mb: 2 }}>{say('laying.whatItCosts', { count: going, pipes: outcome.piece_count ?? 0 })}</Typography>
          <TextField
            label={say('laying.why')}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            error={!!lay.faults['reason']}
            helperText={lay.faults['reason']}
          />
          <Refused why={lay.fault} />
        </Sheet>
      )}
    </Box>
  )
}

/** The plan that the crew has, and its files. */
function LaidDown({ line, starts }: { line: LineFull; starts: Starts }): ReactElement | null {
  const show = useShow()
  const { plan } = starts
  if (plan === null) return null
  const files = [
    ['laying-sheet.pdf', say('laying.sheet')],
    ['laying-plan.csv', 'CSV'],
    ['laying-plan.geojson', 'GeoJSON'],
    ['laying-plan.xml', 'LandXML'],
  ]
  return (
    <Box component="section" aria-labelledby="laid" sx={{ mt: 3 }}>
      <Typography id="laid" variant="h2">
        {say('laying.laidDown')}
      </Typography>
      <Typography>
        {say('laying.laidDownBy', {
          count: plan.rows.length,
          from: show('x_m', 'length', plan.from_m, 1),
          by: plan.by,
          at: dayAndTime(plan.at, line.time_zone),
          reason: plan.reason,
        })}
      </Typography>
      <Box sx={{ display: 'flex', gap: 2.5, flexWrap: 'wrap' }}>
        {files.map(([file, label]) => (
          <MuiLink key={file} href={`/api/v1/lines/${line.id}/${file}`} download sx={{ py: 1.5 }}>
            {label}
          </MuiLink>
        ))}
      </Box>
    </Box>
  )
}
