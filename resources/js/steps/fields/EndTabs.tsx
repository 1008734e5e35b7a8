import { Box } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../../texts/say'

interface Props {
  /** each pipe end with how many of its readings stand */
  ends: { name: string; read: number; of: number }[]
  at: number
  onGo: (end: number) => void
}

/** The two pipe ends of a round: the one at work stands out, a tap goes to the other. */
export function EndTabs({ ends, at, onGo }: Props): ReactElement {
  return (
    <Box role="group" aria-label={say('steps.pipeEnds')} sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, my: 0.5 }}>
      {ends.map((end, i) => (
        <Box
          key={end.name}
          component="button"
          type="button"
          aria-pressed={i === at}
          onClick={() => onGo(i)}
          sx={{
            font: 'inherit',
            color: 'text.primary',
            bgcolor: 'transparent',
            border: 0,
            borderBottom: 3,
            borderColor: i === at ? 'text.primary' : 'divider',
            minHeight: 44,
            px: 0.5,
            display: 'flex',
            gap: 1,
            alignItems: 'baseline',
            justifyContent: 'space-between',
            fontWeight: i === at ? 700 : 400,
            cursor: 'pointer',
            textAlign: 'left',
          }}
        >
          <span style={{ overflowWrap: 'anywhere' }}>{end.name}</span>
          <span style={{ whiteSpace: 'nowrap' }}>{say('steps.ofRead', { read: end.read, all: end.of })}</span>
        </Box>
      ))}
    </Box>
  )
}
