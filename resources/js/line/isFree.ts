import type { JointShort } from '../api/client'
import { coolingUntil, waitOf } from '../ui/LineString'

/** Its time is over, and what ends the waiting is not recorded yet. */
export const isFree = (j: JointShort, now: number): boolean =>
  j.verdict !== 'bad' && j.next_step === (waitOf(j)?.until ?? '') && coolingUntil(j, now) === null
