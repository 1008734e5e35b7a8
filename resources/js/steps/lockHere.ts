import type { StepState } from '../api/client'
import { say } from '../texts/say'

/** A lock as it stands on this device. */
export interface LockHere {
  code: 'needs-good' | 'after' | 'unreadable' | 'too-early' | 'waits-here'
  text: string
  /** it keeps people from harm */
  protects: boolean
  /** the step to go back to */
  goTo: StepState | undefined
}

/**
 * The lock of the judgement, with what only this device knows: what is recorded here and not yet sent counts as done, but a
 * judgement that is wanted first waits for the server.
 */
export function lockHere(state: StepState, steps: StepState[], unsent: ReadonlyMap<string, unknown>): LockHere | null {
  const lock = state.lock ?? null
  const step = (key: string): StepState | undefined => steps.find((s) => s.key === key)
  // What the device kept from an earlier version does not say it.
  const unjudged = (state.needs_good as string[] | undefined)?.find((key) => unsent.has(key))
  const waits = (lock?.waits ?? []).filter((w) => !unsent.has(w.step))
  const first = waits.find((w) => w.code === 'after') ?? (unjudged ? undefined : waits[0])
  const protects = lock?.protects ?? false
  if (first) return { code: first.code, text: first.text, protects, goTo: step(first.step) }
  if (unjudged)
    return {
      code: 'waits-here',
      text: say('steps.mustBeGoodFirstItsJudgement', { title: step(unjudged)?.title ?? unjudged }),
      protects,
      goTo: undefined,
    }
  if (lock && lock.waits.length === 0) return { code: lock.code, text: state.locked ?? '', protects, goTo: undefined }
  return null
}
