import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { LineFull, LinePipe } from '../api/client'
import { Sheet } from '../ui/Sheet'
import { dayAndTime } from '../ui/clock'
import { useShow } from '../ui/units'
import { PipeSheet } from './PipeSheet'
import { SayOfPipe } from './SayOfPipe'
import { sizeOf } from './sizeOf'
import { STATE } from './words'
import { say } from '../texts/say'

/** One pipe: what is known of it, what was said of it, and what may be done. */
export function OnePipe({
  line,
  pipe,
  plans,
  onClose,
}: {
  line: LineFull
  pipe: LinePipe
  plans: boolean
  onClose: () => void
}): ReactElement {
  const [doing, setDoing] = useState<'say' | 'change' | null>(null)
  const show = useShow()
  if (doing === 'say') return <SayOfPipe pipe={pipe} onClose={onClose} />
  if (doing === 'change') return <PipeSheet line={line} pipe={pipe} onClose={onClose} />
  const rejected = pipe.state === 'rejected'
  const rows: [string, string][] = [
    [say('common.pipe'), sizeOf(pipe.pipe)],
    [say('common.state'), STATE[pipe.state]],
    ...(pipe.bend_deg === null ? [] : [[say('laying.bend'), `${pipe.bend_deg}°`] as [string, string]]),
    [say('pipes.length'), pipe.length_m === null ? say('common.notKnown') : show('x_m', 'length', pipe.length_m)],
    [say('common.joints'), pipe.joints.join(', ') || say('common.none')],
    ...(pipe.serial ? [[say('pipes.serial'), pipe.serial] as [string, string]] : []),
    ...(pipe.source ? [[say('pipes.from'), pipe.source] as [string, string]] : []),
  ]
  return (
    <Sheet open onClose={onClose} title={say('pipes.pipe', { number: pipe.number })}>
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2, rowGap: 0.75, m: 0, '& dd': { m: 0, fontWeight: 700 } }}
      >
        {rows.map(([what, value]) => [<dt key={what}>{what}</dt>, <dd key={`${what}=`}>{value}</dd>])}
      </Box>
      {pipe.said.map((s) => (
        <Typography key={s.at} sx={{ mt: 1.5, borderTop: 1, borderColor: 'divider', pt: 1 }}>
          {say('pipes.wordOfPipe', {
            what: s.state === 'rejected' ? say('pipes.rejected') : say('pipes.acceptedAgain'),
            by: s.by,
            at: dayAndTime(s.at, line.time_zone),
            reason: s.reason,
          })}
        </Typography>
      ))}
      <Box sx={{ display: 'grid', gap: 1, mt: 2 }}>
        {(!rejected || plans) && (
          <Button variant="outlined" onClick={() => setDoing('say')}>
            {rejected ? say('pipes.acceptItAgain') : say('pipes.rejectThisPipe')}
          </Button>
        )}
        {plans && (
          <Button variant="outlined" onClick={() => setDoing('change')}>
            {say('pipes.changeWhatItIs')}
          </Button>
        )}
      </Box>
    </Sheet>
  )
}
