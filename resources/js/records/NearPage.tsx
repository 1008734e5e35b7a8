import { Box, Button, Link as MuiLink, TextField, Typography } from '@mui/material'
import { useState, type FormEvent, type ReactElement } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import type { Near } from '../api/client'
import { useLine, useMe, useNear, useUnits } from '../api/queries'
import { pageOf } from '../api/subject'
import { PlanView } from '../ui/PlanView'
import { figureOf } from '../ui/figureOf'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { shownAs, useShow } from '../ui/units'
import { VerdictMark, WORD } from '../ui/Verdict'
import { whileComing } from '../ui/whileComing'
import { stateWord } from '../texts/words'
import { say } from '../texts/say'
import { JointsNear } from './JointsNear'

const PLACE = ['at_m', 'easting', 'northing'] as const

/** A leak is reported at a place: what lies there, who made it, what was tested, and the way to each. */
export default function NearPage(): ReactElement {
  const { id = '' } = useParams()
  const [params, setParams] = useSearchParams()
  const line = useLine(id)
  const place = new URLSearchParams(PLACE.flatMap((key) => (params.get(key) ? [[key, params.get(key)!]] : []))).toString()
  const near = useNear(id, place)
  const show = useShow()
  // Before the units have come nobody knows what a figure would be in.
  const units = useMe().data?.units
  if (!line.data) return whileComing(line, { to: '/', label: say('common.lines') })
  const found = place === '' ? undefined : near.data
  const look = (to: Partial<Record<(typeof PLACE)[number], string>>): void => setParams(to as Record<string, string>)
  const m = (value: number): string => show('x_m', 'length', value)
  return (
    <Page
      wide
      practice={line.data.practice}
      up={{ to: `/lines/${id}`, label: line.data.name }}
      title={found ? say('records.whatLiesAt', { at: m(found.at_m) }) : say('records.findByPlace')}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1.1fr 1fr' }, columnGap: 6, rowGap: 3 }}>
        <Box>
          <Where key={`${place} ${units}`} params={params} onLook={look} />
          <Refused why={near.error?.message ?? null} />
          <PlanView
            points={line.data.centre_line}
            joints={line.data.joints.filter((j) => j.state !== 'cut-out' && j.place === 'in-line').map((j) => j.chainage_m)}
            at={found?.at_m}
            onPick={(east, north) => look({ easting: east.toFixed(1), northing: north.toFixed(1) })}
          />
          {found && (
            <Typography variant="body2" sx={{ mt: 1 }}>
              {say('records.theSpot', {
                east: found.place[0]!.toFixed(1),
                north: found.place[1]!.toFixed(1),
                level: found.place[2]!.toFixed(2),
              })}
              {typeof found.off_m === 'number' &&
                ` · ${say(found.off_m >= 0 ? 'records.pointOffRight' : 'records.pointOffLeft', { off: m(Math.abs(found.off_m)) })}`}
            </Typography>
          )}
          <Typography sx={{ mt: 1 }}>
            <a href={`/api/v1/lines/${id}/line.geojson`}>{say('records.mapGeoJson')}</a>
          </Typography>
        </Box>
        <Box>
          {found ? (
            <>
              <JointsNear joints={found.joints} zone={line.data.time_zone} />
              <Tested near={found} />
              <Records near={found} />
            </>
          ) : (
            place === '' && <Typography>{say('records.whereToLook')}</Typography>
          )}
        </Box>
      </Box>
    </Page>
  )
}

/** A chainage in the person's own unit, or a point. */
function Where({
  params,
  onLook,
}: {
  params: URLSearchParams
  onLook: (to: Partial<Record<(typeof PLACE)[number], string>>) => void
}): ReactElement {
  const shown = shownAs('x_m', 'length', useMe().data?.units ?? 'metric', useUnits().data)
  const asked = params.get('at_m')
  const [chainage, setChainage] = useState(asked === null ? '' : String(Number(shown.fromKey(Number(asked)).toFixed(2))))
  const [east, setEast] = useState(params.get('easting') ?? '')
  const [north, setNorth] = useState(params.get('northing') ?? '')
  const [fault, setFault] = useState<string | null>(null)
  const submit = (e: FormEvent): void => {
    e.preventDefault()
    const [c, x, y] = [chainage, east, north].map((text) => (text.trim() === '' ? null : figureOf(text)))
    if (typeof c === 'number') return onLook({ at_m: String(Math.round(shown.toKey(c) * 1000) / 1000) })
    if (typeof x === 'number' && typeof y === 'number') return onLook({ easting: String(x), northing: String(y) })
    setFault(say('records.chainageOrPoint'))
  }
  const field = (label: string, value: string, set: (text: string) => void): ReactElement => (
    <TextField
      label={label}
      value={value}
      onChange={(e) => {
        set(e.target.value)
        setFault(null)
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
  return (
    <Box component="form" noValidate onSubmit={submit} sx={{ mb: 2 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1.5, alignItems: 'center' }}>
        {field(say('records.chainageAt', { symbol: shown.symbol }), chainage, setChainage)}
        <Button type="submit" variant="contained">
          {say('records.look')}
        </Button>
      </Box>
      <Typography variant="body2" sx={{ my: 1 }}>
        {say('records.orAPoint')}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        {field(say('records.easting'), east, (text) => {
          setEast(text)
          setChainage('')
        })}
        {field(say('records.northing'), north, (text) => {
          setNorth(text)
          setChainage('')
        })}
      </Box>
      <Refused why={fault} />
    </Box>
  )
}

/** Which sections go over the place, and how their tests came out. */
function Tested({ near }: { near: Near }): ReactElement {
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h2">{say('records.testsHere')}</Typography>
      {near.sections.length === 0 && <Typography sx={{ my: 1 }}>{say('records.noSectionHere')}</Typography>}
      {near.sections.map((s) => (
        <Typography key={s.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
          <MuiLink component={Link} to={`/sections/${s.id}`}>
            {s.name}
          </MuiLink>
          {s.tests.length === 0 && ` · ${say('records.noTestYet')}`}
          {s.tests.map((t) => (
            <span key={t.id}>
              {' · '}
              <MuiLink component={Link} to={pageOf('test', t.id)}>
                {say('records.testNumber', { number: t.number })}
              </MuiLink>{' '}
              {t.state === 'accepted' ? WORD[t.verdict].toLowerCase() : stateWord(t.state)}
              {t.asked_kpa ? `, ${say('records.forLessThanAsked')}` : ''}
            </span>
          ))}
        </Typography>
      ))}
    </Box>
  )
}

function Records({ near }: { near: Near }): ReactElement | null {
  if (near.records.length === 0) return null
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h2">{say('records.recordsHere')}</Typography>
      {near.records.map((r) => (
        <Box key={r.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <VerdictMark verdict={r.verdict} />
          <Typography>
            <MuiLink component={Link} to={pageOf('stretch', r.id)}>
              {r.name}
            </MuiLink>{' '}
            · {r.of}
          </Typography>
        </Box>
      ))}
    </Box>
  )
}
