import { Box, Button, Link as MuiLink, Typography, useTheme } from '@mui/material'
import { type ReactElement } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, type SectionPlan } from '../api/client'
import { useSection } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { Loading } from '../ui/Loading'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { useShow } from '../ui/units'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence, WORD } from '../ui/Verdict'

/** Plan a test: what is missing, heads, water, vents, thrust. */
export default function SectionPage(): ReactElement {
  const { id = '' } = useParams()
  const section = useSection(id)
  const navigate = useNavigate()
  const show = useShow()
  const now = useNow(5000)
  const begin = useVerb(
    () => api.post<{ id: string }>(`/sections/${id}/tests`),
    (made) => void navigate(`/tests/${made.id}`),
  )
  if (!section.data) return <Loading query={section} up={{ to: '/', label: 'Lines' }} />
  const { data } = section
  const { plan } = data
  const kpa = (of: number): string => show('x_kpa', 'pressure', of)
  const { gauge } = plan
  const room = gauge.max_kpa - gauge.min_kpa < 1 ? 'neither more nor less' : `may show ${kpa(gauge.min_kpa)} to ${kpa(gauge.max_kpa)}`
  const filling = plan.fill.fill_h < 1 ? `${Math.round(plan.fill.fill_h * 60)} min` : `${plan.fill.fill_h.toFixed(1)} h`
  const rows: [string, string, string?][] = [
    ['At the gauge', show('x_kpa', 'pressure', plan.gauge.target_kpa), `chainage ${show('x_m', 'length', gauge.gauge_m)}; ${room}`],
    [
      'Lowest point sees',
      show('x_kpa', 'pressure', plan.stp_kpa),
      `system test pressure, at ${show('x_m', 'length', plan.gauge.lowest_m)}`,
    ],
    [
      'Weakest part may see',
      plan.gauge.pipe_max_stated ? show('x_kpa', 'pressure', plan.gauge.pipe_max_kpa) : 'not stated',
      plan.gauge.pipe_max_stated ? undefined : 'so no point sees more than the test pressure',
    ],
    [
      'Water to fill',
      show('x_m3', 'volume', plan.fill.water_m3, 1),
      `${filling} at the planned rate${plan.fill.velocity_ok === false ? '; too fast, fill slower' : ''}`,
    ],
    [
      'Water to raise',
      show('x_l', 'volume', plan.raise.total_l),
      `with 4 % of air ${show('x_l', 'volume', plan.raise_with_air.total_l, 0)}`,
    ],
    ['One bar takes', show('x_l', 'volume', plan.compliance.compliance_l_per_bar, 2)],
    ['Thrust on the ends', show('x_kn', 'force', plan.thrust.force_kn), 'ends must be braced for it'],
    ['Vents', plan.vents.vents_m.length ? plan.vents.vents_m.map((m) => show('x_m', 'length', m, 0)).join(', ') : 'none'],
    ['Drains', plan.vents.drains_m.length ? plan.vents.drains_m.map((m) => show('x_m', 'length', m, 0)).join(', ') : 'none'],
    [
      'Earliest start',
      plan.earliest ? clockAndCountdown(plan.earliest.earliest_at, now, data.line.time_zone) : '–',
      plan.earliest ? `joint ${plan.earliest.governing} is the last to cool` : 'no joint has a clock yet',
    ],
  ]
  return (
    <Page
      up={{ to: `/lines/${data.line.id}`, label: data.line.name }}
      title={`${data.name}, ${show('x_m', 'length', data.from_m, 0)} to ${show('x_m', 'length', data.to_m, 0)}`}
    >
      <Profile plan={plan} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1.2fr 1fr' }, columnGap: 5, rowGap: 3, mt: 2 }}>
        <Box>
          <Typography variant="h2">Before the test</Typography>
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
                  ? 'A test may be tried, but not signed, before these are done.'
                  : plan.gauge.pipe_max_stated
                    ? 'No gauge pressure suits both the lowest and the highest point: split the section.'
                    : 'With no more than the test pressure at the lowest point, the highest is not tested. ' +
                      'State what the weakest part may see, or split the section.'
              }
            >
              {plan.missing.length === 0
                ? 'the section is too high for one test.'
                : plan.missing.length === 1
                  ? 'one thing is missing.'
                  : `${plan.missing.length} things are missing.`}
            </Sentence>
          ) : (
            <Sentence verdict="good">all {plan.joint_count} joints are accepted.</Sentence>
          )}
          <Box component="ul" sx={{ pl: 2.5, my: 1, maxHeight: 260, overflowY: 'auto' }}>
            {plan.missing.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </Box>
          <Typography sx={{ my: 1.5 }}>Method: {data.method.title}</Typography>
          {data.tests.map((t) => (
            <Typography key={t.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25 }}>
              <MuiLink component={Link} to={`/tests/${t.id}`}>
                Test {t.number}
              </MuiLink>{' '}
              · {WORD[t.verdict]} · {t.state === 'accepted' ? 'signed' : t.state}
            </Typography>
          ))}
          <Button variant="contained" fullWidth sx={{ mt: 1 }} onClick={() => begin.run()} disabled={data.role === 'joiner' || begin.busy}>
            {data.tests.length > 0 ? 'Begin another test' : 'Begin the test'}
          </Button>
          {data.role === 'joiner' && (
            <Typography variant="body2" sx={{ mt: 1 }}>
              A foreman, an inspector or an engineer begins a test.
            </Typography>
          )}
          <Refused why={begin.fault} />
          <Typography variant="body2" sx={{ mt: 2 }}>
            Stored energy: nobody in line with an end or cap. Follow your local code and your licensed supervisor.
          </Typography>
        </Box>
      </Box>
    </Page>
  )
}

/** The profile of the section with the head at each point, vents and drains. */
function Profile({ plan }: { plan: SectionPlan['plan'] }): ReactElement {
  const c = useTheme().colours
  const show = useShow()
  const [w, h] = [1000, 250]
  const first = plan.profile[0]![0]!
  const last = plan.profile[plan.profile.length - 1]![0]!
  const levels = plan.profile.map((p) => p[1]!)
  const [low, high] = [Math.min(...levels), Math.max(...levels)]
  const x = (m: number): number => 70 + ((m - first) / (last - first)) * (w - 140)
  const y = (z: number): number => 190 - ((z - low) / Math.max(0.5, high - low)) * 110
  const level = (m: number): number => {
    const i = Math.max(
      1,
      plan.profile.findIndex((p) => p[0]! >= m - 1e-6),
    )
    const [a, b] = [plan.profile[i - 1]!, plan.profile[i]!]
    return a[1]! + ((m - a[0]!) / (b[0]! - a[0]!)) * (b[1]! - a[1]!)
  }
  const head = (m: number): number => plan.heads.reduce((best, p) => (Math.abs(p[0]! - m) < Math.abs(best[0]! - m) ? p : best))[1]!
  const marks: [number, string][] = [
    [plan.gauge.lowest_m, 'lowest'],
    [plan.gauge.highest_m, 'highest'],
  ]
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <svg
        viewBox={`0 0 ${w} ${h}`}
        style={{ width: '100%', minWidth: 620, display: 'block' }}
        role="img"
        aria-label="Profile of the section with the pressure at its low and high point"
      >
        <polyline
          fill="none"
          stroke={c.water}
          strokeWidth={6}
          strokeLinejoin="round"
          points={plan.profile.map((p) => `${x(p[0]!)},${y(p[1]!)}`).join(' ')}
        />
        {plan.vents.vents_m.map((m) => (
          <g key={`v${m}`} fill={c.ink}>
            <path d={`M${x(m)} ${y(level(m)) - 8}v-20`} stroke={c.ink} strokeWidth={2} />
            <circle cx={x(m)} cy={y(level(m)) - 31} r={4} />
            <text
              x={m > last - (last - first) * 0.15 ? x(m) - 8 : x(m) + 8}
              y={y(level(m)) - 28}
              fontSize={14}
              textAnchor={m > last - (last - first) * 0.15 ? 'end' : 'start'}
            >
              vent {show('x_m', 'length', m, 0)}
            </text>
          </g>
        ))}
        {plan.vents.drains_m.map((m) => (
          <g key={`d${m}`} fill={c.ink}>
            <path d={`M${x(m)} ${y(level(m)) + 8}v16m-5 -6l5 6l5 -6`} stroke={c.ink} strokeWidth={2} fill="none" />
            <text
              x={m > last - (last - first) * 0.15 ? x(m) - 10 : x(m) + 10}
              y={y(level(m)) + 24}
              fontSize={14}
              textAnchor={m > last - (last - first) * 0.15 ? 'end' : 'start'}
            >
              drain {show('x_m', 'length', m, 0)}
            </text>
          </g>
        ))}
        {marks.map(([m, word]) => (
          <text
            key={word}
            x={x(m)}
            y={word === 'lowest' ? 236 : 22}
            fontSize={16}
            fontWeight={700}
            textAnchor={m < first + 60 ? 'start' : m > last - 60 ? 'end' : 'middle'}
            fill={c.ink}
          >
            {word} {show('x_kpa', 'pressure', head(m))}
          </text>
        ))}
        <g fill={c.accent}>
          <circle cx={x(plan.gauge.gauge_m)} cy={y(level(plan.gauge.gauge_m))} r={9} />
          <text x={x(plan.gauge.gauge_m) - 12} y={y(level(plan.gauge.gauge_m)) + 5} fontSize={16} fontWeight={700} textAnchor="end">
            gauge
          </text>
        </g>
      </svg>
    </Box>
  )
}
