import { useTheme } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../../texts/say'

/** What the core takes; a path of anything else is not drawn. */
const STROKES = /^(M\d{1,4} \d{1,4}(L\d{1,4} \d{1,4})*)+$/

/** A signature as it was written, small. */
export function SignatureShown({ path, name }: { path: string; name: string }): ReactElement | null {
  const c = useTheme().colours
  if (!STROKES.test(path)) return null
  return (
    <svg
      width={96}
      height={40}
      viewBox="0 0 1000 1000"
      preserveAspectRatio="none"
      role="img"
      aria-label={say('steps.signatureOf', { name })}
    >
      <path d={path} fill="none" stroke={c.ink} strokeWidth={2} vectorEffect="non-scaling-stroke" />
    </svg>
  )
}
