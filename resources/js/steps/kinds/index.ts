import { fields } from './fields'
import { bolts } from './bolts'
import { entries } from './entries'
import { hold } from './hold'
import { round } from './round'
import { scan } from './scan'
import { timer } from './timer'
import { trace } from './trace'
import type { KindView } from './kind'
import { say } from '../../texts/say'

/** The kinds of steps, by the name that a procedure has for them. */
export const KINDS: Record<string, KindView> = {
  check: fields(say('steps.correctThis'), true),
  choice: fields(say('steps.correctThis'), true),
  note: fields(say('steps.correctThis'), true),
  number: fields(say('steps.measureAgain')),
  round,
  scan,
  trace,
  bolts,
  entries,
  timer,
  hold,
}
