import type { Register } from '../api/client'
import { say } from '../texts/say'

/** Whether the seals of a line hold, in a sentence; of what was never held it says so. */
export function chainSays({ chain_broken: broken, chain_head: head, chain_held: held }: Register): string {
  if (!head) return say('records.nothingIsSealedYet')
  if (held.waits && !held.at) return say('records.theSealsAreBeingHeld')
  return broken.length > 0 ? say('records.theChainIsBroken') : say('records.theChainOfSealsIsUnbroken')
}
