import { randomUUID } from 'node:crypto'
import type { StepState, Subject } from '../../resources/js/api/client'
import { lasts, resolved, type Example, type Value } from './examples'
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
    let value = resolved({ ...entry.value, ...instead[entry.step] }, begins, (name) => crew.joiner.item(name)) as Value
    const known = async (): Promise<StepState> => (await crew.joiner.get<Subject>(path)).judgement.steps.find((s) => s.key === entry.step)!
    if (entry.suggested) value = { ...(await known()).suggested, ...value }
    if (entry.plays) {
      const { device } = await known()
      const [volts, ohms, seconds] = ['u_v', 'r_ohm', 't_s'].map((key) => Number(device?.[key]))
      value = device
        ? await crew.joiner.trace(volts!, ohms!, seconds!, minutesAgo - seconds! / 60, entry.plays)
        : await crew.joiner.log(path, minutesAgo, entry.plays)
    }
    if (entry.photo) value = { ...value, photos: [randomUUID()] }
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
