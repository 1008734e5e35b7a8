import { Box, Typography, useTheme } from '@mui/material'
import type { ReactElement, ReactNode } from 'react'
import { say } from '../texts/say'

/** What the shapes are. */
export function Legend({ hasClamps, hasCooling, hasPlant }: { hasClamps: boolean; hasCooling: boolean; hasPlant: boolean }): ReactElement {
  const c = useTheme().colours
  const sign = (drawn: ReactNode, said: string): ReactElement => (
    <Box key={said} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
      <svg width={30} height={22} aria-hidden>
        {drawn}
      </svg>
      <Typography variant="body2">{said}</Typography>
    </Box>
  )
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2.5, rowGap: 0.25, mt: 1 }}>
      {sign(<rect x={2} y={4} width={26} height={14} fill={c.ground} stroke={c.ink} strokeWidth={1.6} />, say('day.signHands'))}
      {hasCooling && (
        <>
          {sign(<rect x={2} y={4} width={26} height={14} fill={c.ink} />, say('day.signPower'))}
          {sign(
            <path d="M2 4H28L15 19Z" fill="url(#cooling)" stroke={c.ink} strokeWidth={1.6} strokeLinejoin="round" />,
            say('day.signCooling'),
          )}
        </>
      )}
      {hasClamps &&
        sign(
          <>
            <rect x={6} y={2} width={6} height={18} fill={c.ink} stroke={c.ink} strokeWidth={1.4} />
            <rect x={18} y={2} width={6} height={18} fill={c.ground} stroke={c.ink} strokeWidth={1.4} />
          </>,
          say('day.signClamps'),
        )}
      {hasPlant &&
        sign(
          <rect x={13} y={2} width={4} height={18} fill={c.ground} stroke={c.ink} strokeWidth={1.2} strokeDasharray="3 2" />,
          say('day.signPlant'),
        )}
      {hasClamps &&
        sign(<line x1={15} x2={15} y1={2} y2={20} stroke={c.ink} strokeWidth={2.4} strokeDasharray="2 4" />, say('day.signWaits'))}
    </Box>
  )
}
