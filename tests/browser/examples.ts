import { readFileSync } from 'node:fs'

export type Value = Record<string, unknown>

export interface Entry {
  step: string
  /** minutes after the beginning */
  min: number
  value?: Value
  /** what the stand-in of the device plays */
  plays?: string
  /** what the page fills in is recorded */
  suggested?: boolean
  photo?: boolean
}

/** Another run: what differs, and what must be said at which step. */
export interface Other {
  name: string
  step: string
  verdict: string
  says: string
  instead?: Record<string, Value>
  at?: Record<string, number>
  plays?: Record<string, string>
  without?: string[]
}

export interface Example {
  procedure: string
  pipe: { material: string; dn_mm: number; sdr: number; service: string }
  line?: { length_m?: number; from_m?: number; to_m?: number }
  good: Entry[]
  others?: Other[]
  /** what differs for the joints that hang on its pipe ends */
  attached?: { instead: Record<string, Value> }
}

export const example = (id: string): Example =>
  JSON.parse(readFileSync(new URL(`../../core/data/examples/${id}.json`, import.meta.url), 'utf8')) as Example

/** The entries as another run has them: `step#2` in it is the second entry of that step, `step` each of them. */
export function entriesOf(of: Example, { instead = {} }: Other): Entry[] {
  const times = new Map<string, number>()
  return of.good.map((entry) => {
    const nth = (times.get(entry.step) ?? 0) + 1
    times.set(entry.step, nth)
    const value = { ...entry.value, ...(instead[`${entry.step}#${nth}`] ?? instead[entry.step]) }
    const hasPhoto = entry.photo === true && !('photos' in value)
    return { ...entry, value, photo: hasPhoto }
  })
}

/** How long the run of an example takes, min. */
export const lasts = (of: Example): number => Math.max(...of.good.map((e) => e.min))

/** A value with times and things out of the stores in their places. */
export function resolved(value: unknown, begins: number, thing: (name: string) => Value): unknown {
  if (typeof value === 'string' && value.startsWith('@+'))
    return new Date(begins + Number(value.slice(2)) * 60_000).toISOString().replace(/\.\d+Z$/, '+00:00')
  if (Array.isArray(value)) return value.map((v) => resolved(v, begins, thing))
  if (value === null || typeof value !== 'object') return value
  const entries = Object.entries(value)
  return entries.length === 1 && entries[0]![0] === 'store'
    ? thing(String(entries[0]![1]))
    : Object.fromEntries(entries.map(([k, v]) => [k, resolved(v, begins, thing)]))
}
