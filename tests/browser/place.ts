import type { Browser, Page } from '@playwright/test'
import type { ProcedureShort, ProcedureText } from '../../resources/js/api/client'
import { example, type Example, type Value } from './examples'
import { deviceOf } from './people'
import { recorded, type Crew } from './recorded'
import { Trench, type MadeLine } from './trench'

const WHO = { joiner: 'bram', engineer: 'tamsin', inspector: 'ruben' } as const

export type Part = keyof typeof WHO

export interface People extends Crew {
  engineer: Trench
  /** The page of who has this part: opened when it is first asked for, and then the same. */
  page(part: Part): Promise<Page>
}

/** Those who work and sign, each with a device. */
export async function crew(browser: Browser): Promise<People> {
  const parts: Part[] = ['joiner', 'engineer', 'inspector']
  const devices = await Promise.all(parts.map((part) => deviceOf(browser, WHO[part])))
  const [joiner, engineer, inspector] = (await Trench.all(devices)) as [Trench, Trench, Trench]
  const pages = new Map<Part, Promise<Page>>()
  const page = (part: Part): Promise<Page> => {
    if (!pages.has(part)) pages.set(part, devices[parts.indexOf(part)]!.newPage())
    return pages.get(part)!
  }
  return { joiner, engineer, inspector, page }
}

let known: Promise<Map<string, ProcedureShort>> | undefined

/** Procedures by their keys, as this worker has read them once: those that ship stay what they are. */
export const keyed = (trench: Trench): Promise<Map<string, ProcedureShort>> =>
  (known ??= trench.get<ProcedureShort[]>('procedures').then((all) => new Map(all.map((p) => [p.key, p]))))

/** A line of two or more pipes for an example, with the section that a method wants. */
export async function lineFor(
  crew: People,
  of: Example,
  joints: string,
  method?: string,
  pipes = 2,
): Promise<MadeLine & { sections: { id: string }[] }> {
  const known = await keyed(crew.engineer)
  const me = await crew.engineer.get<{ projects: { id: number }[] }>('me')
  const length = of.line?.length_m ?? 12
  const sections = method ? [{ name: 'Section 1', from_m: 0, to_m: 24, method_hash: known.get(method)!.hash }] : []
  return crew.engineer.post('lines', {
    project_id: me.projects[0]!.id,
    name: `Robot, ${of.procedure}`,
    ...of.pipe,
    design_bar: 4,
    mdp_bar: 5,
    pipe_length_m: length,
    procedure_hash: known.get(joints)!.hash,
    centre_line: [
      [0, 0, 0, 9],
      [length * pipes, length * pipes, 0, 9],
    ],
    sections,
  })
}

/** What joins the pipes on which something is set or tested. */
const BESIDE: Record<string, string> = {
  'Ductile iron': 'iron-push-on',
  'PVC-U': 'pvc-spigot-socket',
  Composite: 'composite-connector',
}

const SMALL_MM = 63

const beside = ({ pipe }: Example): string => BESIDE[pipe.material] ?? (pipe.dn_mm <= SMALL_MM ? 'ef-coupler-hand' : 'ef-coupler-one-pass')

/** Where the example is walked: what of, and the page. */
export async function place(
  crew: People,
  of: Example,
  begins: number,
): Promise<{ path: string; address: string; procedure: ProcedureText }> {
  const short = (await keyed(crew.engineer)).get(of.procedure)!
  const procedure = await crew.joiner.get<ProcedureText>(`procedures/${short.hash}`)
  if (short.family === 'test') {
    const joints = beside(of)
    const line = await lineFor(crew, of, joints, of.procedure)
    await recorded(crew, `subjects/joint/${line.joints[0]!.id}`, example(joints), begins - 24 * 60 * 60_000)
    const { id } = await crew.engineer.post<{ id: string }>(`sections/${line.sections[0]!.id}/tests`, {})
    return { path: `subjects/test/${id}`, address: `/tests/${id}`, procedure }
  }
  const isInLine = short.family === 'joint' && short.place === 'in-line'
  const line = await lineFor(crew, of, isInLine ? of.procedure : beside(of))
  if (short.family === 'stretch') {
    const { id } = await crew.engineer.post<{ id: string }>(`lines/${line.id}/stretches`, {
      procedure_hash: short.hash,
      name: `Robot, ${of.procedure}`,
      from_m: 7,
      ...(Number(of.line?.to_m ?? 0) > Number(of.line?.from_m ?? 0) ? { to_m: 11 } : {}),
    })
    return { path: `subjects/stretch/${id}`, address: `/stretches/${id}`, procedure }
  }
  const add = (body: Value): Promise<{ id: string }[]> => crew.engineer.post(`lines/${line.id}/joints`, body)
  const joint = isInLine
    ? line.joints[0]!
    : (await add({ procedure_hash: short.hash, chainage_m: 7, host_id: line.joints[0]!.id, count: 1 }))[0]!
  const attached = procedure.tells?.attached
  if (attached) {
    const by = [...(await keyed(crew.engineer)).values()].find((p) => p.place === attached.place)!
    for (const one of await add({ procedure_hash: by.hash, host_id: joint.id, count: attached.each_side })) {
      await recorded(crew, `subjects/joint/${one.id}`, example(by.key), begins - 120 * 60_000, { instead: of.attached?.instead })
    }
  }
  return { path: `subjects/joint/${joint.id}`, address: `/joints/${joint.id}`, procedure }
}
