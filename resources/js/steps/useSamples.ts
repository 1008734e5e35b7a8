import { useMemo } from 'react'
import type { Fact } from '../api/client'

/** All samples of a trace, its parts put together. */
export function useSamples(facts: Fact[], step: string): number[][] {
  return useMemo(() => {
    const parts = facts.filter((f) => f.step === step && Array.isArray(f.value['samples']))
    const last = parts[parts.length - 1]?.value['trace']
    return parts
      .filter((f) => f.value['trace'] === last)
      .sort((a, b) => Number(a.value['part']) - Number(b.value['part']))
      .flatMap((f) => f.value['samples'] as number[][])
  }, [facts, step])
}
