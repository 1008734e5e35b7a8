import { Box, useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import type { SectionPlan } from '../api/client'
import { say } from '../texts/say'
import { along } from './along'
import { useShow } from './units'

/** The profile of the section with the head at each point, vents and drains. */
export function SectionProfile({ plan }: { plan: SectionPlan['plan'] }): ReactElement {
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
