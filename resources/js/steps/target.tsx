import { Box, Typography } from '@mui/material'
import { createContext, useContext, type ReactElement, type ReactNode } from 'react'

/** What a step is going to be held against, in a sentence; null where nothing says it. */
export const Target = createContext<ReactNode>(null)

/** The target beside the figure at hand, above the pad. In the cabin it stands at the head of the step. */
export function TargetAtHand(): ReactElement | null {
  const target = useContext(Target)
  return target === null ? null : (
    <Box data-target sx={{ display: { xs: 'block', md: 'none' }, pb: 0.75 }}>
      <Typography
        component="span"
        sx={{
          display: '-webkit-box',
          WebkitLineClamp: 2,
          // No limit is cut off where there is room for it.
          '@media (min-height: 780px)': { WebkitLineClamp: 4 },
          WebkitBoxOrient: 'vertical',
          overflow: 'hidden',
          lineHeight: 1.25,
        }}
      >
        {target}
      </Typography>
    </Box>
  )
}
