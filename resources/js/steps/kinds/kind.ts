import type { ReactElement } from 'react'
import type { ProcedureText, StepState, StepText, Subject, Usual } from '../../api/client'
import type { End } from '../fields/slots'

/** What a page knows of the step at hand. */
export interface AtHand {
  /** address of the subject */
  path: string
  data: Subject
  procedure: ProcedureText
  state: StepState
  text: StepText
  /** values that count at each step, what waits on the device included */
  values: Record<string, Record<string, unknown>>
  role: string | undefined
  /** the limit that the round is drawn against, in the unit of its readings */
  limit: number | null
}

/** Between what the figures of a step usually lie; what a device kept from an earlier version does not say it. */
export const usualOf = (state: StepState): Record<string, Usual> | undefined => state.usual as Record<string, Usual> | undefined

/** What the two ends of one step are called and known by. */
export const endsOf = (state: StepState, other: StepState, data: Subject): End[] =>
  [state, other].map((s) => ({
    key: s.key,
    name: sideName(s, data),
    known: s.suggested as Record<string, unknown>,
    usual: usualOf(s),
  }))

/** "pipe 036": what a side is called at this joint. */
export function sideName(state: StepState, data: Subject): string {
  const names = (data.context as { sides?: Record<string, string> }).sides
  return names?.[state.side ?? ''] ?? state.side ?? ''
}

export interface Entering extends AtHand {
  /** with a value for the other end where both are taken on one page */
  onRecord: (value: Record<string, unknown>, other?: Record<string, unknown>) => void
  /** the device has not kept what was recorded last: it stands there again, to be recorded once more */
  lost: boolean
  /** a signature that seals; fails with what the server says */
  onSeal: (value: Record<string, unknown>, password: string) => Promise<void>
  onDone: () => void
  /** what was entered before, where it is put right and not measured anew */
  earlier: Record<string, unknown> | null
  /** the same step of the other pipe end, where both are taken on one page */
  other: StepState | null
}

/** How a kind of step is taken and shown. One of each name that the core has. */
export interface KindView {
  Enter: (at: Entering) => ReactElement
  /** What is shown of it once it is recorded, beside its sentences. */
  Shown?: (at: AtHand) => ReactElement | null
  /** What the button says that takes it again; null: it is not taken again from here. */
  again: string | null
  /** the same where it hangs on what was recorded */
  againOf?: (value: Record<string, unknown>) => string | null
  /** What was entered stands there when it is put right; what is measured again is not copied from the reading before. */
  startsFromEarlier?: boolean
  /** Both pipe ends can be taken on one page. */
  bothEnds?: boolean
  /** Its fact comes in parts, each of them recorded by itself. */
  inParts?: boolean
  /** Photos go with each part, and are asked for beside it. */
  ownPhotos?: boolean
}
