import { Box, Typography, useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { Message } from '../texts/Message'
import { say } from '../texts/say'
import { hourMinute } from './clock'
import { blocksOf, leftOf } from './wait'

const SIZE = 208
const OUTER = 100
const INNER = 80

interface Props {
  /** what comes with the end of it: "Clamps off" */
  label: string
  /** ms */
  at: number
  /** ms */
  now: number
  zone: string
}

/** A wait: what is left of it in words, in blocks that can be counted from afar, and the time of day at which it is over. */
export function Waiting({ label, at, now, zone }: Props): ReactElement {
  const left = leftOf(at - now)
  const { blocks, minutes } = blocksOf(at - now)
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 3, rowGap: 1, my: 1.5 }}>
      <Box sx={{ position: 'relative', width: SIZE, height: SIZE, flex: 'none' }}>
        <Dial left={blocks} />
        <Box sx={{ position: 'absolute', inset: 0, display: 'grid', placeContent: 'center', textAlign: 'center' }}>
          <Typography role="timer" component="p" sx={{ fontWeight: 700, lineHeight: 1.1, fontSize: '1.3rem' }}>
            <Message id={left.id} values={left.values} parts={[<Figure long={'hours' in left.values} />]} />
          </Typography>
        </Box>
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography>{label}</Typography>
        <Typography sx={{ fontSize: '2.6rem', fontWeight: 700, lineHeight: 1.1, mb: 1 }}>{hourMinute(at, zone)}</Typography>
        <Typography>{say('ui.nowIs')}</Typography>
        <Typography sx={{ fontSize: '2rem', lineHeight: 1.1 }}>{hourMinute(now, zone)}</Typography>
      </Box>
      {minutes > 1 && (
        <Typography variant="body2" sx={{ flexBasis: '100%' }}>
          {say('ui.aBlockIs', { minutes })}
        </Typography>
      )}
    </Box>
  )
}

function Figure({ long, children }: { long: boolean; children?: ReactElement }): ReactElement {
  return (
    <Box component="span" sx={{ display: 'block', fontSize: long ? '2.2rem' : '4rem', lineHeight: 1 }}>
      {children}
    </Box>
  )
}

/** Blocks of a full turn; those that are left end at the top, as a hand that goes round would leave them. */
function Dial({ left }: { left: number }): ReactElement {
  const { palette } = useTheme()
  const count = 30
  const turn = (2 * Math.PI) / count
  const point = (angle: number, radius: number): string =>
    `${(SIZE / 2 + radius * Math.sin(angle)).toFixed(2)} ${(SIZE / 2 - radius * Math.cos(angle)).toFixed(2)}`
  return (
    <svg width={SIZE} height={SIZE} viewBox={`0 0 ${SIZE} ${SIZE}`} aria-hidden="true">
      {Array.from({ length: count }, (_, i) => {
        const [from, to] = [i * turn + 0.025, (i + 1) * turn - 0.025]
        const outside = `${point(from, OUTER)} A${OUTER} ${OUTER} 0 0 1 ${point(to, OUTER)}`
        const inside = `${point(to, INNER)} A${INNER} ${INNER} 0 0 0 ${point(from, INNER)}`
        return i >= count - left ? (
          <path key={i} d={`M${outside} L${inside}Z`} fill={palette.text.primary} />
        ) : (
          <path key={i} d={`M${point(from, 90)} A90 90 0 0 1 ${point(to, 90)}`} fill="none" stroke={palette.divider} strokeWidth={3} />
        )
      })}
    </svg>
  )
}
