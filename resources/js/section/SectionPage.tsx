import { Box, Button, Link as MuiLink, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../api/client'
import { RemoveSection } from './RemoveSection'
import { useSection } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { SectionProfile } from '../ui/SectionProfile'
import { Sheet } from '../ui/Sheet'
import { useShow } from '../ui/units'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence, WORD } from '../ui/Verdict'
import { say } from '../texts/say'
import { stateWord } from '../texts/words'

/** Plan a test: what is missing, heads, water, vents, thrust. */
export default function SectionPage(): ReactElement {
  const { id = '' } = useParams()
  const section = useSection(id)
  const navigate = useNavigate()
  const show = useShow()
  const now = useNow(5000)
  const [asked, setAsked] = useState(false)
  const begin = useVerb(
    () => api.post<{ id: string }>(`/sections/${id}/tests`),
    (made) => void navigate(`/tests/${made.id}`),
  )
  if (!section.data) return whileComing(section, { to: '/', label: say('common.lines') })
  const { data } = section
  const { plan } = data
  const kpa = (of: number): string => show('x_kpa', 'pressure', of)
  const { gauge } = plan
  // "0.12 L/kPa": one kPa takes 0.12 L.
  const [takes, perUnit] = show('x_l_per_bar', 'compliance', plan.compliance.compliance_l_per_bar).split('/')
  const room =
    gauge.max_kpa - gauge.min_kpa < 1
      ? say('section.neitherMoreNorLess')
      : say('section.mayShowTo', { min: kpa(gauge.min_kpa), max: kpa(gauge.max_kpa) })
  const filling =
    plan.fill.fill_h < 1 ? say('section.minutes', { minutes: Math.round(plan.fill.fill_h * 60) }) : `${plan.fill.fill_h.toFixed(1)} h`
  const rows: [string, string, string?][] = [
    [
      say('section.atTheGauge'),
      show('x_kpa', 'pressure', plan.gauge.target_kpa),
      say('section.chainage', { gauge: show('x_m', 'length', gauge.gauge_m), room }),
    ],
    [
      say('section.lowestPointSees'),
      show('x_kpa', 'pressure', plan.stp_kpa),
      say('section.systemTestPressureAt', { lowest: show('x_m', 'length', plan.gauge.lowest_m) }),
    ],
    [
      say('section.weakestPartMaySee'),
      plan.gauge.pipe_max_stated ? show('x_kpa', 'pressure', plan.gauge.pipe_max_kpa) : say('common.notStated'),
      plan.gauge.pipe_max_stated ? undefined : say('section.soNoPointSeesMoreThan'),
    ],
    [
      say('section.waterToFill'),
      show('x_m3', 'volume', plan.fill.water_m3, 1),
      say('section.atThePlannedRate', {
        filling,
        tooFast:
          plan.fill.velocity_ok === false
            ? say('section.tooFastFillSlower', { most: show('x_l_s', 'flow', plan.fill.max_rate_l_s, 2) })
            : '',
      }),
    ],
    [
      say('section.waterToRaise'),
      show('x_l', 'volume', plan.raise.total_l),
      say('section.with4OfAir', { total: show('x_l', 'volume', plan.raise_with_air.total_l, 0) }),
    ],
    [say('section.oneUnitTakes', { unit: perUnit! }), takes!],
    [say('section.thrustOnTheEnds'), show('x_kn', 'force', plan.thrust.force_kn), say('section.endsMustBeBracedForIt')],
    [
      say('section.vents'),
      plan.vents.vents_m.length ? plan.vents.vents_m.map((m) => show('x_m', 'length', m, 0)).join(', ') : say('common.none'),
    ],
    [
      say('section.drains'),
      plan.vents.drains_m.length ? plan.vents.drains_m.map((m) => show('x_m', 'length', m, 0)).join(', ') : say('common.none'),
    ],
    [
      say('section.earliestStart'),
      plan.earliest ? clockAndCountdown(plan.earliest.earliest_at, now, data.line.time_zone) : '–',
      plan.earliest ? say('section.jointIsTheLastToCool', { governing: plan.earliest.governing }) : say('section.noJointHasAClockYet'),
    ],
  ]
  return (
    <Page
      practice={data.line.practice}
      up={{ to: `/lines/${data.line.id}`, label: data.line.name }}
      title={say('section.nameFromTo', {
        name: data.name,
        from: show('x_m', 'length', data.from_m, 0),
        to: show('x_m', 'length', data.to_m, 0),
      })}
    >
      <SectionProfile plan={plan} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1.2fr 1fr' }, columnGap: 5, rowGap: 3, mt: 2 }}>
        <Box>
          <Typography variant="h2">{say('section.beforeTheTest')}</Typography>
          <Box
            component="table"
            sx={{
              width: '100%',
              borderCollapse: 'collapse',
              mt: 1,
              '& th, & td': { textAlign: 'left', verticalAlign: 'baseline', borderTop: 1, borderColor: 'divider', py: 1, pr: 1.5 },
              '& th': { fontWeight: 400, width: '30%' },
            }}
          >
            <tbody>
              {rows.map(([label, value, note]) => (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  <td>
                    <strong>{value}</strong>
                    {note && (
                      <Typography component="span" variant="body2">
                        {' '}
                        · {note}
                      </Typography>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
        <Box>
          {plan.missing.length > 0 || !plan.gauge.feasible ? (
            <Sentence
              verdict={plan.verdict}
              act={
                plan.gauge.feasible
                  ? say('section.aTestMayBeTriedBut')
                  : plan.gauge.pipe_max_stated
                    ? say('section.noGaugePressureSuitsBothThe')
                    : say('section.withNoMoreThanTheTest') + say('section.stateWhatTheWeakestPartMay')
              }
            >
              {plan.missing.length === 0
                ? say('section.theSectionIsTooHighFor')
                : say('section.thingsAreMissing', { count: plan.missing.length })}
            </Sentence>
          ) : (
            <Sentence verdict="good">{say('section.allJointsAreAccepted', { count: plan.joint_count })}</Sentence>
          )}
          <Box component="ul" sx={{ pl: 2.5, my: 1, maxHeight: 260, overflowY: 'auto' }}>
            {plan.missing.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </Box>
          <Typography sx={{ my: 1.5 }}>{say('section.method', { title: data.method.title })}</Typography>
          {data.tests.map((t) => (
            <Typography key={t.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25 }}>
              <MuiLink component={Link} to={`/tests/${t.id}`}>
                {say('section.test', { number: t.number })}
              </MuiLink>{' '}
              · {WORD[t.verdict]} · {t.state === 'accepted' ? say('section.signed') : stateWord(t.state)}
            </Typography>
          ))}
          <Button
            variant="contained"
            fullWidth
            sx={{ mt: 1 }}
            onClick={() => (plan.missing.length > 0 ? setAsked(true) : begin.run())}
            disabled={data.role === 'joiner' || begin.busy}
          >
            {data.tests.length > 0 ? say('section.beginAnotherTest') : say('section.beginTheTest')}
          </Button>
          {data.role === 'joiner' && (
            <Typography variant="body2" sx={{ mt: 1 }}>
              {say('section.aForemanAnInspectorOrAn')}
            </Typography>
          )}
          <Refused why={begin.fault} />
          {data.role === 'engineer' && data.tests.length === 0 && <RemoveSection id={id} name={data.name} line={data.line.id} />}
          {asked && (
            <Sheet
              open
              onClose={() => setAsked(false)}
              close={say('section.notYet')}
              title={say('section.thingsAreMissing', { count: plan.missing.length })}
              actions={
                <Button variant="contained" color="secondary" disabled={begin.busy} onClick={() => begin.run()}>
                  {say('section.beginAllTheSame')}
                </Button>
              }
            >
              <Typography sx={{ mb: 1 }}>{say('section.whatItCosts')}</Typography>
              <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
                {plan.missing.map((m) => (
                  <li key={m}>{m}</li>
                ))}
              </Box>
            </Sheet>
          )}
          <Typography variant="body2" sx={{ mt: 2 }}>
            {say('section.storedEnergyNobodyInLineWith')}
          </Typography>
        </Box>
      </Box>
    </Page>
  )
}
