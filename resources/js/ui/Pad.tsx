import { Box, Button } from '@mui/material'
import type { ReactElement, ReactNode } from 'react'
import { say } from '../texts/say'

/** Figures for a gloved thumb. Typing on keys works beside it. */
export function Pad({
  onKey,
  onBack,
  next,
  minus,
  slash,
  other,
}: {
  onKey: (key: string) => void
  onBack: () => void
  next: ReactNode
  minus?: boolean
  slash?: boolean
  /** what stands in the corner that has no figure */
  other?: { says: string; onTap: () => void } | null
}): ReactElement {
  const keys = ['1', '2', '3', '4', '5', '6', '7', '8', '9', minus ? '-' : slash ? '/' : '', '0', '.']
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 0.75 }} aria-label={say('ui.numberPad')} role="group">
      <Box sx={{ gridColumn: '1 / 4', display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 0.75 }}>
        {keys.map((k) =>
          k === '' ? (
            other ? (
              <Button key="other" tabIndex={-1} variant="outlined" sx={{ minWidth: 0, px: 0.5, lineHeight: 1.1 }} onClick={other.onTap}>
                {other.says}
              </Button>
            ) : (
              <span key="none" />
            )
          ) : (
            <Button
              key={k}
              tabIndex={-1}
              onClick={() => onKey(k)}
              sx={{
                bgcolor: (t) => t.colours.raised,
                color: 'text.primary',
                minWidth: 0,
                fontSize: '1.6rem',
                fontWeight: 650,
                minHeight: { xs: 56, md: 58 },
                border: (t) => (t.mode === 'glare' ? '2px solid #000' : 'none'),
              }}
            >
              {k}
            </Button>
          ),
        )}
      </Box>
      <Box sx={{ display: 'grid', gridTemplateRows: '1fr 3fr', gap: 0.75 }}>
        <Button
          tabIndex={-1}
          aria-label={say('ui.deleteLastFigure')}
          onClick={onBack}
          sx={{
            bgcolor: (t) => t.colours.raised,
            color: 'text.primary',
            minWidth: 0,
            fontSize: '1.3rem',
            border: (t) => (t.mode === 'glare' ? '2px solid #000' : 'none'),
          }}
        >
          ⌫
        </Button>
        {next}
      </Box>
    </Box>
  )
}
