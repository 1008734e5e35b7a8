import type { SectionPlan } from '../api/client'
import { say } from '../texts/say'
import type { useShow } from '../ui/units'
import { clockAndCountdown } from '../ui/useNow'

type Plan = SectionPlan['plan']
type Show = ReturnType<typeof useShow>

/** What is read in a line of the plan: of what, how much, and what goes with it. */
export type PlanRow = [label: string, value: string, note?: string]

/** What a section asks for before its test: by what it is filled with, and whether the method takes its pressure from here. */
export function planRows(plan: Plan, show: Show, now: number, zone: string): PlanRow[] {
  return [
    ...(plan.at_gauge ? pressures(plan, show) : [ownPressure(plan, show)]),
    ...filling(plan, show),
    ...(plan.at_gauge ? raising(plan, show) : []),
    ...thrust(plan, show),
    ...drawsIn(plan, show),
    ...stored(plan, show),
    ...(plan.medium === 'water' ? valves(plan, show) : []),
    [
      say('section.earliestStart'),
      plan.earliest ? clockAndCountdown(plan.earliest.earliest_at, now, zone) : '–',
      plan.earliest
        ? say(plan.earliest.is_joint ? 'section.jointIsTheLastToCool' : 'section.concreteIsTheLast', { governing: plan.earliest.governing })
        : say('section.noJointHasAClockYet'),
    ],
  ]
}

const ownPressure = (plan: Plan, show: Show): PlanRow =>
  plan.stored
    ? [say('section.pressure'), show('x_kpa', 'pressure', plan.stored.p_kpa), say('section.plannedHere')]
    : [say('section.pressure'), say('section.saidByTheMethod')]

function pressures(plan: Plan, show: Show): PlanRow[] {
  const { gauge } = plan
  const kpa = (of: number | null | undefined): string => show('x_kpa', 'pressure', of)
  const room =
    gauge.max_kpa - gauge.min_kpa < 1
      ? say('section.neitherMoreNorLess')
      : say('section.mayShowTo', { min: kpa(gauge.min_kpa), max: kpa(gauge.max_kpa) })
  return [
    [say('section.atTheGauge'), kpa(gauge.target_kpa), say('section.chainage', { gauge: show('x_m', 'length', gauge.gauge_m), room })],
    [
      say('section.lowestPointSees'),
      kpa(plan.stp_kpa),
      say('section.systemTestPressureAt', { lowest: show('x_m', 'length', gauge.lowest_m) }),
    ],
    [
      say('section.weakestPartMaySee'),
      gauge.pipe_max_stated ? kpa(gauge.pipe_max_kpa) : say('common.notStated'),
      gauge.pipe_max_stated ? undefined : say('section.soNoPointSeesMoreThan'),
    ],
  ]
}

function filling({ medium, fill, compliance }: Plan, show: Show): PlanRow[] {
  if (medium !== 'water') return [[say('section.volumeInside'), show('x_m3', 'volume', compliance.volume_m3, 1)]]
  const filling = fill.fill_h < 1 ? say('section.minutes', { minutes: Math.round(fill.fill_h * 60) }) : `${fill.fill_h.toFixed(1)} h`
  const tooFast = fill.velocity_ok === false ? say('section.tooFastFillSlower', { most: show('x_l_s', 'flow', fill.max_rate_l_s, 2) }) : ''
  return [[say('section.waterToFill'), show('x_m3', 'volume', fill.water_m3, 1), say('section.atThePlannedRate', { filling, tooFast })]]
}

function raising(plan: Plan, show: Show): PlanRow[] {
  // "0.12 L/kPa": one kPa takes 0.12 L.
  const [takes, perUnit] = show('x_l_per_bar', 'compliance', plan.compliance.compliance_l_per_bar).split('/')
  const withAir = show('x_l', 'volume', plan.raise_with_air.total_l, 0)
  return [
    [say('section.waterToRaise'), show('x_l', 'volume', plan.raise.total_l), say('section.with4OfAir', { total: withAir })],
    [say('section.oneUnitTakes', { unit: perUnit! }), takes!],
  ]
}

function thrust(plan: Plan, show: Show): PlanRow[] {
  if (!plan.at_gauge && !plan.stored) return []
  const ends: PlanRow = [
    say('section.thrustOnTheEnds'),
    show('x_kn', 'force', plan.thrust.force_kn),
    plan.stored
      ? say('section.bracedAt', { pressure: show('x_kpa', 'pressure', plan.stored.p_kpa) })
      : say('section.endsMustBeBracedForIt'),
  ]
  const largest = [...plan.bends].sort((a, b) => b.force_kn - a.force_kn)[0]
  if (!largest) return [ends]
  const at = show('x_m', 'length', largest.chainage_m, 0)
  const bends = say('section.largestOfBends', { count: plan.bends.length, at, angle: `${largest.angle_deg.toFixed(0)}°` })
  return [ends, [say('section.thrustAtBends'), show('x_kn', 'force', largest.force_kn), bends]]
}

/** Less than this nobody sees at a joint. */
const SEEN_MM = 1

function drawsIn({ draws_in_mm }: Plan, show: Show): PlanRow[] {
  if (draws_in_mm === null || draws_in_mm < SEEN_MM) return []
  return [[say('section.pipesDrawIn'), show('x_mm', 'length', draws_in_mm, 0), say('section.drawInNote')]]
}

function stored({ stored }: Plan, show: Show): PlanRow[] {
  if (!stored) return []
  const pressure = show('x_kpa', 'pressure', stored.p_kpa)
  return [
    [
      say('section.itStores'),
      show('x_mj', 'energy', stored.energy_mj),
      say('section.timesWater', { pressure, ratio: Math.round(stored.ratio) }),
    ],
    [
      say('section.everybodyKeeps'),
      show('x_m', 'length', stored.distance_m, 0),
      say(stored.flag ? 'section.engineerSets' : 'section.inTheOpen'),
    ],
  ]
}

function valves({ vents }: Plan, show: Show): PlanRow[] {
  const at = (places: number[]): string => places.map((m) => show('x_m', 'length', m, 0)).join(', ') || say('common.none')
  return [
    [say('section.vents'), at(vents.vents_m)],
    [say('section.drains'), at(vents.drains_m)],
  ]
}
