import { useMemo, useSyncExternalStore } from 'react'
import { store, type Waiting } from './db'
import { subscribe } from './outbox'

/**
 * What waits, read once for all who look: a page that opens shows it at once, instead of nothing until the device's
 * database answers.
 */
let known: Waiting[] = []
let asked = 0
const readers = new Set<() => void>()

async function read(): Promise<void> {
  const mine = ++asked
  const all = await store.waiting.toArray()
  // What was asked later knows more.
  if (mine !== asked) return
  known = all
  readers.forEach((changed) => changed())
}

subscribe(() => void read())

function look(changed: () => void): () => void {
  readers.add(changed)
  void read()
  return () => readers.delete(changed)
}

/** What waits on this device, of one subject or of all; kept up to date. */
export function useOutbox(subject?: string): Waiting[] {
  const all = useSyncExternalStore(look, () => known)
  return useMemo(() => (subject ? all.filter((w) => w.subject === subject) : all), [all, subject])
}
