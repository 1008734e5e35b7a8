import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { LinePreview, SectionPreview } from '../api/client'
import { say } from '../texts/say'
import { SectionProfile } from '../ui/SectionProfile'
import { useShow } from '../ui/units'
import { PlanView } from '../ui/PlanView'

/** What the line would be: from above, how many pipes and joints, and what each section asks for. */
export function PreviewOfLine({ of }: { of: LinePreview }): ReactElement {
  const show = useShow()
  return (
    <Box role="region" aria-label={say('line.preview')}>
      <Typography>
        {say('line.pipesAndJoints', {
          length: show('x_m', 'length', of.length_m, 1),
          pipes: of.pipes,
          joints: of.joints.length,
          last: show('x_m', 'length', of.last_pipe_m, 2),
          od: show('x_mm', 'length', of.od_mm, 1),
          wall: show('x_mm', 'length', of.wall_mm, 1),
        })}
        {of.other_lengths.length > 0 && (
          <>
            {' '}
            {say('line.withPipesOf', {
              other: of.other_lengths
                .map((o) => say('line.jointsOfLength', { length: show('x_m', 'length', o.pipe_length_m), joints: o.joints }))
                .join('; '),
            })}
          </>
        )}
      </Typography>
      <PlanView points={of.centre_line} joints={of.joints} />
      {of.sections.map((section, i) => (
        <PreviewOfSection key={i} of={section} />
      ))}
    </Box>
  )
}

/** Where the pressures fall and what it costs: water, time, thrust. */
export function PreviewOfSection({ of: { name, plan, fault } }: { of: SectionPreview }): ReactElement | null {
  const show = useShow()
  if (fault !== null) return <Typography sx={{ mt: 2, fontWeight: 700, color: 'secondary.main' }}>{`${name}: ${fault}`}</Typography>
  if (plan === null) return null
  return (
    <Box sx={{ mt: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>{name}</Typography>
      <SectionProfile plan={plan} />
      {plan.at_gauge ? <Watered plan={plan} /> : <OwnPressure plan={plan} />}
      {plan.medium === 'water' && plan.fill.velocity_ok === false && (
        <Typography sx={{ fontWeight: 700 }}>
          {say('line.filledTooFast', { most: show('x_l_s', 'flow', plan.fill.max_rate_l_s, 2) })}
        </Typography>
      )}
      {plan.at_gauge && !plan.gauge.feasible && (
        <Typography sx={{ fontWeight: 700, color: 'secondary.main' }}>
          {say(plan.gauge.pipe_max_stated ? 'section.noGaugePressureSuitsBothThe' : 'section.withNoMoreThanTheTest')}
        </Typography>
      )}
    </Box>
  )
}

type Plan = NonNullable<SectionPreview['plan']>

function Watered({ plan }: { plan: Plan }): ReactElement {
  const show = useShow()
  const kpa = (value: number): string => show('x_kpa', 'pressure', value)
  return (
    <>
      <Typography>
        {say('line.testPressureAndGauge', {
          stp: kpa(plan.stp_kpa),
          lowest: show('x_m', 'length', plan.gauge.lowest_m, 0),
          target: kpa(plan.gauge.target_kpa),
          gauge: show('x_m', 'length', plan.gauge.gauge_m, 0),
        })}
      </Typography>
      <Typography>
        {say('line.whatItCosts', {
          water: show('x_m3', 'volume', plan.fill.water_m3, 1),
          minutes: Math.round(plan.fill.fill_h * 60),
          raise: show('x_l', 'volume', plan.raise.total_l, 0),
          thrust: show('x_kn', 'force', plan.thrust.force_kn, 0),
        })}
      </Typography>
    </>
  )
}

function OwnPressure({ plan: { compliance, stored } }: { plan: Plan }): ReactElement {
  const show = useShow()
  return (
    <>
      <Typography>{say('line.ownPressure', { volume: show('x_m3', 'volume', compliance.volume_m3, 1) })}</Typography>
      {stored && (
        <Typography>
          {say('line.keepAway', {
            pressure: show('x_kpa', 'pressure', stored.p_kpa),
            energy: show('x_mj', 'energy', stored.energy_mj),
            distance: show('x_m', 'length', stored.distance_m, 0),
          })}
        </Typography>
      )}
    </>
  )
}
