import type { ReactElement } from 'react'
import type { ProcedureText, StepState, StepText, Subject, Usual } from '../../api/client'

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

export interface Entering extends AtHand {
  onRecord: (value: Record<string, unknown>) => void
  onDone: () => void
  /** what was entered before, where it is put right and not measured anew */
  earlier: Record<string, unknown> | null
}

/** How a kind of step is taken and shown. One of each name that the core has. */
export interface KindView {
  Enter: (at: Entering) => ReactElement
  /** What is shown of it once it is recorded, beside its sentences. */
  Shown?: (at: AtHand) => ReactElement | null
  /** What the button says that takes it again; null: it is not taken again from here. */
  again: string | null
  /** What was entered stands there when it is put right; what is measured again is not copied from the reading before. */
  startsFromEarlier?: boolean
  /** Its fact comes in parts, each of them recorded by itself. */
  inParts?: boolean
}
