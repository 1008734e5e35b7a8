import type { LinePipe } from '../api/client'
import { say } from '../texts/say'

export const STATE: Record<LinePipe['state'], string> = {
  'to-hand': say('pipes.stateToHand'),
  laid: say('pipes.stateLaid'),
  rejected: say('pipes.stateRejected'),
}

/** "PE100 110 SDR 11" */
export const sizeOf = (p: LinePipe['pipe']): string =>
  say('common.sizeOfPipe', { material: p.material, size: p.size ?? p.dn_mm, sdr: p.sdr })
