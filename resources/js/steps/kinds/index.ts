import { fields } from './fields'
import { bolts } from './bolts'
import { hold } from './hold'
import { round } from './round'
import { scan } from './scan'
import { timer } from './timer'
import { trace } from './trace'
import type { KindView } from './kind'

/** The kinds of steps, by the name that a procedure has for them. */
export const KINDS: Record<string, KindView> = {
  check: fields('Correct this'),
  choice: fields('Correct this'),
  note: fields('Correct this'),
  number: fields('Measure again'),
  round,
  scan,
  trace,
  bolts,
  timer,
  hold,
}
