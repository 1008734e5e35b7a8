import type { Subject } from '../api/client'

/** Both pipes where they differ: "PE100 110 SDR 11 | PE100 110 SDR 17". */
export function sizesOf(joint: Subject): string {
  const ends = Object.values(
    (joint.context['ends'] ?? {}) as Record<string, { material: string; size?: string; dn_mm: number; sdr: number }>,
  )
  const all = [...new Set(ends.map((p) => `${p.material} ${p.size ?? p.dn_mm} SDR ${p.sdr}`))]
  return (
    all.length > 0 ? all : [`${String(joint.context['material'])} ${String(joint.context['dn_mm'])} SDR ${String(joint.context['sdr'])}`]
  ).join(' | ')
}
