import { useEffect, useState } from 'react'

/** So long a thumb that is on its way needs to see that a button says something else, ms. */
const CALM_MS = 350

/** Has it been so for a while? */
export function useCalm(isSo: boolean): boolean {
  const [calm, setCalm] = useState(false)
  useEffect(() => {
    if (!isSo) return setCalm(false)
    const timer = window.setTimeout(() => setCalm(true), CALM_MS)
    return () => window.clearTimeout(timer)
  }, [isSo])
  return calm
}
