import type { Subject } from '../api/client'
import { sizeOf } from '../pipes/sizeOf'

type Size = Parameters<typeof sizeOf>[0]

/** Both pipes where they differ: "PE100 110 SDR 11 | PE100 110 SDR 17". */
export function sizesOf(joint: Subject): string {
  const ends = Object.values((joint.context['ends'] ?? {}) as Record<string, Size>)
  const all = [...new Set(ends.map(sizeOf))]
  return (all.length > 0 ? all : [sizeOf({ ...(joint.context as unknown as Size), size: undefined })]).join(' | ')
}
