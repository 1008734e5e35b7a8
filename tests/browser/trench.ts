import { expect, type BrowserContext, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { BASE, PASSWORD } from './people'
import type { LogProgramme, Recorded } from '../../resources/js/api/client'

/** What the tests that look at one step record beforehand, as devices send it: over the same API, in the name of who is signed in. */
interface Joint {
  id: string
  number: string
  state: string
  verdict: string
  place: string
}
export interface MadeLine {
  id: string
  joints: Joint[]
}
type Value = Record<string, unknown>
export interface Judged {
  facts: { id: string; step: string; value: Value; supersedes: string | null }[]
  judgement: {
    verdict: string
    clocks: { name: string; at: string }[]
    steps: { key: string; verdict: string; status: string; locked: string | null; reasons: { text: string }[] }[]
  }
}
interface Item {
  id: string
  kind: string
  name: string
  snapshot: Value
}

/** Codes in the invented practice layout, by size: 0.2 % per kelvin. */
export const CODES = {
  63: '010000063395320210080029',
  110: '010000110395160210150022',
  180: '020000180395110210100024',
  225: '010000225395085210240027',
}

export class Trench {
  private items: Item[] = []

  private constructor(
    private readonly device: BrowserContext,
    private readonly base: string,
  ) {}

  static of(page: Page, base = BASE): Promise<Trench> {
    return Trench.on(page.context(), base)
  }

  static async on(device: BrowserContext, base = BASE): Promise<Trench> {
    const trench = new Trench(device, base)
    trench.items = await trench.get<Item[]>('stores')
    return trench
  }

  /** Several devices, which know the same stores. */
  static async all(devices: BrowserContext[], base = BASE): Promise<Trench[]> {
    const all = devices.map((device) => new Trench(device, base))
    const items = await all[0]!.get<Item[]>('stores')
    for (const one of all) one.items = items
    return all
  }

  private async headers(): Promise<Record<string, string>> {
    const token = (await this.device.cookies(this.base)).find((c) => c.name === 'XSRF-TOKEN')?.value ?? ''
    return { Accept: 'application/json', Referer: `${this.base}/`, 'X-XSRF-TOKEN': decodeURIComponent(token) }
  }

  async get<T>(path: string): Promise<T> {
    return (await (await this.device.request.get(`${this.base}/api/v1/${path}`, { headers: await this.headers() })).json()) as T
  }

  post<T>(path: string, data: unknown): Promise<T> {
    return this.send('post', path, data)
  }

  put<T>(path: string, data: unknown): Promise<T> {
    return this.send('put', path, data)
  }

  private async send<T>(how: 'post' | 'put', path: string, data: unknown): Promise<T> {
    const answer = await this.device.request[how](`${this.base}/api/v1/${path}`, { headers: await this.headers(), data })
    expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true)
    return (await answer.json()) as T
  }

  /** Something out of the stores by its name, as it is chosen at a step. */
  item(name: string): Value {
    return this.items.find((i) => i.name === name)!.snapshot
  }

  /** A line of so many pipes, 12 m each. */
  async line(
    name: string,
    procedure: string,
    pipe: { dn_mm: number; sdr: number; service?: string },
    joints: number,
    project?: number,
  ): Promise<MadeLine> {
    const hash = (await this.get<{ hash: string; key: string }[]>('procedures')).find((p) => p.key === procedure)!.hash
    const me = await this.get<{ projects: { id: number }[] }>('me')
    const far = 12 * (joints + 1)
    return this.post('lines', {
      project_id: project ?? me.projects[0]!.id,
      name,
      service: 'water',
      material: 'PE100',
      design_bar: 4,
      mdp_bar: 5,
      pipe_length_m: 12,
      procedure_hash: hash,
      centre_line: [
        [0, 0, 0, 9],
        [far, far, 0, 9],
      ],
      sections: [],
      ...pipe,
    })
  }

  /** Facts as they were recorded so many minutes ago. */
  async record(joint: string, facts: [step: string, value: Value, minutesAgo: number][]): Promise<void> {
    for (const [step, value, ago] of facts) await this.fact(`subjects/joint/${joint}`, step, value, ago)
  }

  /** One fact of so many minutes ago; who signs gives the password. */
  fact(path: string, step: string, value: Value, minutesAgo: number): Promise<Recorded> {
    return this.factAt(path, step, value, stamp(minutesAgo))
  }

  factAt(path: string, step: string, value: Value, recorded_at: string): Promise<Recorded> {
    const password = value['signed'] === true ? { password: PASSWORD } : {}
    return this.post(`${path}/facts`, { id: randomUUID(), step, value, recorded_at, ...password })
  }

  joint(id: string): Promise<Judged> {
    return this.get<Judged>(`subjects/joint/${id}`)
  }

  /** Card, box, tools. */
  kit(box = 'Box 2', tool = 'Turning peeler 3'): Value {
    return {
      card: this.item('Bram Ivesley'),
      box: this.item(box),
      tape: this.item('Tape 11'),
      tool: this.item(tool),
      solvent: this.item('Isopropanol 99 %, bottle 7'),
    }
  }

  /** A healthy 110 mm coupler up to the gap, begun so many minutes ago; peeled 20 minutes later. */
  coupler(ago: number, but: Record<string, Value> = {}): [string, Value, number][] {
    const round = (values: number[], clocks: string[]): Value => ({
      readings: clocks.map((clock, i) => ({ clock, value_mm: values[i % values.length] })),
    })
    const facts: [string, Value, number][] = [
      ['kit', this.kit(), ago],
      ['conditions', { air_c: 14, rh_pct: 60, pipe_c: 13, fitting_c: 14, wind_ms: 2, shelter: false, rain: false }, ago],
      ['pipes', { pipe_a: '1', pipe_b: '2', slides: 'normal' }, ago],
      ['code', { code: CODES[110], layout: this.item('Practice layout') }, ago],
      [
        'label',
        { dn_mm: 110, voltage_v: 39.5, time_s: 150, cooling_min: 12, sdr_min: 11, sdr_max: 17, coupling_mm: 160, gap_mm: 0.7 },
        ago,
      ],
      ['supply', { generator: this.item('Generator 5 kVA'), alone: true, earthed: true }, ago],
    ]
    for (const side of ['a', 'b']) {
      facts.push(
        [`cut-ends@${side}`, { square: true, gravel: false, washed: true }, ago - 1],
        [`od@${side}`, { od_tape_mm: 110.15, od_end_mm: 109.8 }, ago - 2],
        [`ovality@${side}`, round([110.2, 110.4, 110.3], ['12:00', '1:30', '3:00', '4:30']), ago - 2],
        [`scrape@${side}`, { od_after_mm: 109.6, marks_gone: true, sharp: true, tool: 'turning' }, ago - 3],
        [`mark@${side}`, { dressed: true, mark_mm: 80, all_round: true }, ago - 3],
      )
    }
    facts.push(
      ['assemble', { wiped: true, bag: true, dry: true, clamped: true, free: true, marks_at_face: true }, ago - 5],
      ['gap', round([0.6, 0.4, 0.2, 0.4], ['12:00', '3:00', '6:00', '9:00']), ago - 5],
      ['ready', { tight: true, contacts: true, ends_closed: true, supported: true, display: true }, ago - 5],
    )
    return facts.map(([step, value, at]) => [step, { ...value, ...but[step] }, at])
  }

  /** The same by the school that wipes before the peel. */
  wipedFirst(ago: number): [string, Value, number][] {
    const own: Record<string, Value> = {
      kit: { ...this.kit(), scriber: this.item('Scriber 2') },
      assemble: { bag: true, clamped: true, free: true, marks_at_face: true, untouched: true },
    }
    const between = (side: string): [string, Value, number][] => [
      [`lengths@${side}`, { first_mm: 90, second_mm: 320 }, ago - 2],
      [`wipe@${side}`, { wiped: true, dry: true }, ago - 2],
      [`scribe@${side}`, { sides: 4, inked: true }, ago - 2],
    ]
    return this.coupler(ago).flatMap(([step, value, at]) => {
      const fact: [string, Value, number] = [step, own[step] ?? value, at]
      return step.startsWith('scrape@') ? [...between(step.slice(-1)), fact] : [fact]
    })
  }

  /** A trace as the stand-in plays it, ended so many minutes ago. */
  async trace(volts: number, ohms: number, seconds: number, endedAgo: number, fault = 'none'): Promise<Value> {
    const box =
      await this.get<Record<string, { supply_ratio: number; r_ratio: number; samples: [number, number, number][] }>>('stand-ins/fusion-box')
    const p = box[fault]!
    return {
      trace: randomUUID(),
      part: 0,
      final: true,
      source: 'stand-in',
      supply_v: 229,
      cold_r_ohm: ohms * p.r_ratio,
      started_at: stamp(endedAgo + seconds / 60),
      ended_at: stamp(endedAgo),
      samples: p.samples.map(([t, u, i]) => [t * seconds, u * volts, (i * volts) / ohms]),
    }
  }

  /** The log of a test as the stand-in of pump and logger plays it, ended so many minutes ago. */
  async log(path: string, endedAgo: number, fault = 'none'): Promise<Value> {
    const { rows, marks } = await this.get<LogProgramme>(`${path.replace('subjects/test', 'tests')}/stand-in?fault=${fault}`)
    return {
      trace: randomUUID(),
      part: 0,
      final: true,
      source: 'stand-in',
      marks,
      samples: rows,
      started_at: stamp(endedAgo + 1),
      ended_at: stamp(endedAgo),
    }
  }
}

/** A moment so many minutes ago, with its offset. */
export function stamp(minutesAgo: number): string {
  return new Date(Date.now() - minutesAgo * 60_000).toISOString().replace(/\.\d+Z$/, '+00:00')
}
