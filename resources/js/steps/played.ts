import { say } from '../texts/say'

/** What the stand-in for pump and logger can play, by its name at the server. */
export const PLAYED: Record<string, string> = {
  none: say('steps.aTightSection'),
  leak: say('steps.aSmallHole'),
  air: say('steps.trappedAir'),
  sun: say('steps.sunOnThePipe'),
  weep: say('steps.aJointThatWeeps'),
  'closed-valve': say('steps.aClosedValveInside'),
  drift: say('steps.aGaugeThatDrifts'),
  hammer: say('steps.knocksFromNearby'),
}

/** Nobody is told which until the log is judged: for practice. */
export const DRAWN = 'drawn'

/** One of them, by chance. */
export function drawn(chance = Math.random()): string {
  const all = Object.keys(PLAYED)
  return all[Math.min(all.length - 1, Math.floor(chance * all.length))]!
}
