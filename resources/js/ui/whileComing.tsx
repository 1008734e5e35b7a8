import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Refusal, Unreachable } from '../api/client'
import { Page } from './Page'
import { ToAccount } from './ToAccount'
import { ToSignIn } from './ToSignIn'
import { say } from '../texts/say'

/**
 * While something comes, or when it does not: what is the matter and what to do.
 *
 * Not a component of its own: what comes then stands in the same `<Page>`, and a sheet or a menu that somebody opened
 * meanwhile stays open.
 */
export function whileComing(query: { error: Error | null; refetch: () => unknown }, up?: { to: string; label: string }): ReactElement {
  const error = query.error
  if (error instanceof Refusal && error.status === 401) return <ToSignIn />
  return (
    <Page
      coming={!error}
      title={!error ? say('ui.aMoment') : error instanceof Unreachable ? say('ui.noConnection') : say('ui.thatDidNotCome')}
      {...(up ? { up } : {})}
    >
      <Typography sx={{ my: 2 }}>
        {!error ? say('ui.coming') : error instanceof Unreachable ? say('ui.theServerDoesNotAnswerWhat') : error.message}
      </Typography>
      {error instanceof Refusal && error.status === 403 && <ToAccount />}
      {error && (
        <Button variant="outlined" onClick={() => query.refetch()}>
          {say('ui.tryAgain')}
        </Button>
      )}
    </Page>
  )
}
