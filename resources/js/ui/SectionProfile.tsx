import { Box, useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import type { SectionPlan } from '../api/client'
import { say } from '../texts/say'
import { along } from './along'
import { useShow } from './units'

type Suspect = NonNullable<SectionPlan['suspects']>[number]

interface Props {
  plan: SectionPlan['plan']
  /** joints to look at first, the first of them first */
  suspects?: Suspect[]
}

/** Numbers of joints nearer to each other than this would stand on each other. */
const LEAST_APART = 60

/** Joints in the order of the line, in groups whose numbers would stand on each other. */
function together(suspects: Suspect[], at: (joint: Suspect) => number): Suspect[][] {
  const groups: Suspect[][] = []
  for (const joint of [...suspects].sort((a, b) => a.chainage_m - b.chainage_m)) {
    const last = groups[groups.length - 1]
    if (last && at(joint) - at(last[last.length - 1]!) < LEAST_APART) last.push(joint)
    else groups.push([joint])
  }
  return groups
}

/** The profile of the section with the head at each point, vents and drains, and the joints to look at first. */
export function SectionProfile({ plan, suspects = [] }: Props): ReactElement {
  const c = useTheme().colours
  const show = useShow()
  const [w, h] = [1000, 250]
  const first = plan.profile[0]![0]!
  const last = plan.profile[plan.profile.length - 1]![0]!
  const levels = plan.profile.map((p) => p[1]!)
  const [low, high] = [Math.min(...levels), Math.max(...levels)]
  const x = (m: number): number => 70 + ((m - first) / (last - first)) * (w - 140)
  const y = (z: number): number => 190 - ((z - low) / Math.max(0.5, high - low)) * 110
  const level = (m: number): number => along(plan.profile, m)[1]!
  const head = (m: number): number => plan.heads.reduce((best, p) => (Math.abs(p[0]! - m) < Math.abs(best[0]! - m) ? p : best))[1]!
  const [vents, drains] = plan.medium === 'water' ? [plan.vents.vents_m, plan.vents.drains_m] : [[], []]
  const marks: [number, string][] = [
    [plan.gauge.lowest_m, say('section.lowest')],
    [plan.gauge.highest_m, say('section.highest')],
  ]
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <svg
        viewBox={`0 0 ${w} ${h}`}
        style={{ width: '100%', minWidth: 620, display: 'block' }}
        role="img"
        aria-label={say(plan.at_gauge ? 'section.profileOfTheSectionWithThe' : 'section.profileOfTheSection')}
      >
        <polyline
          fill="none"
          stroke={c.water}
          strokeWidth={6}
          strokeLinejoin="round"
          points={plan.profile.map((p) => `${x(p[0]!)},${y(p[1]!)}`).join(' ')}
        />
        {vents.map((m) => (
          <g key={`v${m}`} fill={c.ink}>
            <path d={`M${x(m)} ${y(level(m)) - 8}v-20`} stroke={c.ink} strokeWidth={2} />
            <circle cx={x(m)} cy={y(level(m)) - 31} r={4} />
            <text
              x={m > last - (last - first) * 0.15 ? x(m) - 8 : x(m) + 8}
              y={y(level(m)) - 28}
              fontSize={14}
              textAnchor={m > last - (last - first) * 0.15 ? 'end' : 'start'}
            >
              {say('section.vent', { m: show('x_m', 'length', m, 0) })}
            </text>
          </g>
        ))}
        {drains.map((m) => (
          <g key={`d${m}`} fill={c.ink}>
            <path d={`M${x(m)} ${y(level(m)) + 8}v16m-5 -6l5 6l5 -6`} stroke={c.ink} strokeWidth={2} fill="none" />
            <text
              x={m > last - (last - first) * 0.15 ? x(m) - 10 : x(m) + 10}
              y={y(level(m)) + 24}
              fontSize={14}
              textAnchor={m > last - (last - first) * 0.15 ? 'end' : 'start'}
            >
              {say('section.drain', { m: show('x_m', 'length', m, 0) })}
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
            {plan.at_gauge ? `${word} ${show('x_kpa', 'pressure', head(m))}` : word}
          </text>
        ))}
        {suspects.map((joint) => {
          const [at, on] = [x(joint.chainage_m), y(level(joint.chainage_m))]
          return (
            <g key={joint.id}>
              <circle cx={at} cy={on} r={10} fill={c.ground} stroke={c.ink} strokeWidth={3} />
              {joint.why.includes('bad') && <path d={`M${at - 10} ${on}h20`} stroke={c.ink} strokeWidth={4} />}
            </g>
          )
        })}
        {together(suspects, (joint) => x(joint.chainage_m)).map((near) => {
          const [from, to] = [near[0]!, near[near.length - 1]!]
          const at = (x(from.chainage_m) + x(to.chainage_m)) / 2
          const on = Math.max(y(level(from.chainage_m)), y(level(to.chainage_m)))
          return (
            <text key={from.id} x={at} y={on + 28} fontSize={16} fontWeight={700} textAnchor="middle" fill={c.ink}>
              {near.length > 2 ? `${from.number} … ${to.number}` : near.map((joint) => joint.number).join(', ')}
            </text>
          )
        })}
        {plan.at_gauge && (
          <g fill={c.accent}>
            <circle cx={x(plan.gauge.gauge_m)} cy={y(level(plan.gauge.gauge_m))} r={9} />
            <text x={x(plan.gauge.gauge_m) - 12} y={y(level(plan.gauge.gauge_m)) + 5} fontSize={16} fontWeight={700} textAnchor="end">
              {say('section.gauge')}
            </text>
          </g>
        )}
      </svg>
    </Box>
  )
}
