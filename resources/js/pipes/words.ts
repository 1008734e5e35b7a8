import type { LinePipe } from '../api/client'
import { say } from '../texts/say'

export const STATE: Record<LinePipe['state'], string> = {
  'to-hand': say('pipes.stateToHand'),
  laid: say('pipes.stateLaid'),
  rejected: say('pipes.stateRejected'),
}
