import { useEffect, useState } from 'react'
import { store, type Run } from '../outbox/db'
import { due } from '../outbox/runs'
import { useNow } from '../ui/useNow'

/** A device stand-in that runs for this step, with how many of its rows have come so far. */
export function useRun(key: string): { run: Run; come: number } | null {
  const now = useNow(400)
  const [run, setRun] = useState<Run | null>(null)
  useEffect(() => {
    let live = true
    void store.runs.get(key).then((r) => live && setRun(r ?? null))
    return () => {
      live = false
    }
  }, [key, now])
  return run ? { run, come: due(run, now) } : null
}
