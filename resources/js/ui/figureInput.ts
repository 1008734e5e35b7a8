import type { CSSProperties } from 'react'

/** The figure at hand: large, heavy, against its unit, and without a frame of its own. */
export const figureInput = {
  font: 'inherit',
  fontWeight: 700,
  textAlign: 'right',
  border: 0,
  background: 'transparent',
  color: 'inherit',
} satisfies CSSProperties
