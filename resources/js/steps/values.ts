import type { Fact } from '../api/client'
import type { Waiting } from '../outbox/db'

/** What waits on the device, as the server will have it. */
export const asFact = (w: Waiting): Fact => ({
  ...w.body,
  seq: 0,
  by: '',
  role: '',
  supersedes: w.body.supersedes ?? null,
  reason: w.body.reason ?? null,
})

/** Values that count at each step, what waits on the device included. */
export function currentValues(facts: Fact[], waiting: Waiting[]): Record<string, Record<string, unknown>> {
  const superseded = new Set(facts.map((f) => f.supersedes).filter(Boolean))
  const values: Record<string, Record<string, unknown>> = {}
  for (const f of facts) if (!superseded.has(f.id)) values[f.step] = { ...values[f.step], ...f.value }
  for (const w of waiting) if (!w.refused) values[w.body.step] = { ...values[w.body.step], ...(w.body.value as Record<string, unknown>) }
  return values
}
