import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Navigate, useLocation } from 'react-router'
import { Refusal, Unreachable } from '../api/client'
import { Page } from './Page'
import { say } from '../texts/say'

/** While something comes, or when it does not: what is the matter and what to do. */
export function Loading({
  query,
  up,
}: {
  query: { error: Error | null; refetch: () => unknown }
  up?: { to: string; label: string }
}): ReactElement {
  const location = useLocation()
  const error = query.error
  if (error instanceof Refusal && error.status === 401) return <Navigate to="/sign-in" replace state={{ from: location.pathname }} />
  return (
    <Page
      coming={!error}
      title={!error ? say('ui.aMoment') : error instanceof Unreachable ? say('ui.noConnection') : say('ui.thatDidNotCome')}
      {...(up ? { up } : {})}
    >
      <Typography sx={{ my: 2 }}>
        {!error ? say('ui.coming') : error instanceof Unreachable ? say('ui.theServerDoesNotAnswerWhat') : error.message}
      </Typography>
      {error && (
        <Button variant="outlined" onClick={() => query.refetch()}>
          {say('ui.tryAgain')}
        </Button>
      )}
    </Page>
  )
}
