import { liveQuery } from 'dexie'
import { useEffect, useState } from 'react'
import { store, type Run } from '../outbox/db'
import { due } from '../outbox/runs'
import { useDeviceNow } from '../ui/useNow'

/** A device stand-in that runs for this step, with how many of its rows have come so far. */
export function useRun(key: string): { run: Run; come: number } | null {
  const [run, setRun] = useState<Run | null>(null)
  useEffect(() => {
    const looking = liveQuery(() => store.runs.get(key)).subscribe((found) => setRun(found ?? null))
    return () => looking.unsubscribe()
  }, [key])
  const now = useDeviceNow(run ? 400 : null)
  return run ? { run, come: due(run, now) } : null
}
