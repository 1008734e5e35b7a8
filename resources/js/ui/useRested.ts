import { useEffect, useState } from 'react'

/** A thumb that counts up taps several times: what it comes to counts when it rests, ms. */
const REST_MS = 200

/** What is asked, once nobody has changed it for a moment; at once where nothing was asked before. */
export function useRested<T>(asked: T | null): T | null {
  const [rested, setRested] = useState(asked)
  useEffect(() => {
    const later = window.setTimeout(() => setRested(asked), rested === null ? 0 : REST_MS)
    return () => window.clearTimeout(later)
  }, [asked, rested])
  return rested
}
