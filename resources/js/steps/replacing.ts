import { createContext, useContext } from 'react'

/** A file that takes the place of one that was loaded before, and why. */
interface Replaced {
  fact: string
  reason: string
}

export const Replacing = createContext<Replaced | null>(null)
export const useReplacing = (): Replaced | null => useContext(Replacing)
