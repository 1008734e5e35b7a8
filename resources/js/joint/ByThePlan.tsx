import { Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { Subject } from '../api/client'
import { say } from '../texts/say'
import { bendWords, turnWords } from '../ui/turn'
import { useShow } from '../ui/units'
import { tight } from '../ui/Verdict'

/** What the laying plan asks of this joint: how it is turned, its level, and how the pipe behind it falls. */
export function ByThePlan({ joint }: { joint: Subject }): ReactElement | null {
  const show = useShow()
  const { planned } = joint
  if (!planned || joint.place !== 'in-line') return null
  const grade = planned['grade_ratio'] ?? 0
  const bend = planned['bend_deg'] ?? null
  const said = [
    bend === null ? '' : bendWords({ bend_deg: bend, turn_hour: planned['bend_hour'] ?? null }),
    turnWords(
      {
        angle_deg: planned['angle_deg'] ?? null,
        turn_hour: planned['turn_hour'] ?? null,
        gap_difference_m: planned['gap_difference_m'] ?? null,
      },
      show,
    ),
    say('laying.invertAt', { level: show('x_m', 'length', planned['invert_m'], 3) }),
    say('laying.laserAt', { grade: `${grade < 0 ? '−' : '+'}${Math.abs(100 * grade).toFixed(2)} %` }),
  ]
  return (
    <Typography sx={{ mt: 1, fontSize: '1.05rem' }}>
      <strong>{say('laying.byThePlan')}</strong> {tight(said.filter((part) => part !== '').join(' · '))}
    </Typography>
  )
}
