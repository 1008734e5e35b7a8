import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/** While the page is being printed: what is only drawn where it is seen is then drawn whole. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    // The browser takes its picture as soon as this returns.
    const before = (): void => flushSync(() => setPrinting(true))
    const after = (): void => setPrinting(false)
    window.addEventListener('beforeprint', before)
    window.addEventListener('afterprint', after)
    return () => {
      window.removeEventListener('beforeprint', before)
      window.removeEventListener('afterprint', after)
    }
  }, [])
  return printing
}
