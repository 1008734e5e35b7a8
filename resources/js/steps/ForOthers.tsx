import { Typography } from '@mui/material'
import type { ReactElement, ReactNode } from 'react'
import type { StepText } from '../api/client'
import { oneOf } from '../texts/listed'
import { say } from '../texts/say'
import { roleWord } from '../texts/words'

interface Props {
  text: StepText
  /** of who is signed in; undefined while that is not known */
  role: string | undefined
  children: ReactNode
}

/** A step that not everybody may take: whose it is stands in its place. */
export function ForOthers({ text, role, children }: Props): ReactElement {
  if (!text.roles?.length || (role !== undefined && text.roles.includes(role))) return <>{children}</>
  // Who one is here comes a moment later than the page.
  if (role === undefined) return <Typography sx={{ my: 2 }}>{say('ui.coming')}</Typography>
  const whose = { roles: oneOf(text.roles.map(roleWord)), role: roleWord(role) }
  return (
    <Typography sx={{ my: 2 }}>
      {text.kind === 'hold' ? say('steps.thisIsSignedByYouAre', whose) : say('steps.thisIsForOthers', whose)}
    </Typography>
  )
}
