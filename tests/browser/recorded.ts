import { randomUUID } from 'node:crypto'
import type { StepState, Subject } from '../../resources/js/api/client'
import { lasts, resolved, type Entry, type Example, type Value } from './examples'
import type { Trench } from './trench'

export interface Crew {
  joiner: Trench
  inspector: Trench
}

interface How {
  /** values that differ from those of the example, by step */
  instead?: Record<string, Value> | undefined
  /** steps that are left for others */
  without?: string[]
  /** who records a step that not everybody may; else the joiner, and the inspector where it is signed */
  by?: (step: string) => Trench | undefined
}

/** What a device sends of an entry: with what the page fills in, what the stand-in plays, a photo. */
export async function asSent(
  trench: Trench,
  path: string,
  { value: written, suggested, plays, photo, min }: Entry,
  begins: number,
  known: () => Promise<StepState> | StepState,
): Promise<Value> {
  const minutesAgo = (Date.now() - begins) / 60_000 - min
  let value = resolved(written ?? {}, begins, (name) => trench.item(name)) as Value
  if (suggested) value = { ...(await known()).suggested, ...value }
  if (plays) {
    const { device } = await known()
    const [volts, ohms, seconds] = ['u_v', 'r_ohm', 't_s'].map((key) => Number(device?.[key]))
    value = device
      ? await trench.trace(volts!, ohms!, seconds!, minutesAgo - seconds! / 60, plays)
      : await trench.log(path, minutesAgo, plays)
  }
  return photo ? { ...value, photos: [randomUUID()] } : value
}

/** Records what an example has as devices send it: over the API, at the times that it has. */
export async function recorded(
  crew: Crew,
  path: string,
  of: Example,
  begins: number,
  { instead = {}, without = [], by }: How = {},
): Promise<void> {
  for (const entry of of.good.filter((e) => !without.includes(e.step))) {
    const minutesAgo = (Date.now() - begins) / 60_000 - entry.min
    const known = async (): Promise<StepState> => (await crew.joiner.get<Subject>(path)).judgement.steps.find((s) => s.key === entry.step)!
    const value = await asSent(crew.joiner, path, { ...entry, value: { ...entry.value, ...instead[entry.step] } }, begins, known)
    const who = by?.(entry.step) ?? (value['signed'] === true ? crew.inspector : crew.joiner)
    await who.fact(path, entry.step, value, minutesAgo)
  }
}

/** The steps of an example before its device begins, the last of them a minute ago. */
export async function prepared(crew: Crew, path: string, of: Example): Promise<void> {
  const device = of.good.findIndex((entry) => entry.plays)
  const before = of.good.slice(0, device)
  await recorded(crew, path, { ...of, good: before }, Date.now() - (lasts({ ...of, good: before }) + 1) * 60_000)
}
