import { expect, it } from 'vitest'
import type { JointShort } from '../api/client'
import { standingOf } from './standing'

const joint = (state: string, verdict = 'open', place = 'in-line'): JointShort => ({ state, verdict, place }) as JointShort

it.each([
  [[joint('accepted', 'good'), joint('accepted', 'close')], 'Every joint is accepted.'],
  [[joint('accepted', 'good'), joint('cut-out', 'bad')], 'Every joint is accepted.'],
  [
    [joint('begun', 'bad'), joint('begun'), joint('begun'), joint('accepted', 'good')],
    'No joint is left to begin at the face. 1 is bad: it is put right or cut out. 2 are not finished yet.',
  ],
  [[joint('made'), joint('made')], 'No joint is left to begin at the face. 2 wait for a signature.'],
  [
    [joint('made', 'bad'), joint('made')],
    'No joint is left to begin at the face. 1 is bad: it is put right or cut out. 1 waits for a signature.',
  ],
  [[joint('begun', 'open', 'on-pipe')], 'No joint is planned on this line.'],
  [[], 'No joint is planned on this line.'],
])('says what is so of each state', (joints, said) => expect(standingOf(joints)).toBe(said))
