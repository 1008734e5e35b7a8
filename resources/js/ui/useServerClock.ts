import { useEffect, useSyncExternalStore } from 'react'
import { clockAhead, setPractising, whenClockChanges } from '../api/serverClock'

/** By how much the clock of this device is ahead of the server's, ms; nought where nothing is corrected. */
export function useClockAhead(practice: boolean): number {
  useEffect(() => {
    setPractising(practice)
    return () => setPractising(false)
  }, [practice])
  return useSyncExternalStore(whenClockChanges, clockAhead, () => 0)
}
