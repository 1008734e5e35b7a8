import type { JointShort } from '../api/client'
import { say } from '../texts/say'

/** How the joints of a line stand when none is left to begin at the face. */
export function standingOf(joints: JointShort[]): string {
  const there = joints.filter((j) => j.place === 'in-line' && j.state !== 'cut-out')
  if (there.length === 0) return say('line.noJointYet')
  const bad = there.filter((j) => j.verdict === 'bad').length
  const sound = there.filter((j) => j.verdict !== 'bad')
  const open = sound.filter((j) => j.state === 'begun').length
  const made = sound.filter((j) => j.state === 'made').length
  if (bad + open + made === 0) return say('line.everyJointIsAccepted')
  return [
    say('line.nothingIsLeftToBegin'),
    bad > 0 ? say('line.badToCutOut', { count: bad }) : '',
    open > 0 ? say('line.notFinishedYet', { count: open }) : '',
    made > 0 ? say('line.waitForASignature', { count: made }) : '',
  ]
    .filter(Boolean)
    .join(' ')
}
