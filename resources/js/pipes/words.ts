import type { LinePipe } from '../api/client'

export const STATE: Record<LinePipe['state'], string> = { 'to-hand': 'to hand', laid: 'laid', rejected: 'rejected' }

/** "PE100 110 SDR 11" */
export const sizeOf = (p: LinePipe['pipe']): string => `${p.material} ${p.size ?? p.dn_mm} SDR ${p.sdr}`
