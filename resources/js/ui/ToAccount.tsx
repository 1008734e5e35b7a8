import type { ReactElement } from 'react'
import { Navigate } from 'react-router'
import { useMe } from '../api/queries'

/** A project wants a second factor, and there is none yet: it is added before anything else. */
export function ToAccount(): ReactElement | null {
  const me = useMe()
  return me.data?.must_add_factor ? <Navigate to="/account" replace /> : null
}
