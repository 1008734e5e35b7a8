import { Typography } from '@mui/material'
import { createContext, useContext, type ReactElement } from 'react'

/** What a step is going to be held against, in a sentence; null where nothing says it. */
export const Target = createContext<string | null>(null)

/** The target beside the figure at hand, above the pad. In the cabin it stands at the head of the step. */
export function TargetAtHand(): ReactElement | null {
  const target = useContext(Target)
  return target === null ? null : (
    <Typography
      data-target
      sx={{
        display: { xs: '-webkit-box', md: 'none' },
        WebkitLineClamp: 2,
        WebkitBoxOrient: 'vertical',
        overflow: 'hidden',
        fontWeight: 700,
        lineHeight: 1.25,
        pb: 0.5,
      }}
    >
      {target}
    </Typography>
  )
}
