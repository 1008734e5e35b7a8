import { useEffect, useState } from 'react'
import { isNearlyFull } from '../outbox/room'

/** Is there hardly room on this device for what it records? Asked anew whenever something more waits. */
export function useNearlyFull(waiting: number): boolean {
  const [full, setFull] = useState(false)
  useEffect(() => {
    let live = true
    void isNearlyFull().then((is) => live && setFull(is))
    return () => {
      live = false
    }
  }, [waiting])
  return full
}
