import { useEffect, useRef } from 'react'
import type { Entered } from '../entry'

type Values = Record<string, Entered>

/**
 * What is filled in may come later than the page, or anew: the answer to the step before was still on its way. It goes
 * where nobody has typed or emptied anything, and the next figure that is typed there takes its place.
 */
export function useLate(
  known: Values,
  offer: (more: (typed: Values) => Values) => void,
  isGiven: (id: string, text: string) => void,
): void {
  const before = useRef<Values>({})
  const what = JSON.stringify(known)
  useEffect(() => {
    const given = before.current
    before.current = known
    const late = Object.entries(known).filter(([id, value]) => value !== given[id])
    const isUntouched = (id: string, typed: Values): boolean => typed[id] === undefined || typed[id] === given[id]
    for (const [id, value] of late) isGiven(id, String(value))
    if (late.length > 0) offer((typed) => ({ ...typed, ...Object.fromEntries(late.filter(([id]) => isUntouched(id, typed))) }))
    // What is known is compared by what it says.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [what])
}
