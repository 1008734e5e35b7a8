import type { Subject } from '../api/client'
import { say } from '../texts/say'

/** Both pipes where they differ: "PE100 110 SDR 11 | PE100 110 SDR 17". */
export function sizesOf(joint: Subject): string {
  const ends = Object.values(
    (joint.context['ends'] ?? {}) as Record<string, { material: string; size?: string; dn_mm: number; sdr: number }>,
  )
  const all = [...new Set(ends.map((p) => say('common.sizeOfPipe', { material: p.material, size: p.size ?? p.dn_mm, sdr: p.sdr })))]
  return (
    all.length > 0
      ? all
      : [
          say('common.sizeOfPipe', {
            material: String(joint.context['material']),
            size: String(joint.context['dn_mm']),
            sdr: String(joint.context['sdr']),
          }),
        ]
  ).join(' | ')
}
