import { Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { ProcedureText } from '../api/client'
import { say } from '../texts/say'

/** What the method of a section wants there: the kit, and whose signature it waits for. */
export function MethodSays({ hash, title, text }: { hash: string; title: string; text: ProcedureText | undefined }): ReactElement {
  const holds = (text?.steps ?? []).filter((step) => step.kind === 'hold').map((step) => step.title)
  return (
    <>
      <Typography sx={{ mt: 1.5 }}>
        {say('section.methodIs')}{' '}
        <MuiLink component={Link} to={`/procedures/${hash}`}>
          {title}
        </MuiLink>
      </Typography>
      {(text?.kit ?? []).length > 0 && <Typography>{say('section.bring', { kit: text!.kit!.join(', ') })}</Typography>}
      {holds.length > 0 && <Typography sx={{ mb: 1.5 }}>{say('section.heldFor', { holds: holds.join('; ') })}</Typography>}
    </>
  )
}
