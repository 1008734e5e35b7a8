import { store, type Run } from './db'
import { clockAhead } from '../api/serverClock'
import { newId } from './id'
import { kept } from './kept'
import { flush, ofDevice, personHere, stamp, tell } from './outbox'

/** How long a piece of a running trace is held back before it goes into the outbox, ms. */
const PIECE_MS = 4_000
/** Fast runs still go in a fair number of pieces. */
const MOST_ROWS = 600

const timers = new Map<string, number>()

/** Starts a device stand-in: its rows come due by the clock and go into the outbox piece by piece. */
export async function startRun(run: Omit<Run, 'trace' | 'startedAt' | 'ahead' | 'sent' | 'part' | 'by'>): Promise<void> {
  const by = personHere()
  const begun = { ...run, ...(by ? { by } : {}), trace: newId(), startedAt: Date.now(), ahead: clockAhead(), sent: 0, part: 0 }
  await kept(store.runs.put(begun))
  tell()
  watch(run.key)
}

export const due = (run: Run, now: number): number => {
  if (run.byHand !== undefined) return run.samples.length
  const units = ((now - run.startedAt) / 1000) * (run.speed / run.secondsPerUnit)
  let count = run.sent
  while (count < run.samples.length && run.samples[count]![0]! - run.samples[0]![0]! <= units) count++
  return run.stopped ? run.sent : count
}

/** A reading of a person joins its run; it is kept on the device before anything else happens. */
export async function readByHand(key: string, kpa: number, litres: number | null, now: number): Promise<boolean> {
  const writing = store.transaction('rw', store.runs, async () => {
    const run = await store.runs.get(key)
    if (!run) return false
    const minute = Math.round((now - run.startedAt) / 600) / 100
    const last = run.samples[run.samples.length - 1]
    if (last && minute <= last[0]!) return false
    // Who reads it records it: on a shared phone a shift goes on with the log of the one before.
    const by = personHere()
    await store.runs.update(key, {
      samples: [...run.samples, [minute, kpa, (last?.[2] ?? 0) + (litres ?? 0)]],
      ...(by ? { by } : {}),
    })
    return true
  })
  return kept(writing)
}

/** Times are kept to the second: a run that was played in less ends in the next one, and not before it began. */
export const endOf = (run: Run, now: number): number => Math.max(now, run.startedAt + 1000)

async function tick(key: string): Promise<boolean> {
  const run = await store.runs.get(key)
  if (!run) return false
  const now = Date.now()
  const count = due(run, now)
  const finished = (run.byHand === undefined && count >= run.samples.length) || run.stopped === true
  const fresh = run.samples.slice(run.sent, count)
  // What a person read goes out at once.
  const waited = run.byHand !== undefined || now - run.startedAt >= (run.part + 1) * PIECE_MS || fresh.length >= MOST_ROWS
  if ((fresh.length > 0 && waited) || finished) {
    await store.transaction('rw', store.waiting, store.runs, async () => {
      const id = newId()
      const value = {
        trace: run.trace,
        part: run.part,
        samples: fresh,
        final: finished,
        ...run.extra,
        started_at: stamp(run.startedAt, run.ahead ?? 0),
        ...(finished ? { ended_at: stamp(endOf(run, now), run.ahead ?? 0) } : {}),
      }
      await store.waiting.add({
        id,
        subject: run.subject,
        since: now,
        ...(run.by ? { by: run.by } : {}),
        ...(run.title ? { title: run.title } : {}),
        body: { id, step: run.step, value, recorded_at: stamp(now, run.ahead ?? 0), ...ofDevice(run.ahead ?? 0) },
      })
      if (finished) await store.runs.delete(key)
      else await store.runs.update(key, { sent: count, part: run.part + 1 })
    })
    void flush()
  }
  tell()
  return !finished
}

function watch(key: string): void {
  if (timers.has(key)) return
  let busy = false
  const timer = window.setInterval(() => {
    if (busy) return
    busy = true
    void tick(key)
      .then((goes) => {
        if (!goes) {
          window.clearInterval(timer)
          timers.delete(key)
        }
      })
      .finally(() => {
        busy = false
      })
  }, 400)
  timers.set(key, timer)
}

/** After the page was closed or loaded again: what was running goes on. */
export async function resumeRuns(): Promise<void> {
  for (const run of await store.runs.toArray()) watch(run.key)
}
