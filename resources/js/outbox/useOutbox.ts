import { useEffect, useState } from 'react'
import { store, type Waiting } from './db'
import { subscribe } from './outbox'

/** What waits on this device, of one subject or of all; kept up to date. */
export function useOutbox(subject?: string): Waiting[] {
  const [waiting, setWaiting] = useState<Waiting[]>([])
  useEffect(() => {
    let live = true
    const read = async (): Promise<void> => {
      const all = subject ? await store.waiting.where('subject').equals(subject).toArray() : await store.waiting.toArray()
      if (live) setWaiting(all)
    }
    void read()
    const stop = subscribe(() => void read())
    return () => {
      live = false
      stop()
    }
  }, [subject])
  return waiting
}
