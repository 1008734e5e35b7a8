import { Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { LayingOutcome } from '../api/client'
import { say } from '../texts/say'
import { useShow } from '../ui/units'
import { Sentence } from '../ui/Verdict'

/** Where the sockets face, and whether it goes uphill; a sewer that is laid downhill is begun at its other end. */
export function Way({ outcome }: { outcome: LayingOutcome }): ReactElement {
  const show = useShow()
  const by = show('x_m', 'length', Math.abs(outcome.rise_m), 2)
  if (outcome.wants_uphill && outcome.rise_m < 0)
    return (
      <Sentence verdict="close" act={say('laying.beginAtTheLowerEnd')}>
        {say('laying.laidDownhill', { by })}
      </Sentence>
    )
  const way = outcome.rise_m < 0 ? say('laying.socketsDown', { by }) : say('laying.socketsUp', { by })
  return (
    <Typography sx={{ mt: 1 }}>
      {outcome.wants_uphill && outcome.falling_count > 0 ? `${way} ${say('laying.someFall', { count: outcome.falling_count })}` : way}
    </Typography>
  )
}
