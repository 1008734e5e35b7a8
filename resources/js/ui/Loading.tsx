import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Navigate, useLocation } from 'react-router'
import { Refusal, Unreachable } from '../api/client'
import { Page } from './Page'

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
      title={!error ? 'A moment' : error instanceof Unreachable ? 'No connection' : 'That did not come'}
      {...(up ? { up } : {})}
    >
      <Typography sx={{ my: 2 }}>
        {!error
          ? 'Coming.'
          : error instanceof Unreachable
            ? 'The server does not answer. What is recorded on this device is kept.'
            : error.message}
      </Typography>
      {error && (
        <Button variant="outlined" onClick={() => query.refetch()}>
          Try again
        </Button>
      )}
    </Page>
  )
}
