import { Typography } from '@mui/material'
import type { ReactElement, ReactNode } from 'react'
import type { StepText } from '../api/client'
import { useSubject } from '../api/queries'
import { oneOf } from '../texts/listed'
import { say } from '../texts/say'
import { roleWord } from '../texts/words'

interface Props {
  /** address of the subject, {@see subjectAt} */
  path: string
  text: StepText
  /** of who is signed in; undefined while that is not known */
  role: string | undefined
  children: ReactNode
}

/** A step that not everybody may take: whose it is stands in its place. */
export function ForOthers({ path, text, role, children }: Props): ReactElement {
  if (!text.roles?.length || (role !== undefined && text.roles.includes(role))) return <>{children}</>
  // Who one is here comes a moment later than the page.
  if (role === undefined) return <Typography sx={{ my: 2 }}>{say('ui.coming')}</Typography>
  return <Theirs path={path} isSigned={text.kind === 'hold'} whose={{ roles: oneOf(text.roles.map(roleWord)), role: roleWord(role) }} />
}

type Whose = Record<'roles' | 'role', string>

/** It is taken on another device: the page goes on by itself when it was. */
function Theirs({ path, isSigned, whose }: { path: string; isSigned: boolean; whose: Whose }): ReactElement {
  useSubject(path, true)
  return <Typography sx={{ my: 2 }}>{isSigned ? say('steps.thisIsSignedByYouAre', whose) : say('steps.thisIsForOthers', whose)}</Typography>
}
