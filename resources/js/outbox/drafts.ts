import { createContext, useContext, useEffect, useRef, useState, type Dispatch, type SetStateAction } from 'react'

/** What is being typed and is not recorded yet: kept on the device over a reload, a call, an empty battery and the way back. */
const PREFIX = 'draft/'

/** A shift and the next: what was begun longer ago is measured anew. */
const KEPT_MS = 24 * 3_600_000

interface Kept {
  at: number
  value: unknown
}

/** Whose draft of which step it is; without one nothing is kept. */
export const DraftOf = createContext<string | null>(null)

function read(key: string): Kept | null {
  try {
    const kept = JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as Kept | null
    return kept && Date.now() - kept.at < KEPT_MS ? kept : null
  } catch {
    return null
  }
}

function keep(key: string, value: unknown): void {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify({ at: Date.now(), value } satisfies Kept))
  } catch {
    // A device without room for a draft still takes the entry itself.
  }
}

/** Everything that was being typed at a step, once it is recorded. */
export function dropDraft(of: string): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(`${PREFIX}${of}#`)) localStorage.removeItem(key)
}

/** When it was typed what an entry goes on with, ms; null where it begins anew. */
export function useDraftSince(): number | null {
  const of = useContext(DraftOf)
  const [since] = useState(() => {
    const kept = Object.keys(localStorage)
      .filter((key) => of !== null && key.startsWith(`${PREFIX}${of}#`))
      .map((key) => read(key.slice(PREFIX.length))?.at ?? 0)
    return Math.max(0, ...kept) || null
  })
  return since
}

/** What is left of drafts that are too old to go on with. */
export function dropOldDrafts(): void {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(PREFIX) && read(key.slice(PREFIX.length)) === null) localStorage.removeItem(key)
}

/**
 * A state that outlives the page while its step is not recorded. What is offered with the third is no draft: nobody typed it.
 */
export function useDraft<T>(name: string, begin: () => T): [T, Dispatch<SetStateAction<T>>, (offer: (value: T) => T) => void] {
  const of = useContext(DraftOf)
  const key = of === null ? null : `${of}#${name}`
  const [value, setValue] = useState<T>(() => (key === null ? null : (read(key)?.value as T | undefined)) ?? begin())
  const begun = useRef(value)
  const latest = useRef(value)
  latest.current = value
  useEffect(() => {
    // What stands there by itself is no draft.
    if (key !== null && value !== begun.current) keep(key, value)
  }, [key, value])
  const offer = (more: (value: T) => T): void => {
    const offered = more(latest.current)
    if (latest.current === begun.current) begun.current = offered
    setValue(offered)
  }
  return [value, setValue, offer]
}
