import type { Fact } from '../api/client'

/** One entry of a list as it stands, with the fact that carries it. */
export interface OneOfList {
  fact: Fact
  value: Record<string, unknown>
}

/** What stands of a list: entries that none has taken the place of and none has struck out, in the order in which they came. */
export function entriesOf(step: string, facts: Fact[]): { entries: OneOfList[]; isAll: boolean } {
  const seen = new Map(facts.filter((f) => f.step === step).map((f) => [f.id, f]))
  const replaced = new Set([...seen.values()].map((f) => f.supersedes).filter(Boolean))
  const standing = [...seen.values()].filter((f) => !replaced.has(f.id))
  return {
    entries: standing.map((fact) => ({ fact, value: fact.value })).filter(({ value }) => value['all'] !== true && value['struck'] !== true),
    isAll: standing.some((f) => f.value['all'] === true),
  }
}
