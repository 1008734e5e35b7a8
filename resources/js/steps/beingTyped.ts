import { useCallback, useSyncExternalStore } from 'react'

/** What is typed at the gauge and not recorded yet, which figure is at hand, and what is wrong with it. */
export interface Typed {
  pressure: string
  water: string
  atHand: 'pressure' | 'water'
  fault: string | null
}

const NOTHING: Typed = { pressure: '', water: '', atHand: 'pressure', fault: null }

/** By trace. */
const typedNow = new Map<string, Typed>()
const listeners = new Set<() => void>()

export const typedOf = (trace: string): Typed => typedNow.get(trace) ?? NOTHING

export function type(trace: string, by: (before: Typed) => Partial<Typed>): void {
  const before = typedOf(trace)
  typedNow.set(trace, { ...before, ...by(before) })
  listeners.forEach((told) => told())
}

function listen(told: () => void): () => void {
  listeners.add(told)
  return () => listeners.delete(told)
}

/**
 * The step is looked at anew when a reading is stored, while the next one is being typed: what is typed is kept outside of the page,
 * so that a key that is tapped in that moment is not lost with the page that it was tapped on.
 */
export function useTyped(trace: string): [Typed, (by: (before: Typed) => Partial<Typed>) => void] {
  const typed = useSyncExternalStore(listen, () => typedOf(trace))
  return [typed, useCallback((by) => type(trace, by), [trace])]
}
