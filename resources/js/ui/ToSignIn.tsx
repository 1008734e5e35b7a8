import type { ReactElement } from 'react'
import { Navigate, useLocation } from 'react-router'

/** The session is not there: sign in, and back to where one was. */
export function ToSignIn(): ReactElement {
  const location = useLocation()
  return <Navigate to="/sign-in" replace state={{ from: location.pathname }} />
}
