import { expect, type Browser, type Page } from '@playwright/test'
import type { ProcedureShort, ProcedureText, StepText, StoreItem, Subject } from '../../resources/js/api/client'
import { test } from './alone'
import { example, lasts, type Example, type Value } from './examples'
import { present } from './people'
import { Robot } from './robot'
import { recorded, type Crew } from './recorded'
import { Trench, type MadeLine } from './trench'

/*
 * Each procedure and method is walked at the trench as its example has it, by a robot that does not know what it is. A new
 * kind is tried end to end by its data alone.
 */
test.describe.configure({ mode: 'parallel' })

const NOW = Date.now()
const BASE = process.env['BASE_URL'] ?? 'http://127.0.0.1:8080'
const SIGNED = 'inspector'
/** `bin/test robot` has every procedure tapped, and prints the taps; among all other tests two are. */
const COUNTS = process.env['ROBOT_COUNTS'] === '1'

interface People extends Crew {
  engineer: Trench
  pages: Record<string, Page>
}

async function crew(browser: Browser): Promise<People> {
  const [bram, tamsin, ruben] = await Promise.all([present(browser, 'bram'), present(browser, 'tamsin'), present(browser, 'ruben')])
  const trench = (page: Page): Promise<Trench> => Trench.of(page, BASE)
  const [joiner, engineer, inspector] = await Promise.all([trench(bram), trench(tamsin), trench(ruben)])
  return {
    joiner,
    engineer,
    inspector,
    pages: { joiner: bram, engineer: tamsin, inspector: ruben },
  }
}

const keyed = async (trench: Trench): Promise<Map<string, ProcedureShort>> =>
  new Map((await trench.get<ProcedureShort[]>('procedures')).map((p) => [p.key, p]))

/** A line of two or more pipes for an example, with the section that a method wants. */
async function lineFor(
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

/** Where the example is walked: what of, and the page. */
async function place(crew: People, of: Example, begins: number): Promise<{ path: string; address: string; procedure: ProcedureText }> {
  const short = (await keyed(crew.engineer)).get(of.procedure)!
  const procedure = await crew.joiner.get<ProcedureText>(`procedures/${short.hash}`)
  if (short.family === 'test') {
    const joints = BESIDE[of.pipe.material] ?? 'ef-coupler-one-pass'
    const line = await lineFor(crew, of, joints, of.procedure)
    await recorded(crew, `subjects/joint/${line.joints[0]!.id}`, example(joints), begins - 24 * 60 * 60_000)
    const { id } = await crew.engineer.post<{ id: string }>(`sections/${line.sections[0]!.id}/tests`, {})
    return { path: `subjects/test/${id}`, address: `/tests/${id}`, procedure }
  }
  const isInLine = short.family === 'joint' && short.place === 'in-line'
  const line = await lineFor(crew, of, isInLine ? of.procedure : (BESIDE[of.pipe.material] ?? 'ef-coupler-one-pass'))
  if (short.family === 'stretch') {
    const { id } = await crew.engineer.post<{ id: string }>(`lines/${line.id}/stretches`, {
      procedure_hash: short.hash,
      name: `Robot, ${of.procedure}`,
      from_m: 7,
    })
    return { path: `subjects/stretch/${id}`, address: `/stretches/${id}`, procedure }
  }
  const add = (body: Value): Promise<{ id: string }[]> => crew.engineer.post(`lines/${line.id}/joints`, body)
  const joint = isInLine
    ? line.joints[0]!
    : (await add({ procedure_hash: short.hash, chainage_m: 7, host_id: line.joints[0]!.id, count: 1 }))[0]!
  const attached = procedure.tells?.attached
  if (attached) {
    const by = (await crew.engineer.get<ProcedureShort[]>('procedures')).find((p) => p.place === attached.place)!
    for (const one of await add({ procedure_hash: by.hash, host_id: joint.id, count: attached.each_side })) {
      await recorded(crew, `subjects/joint/${one.id}`, example(by.key), begins - 120 * 60_000, { instead: of.attached?.instead })
    }
  }
  return { path: `subjects/joint/${joint.id}`, address: `/joints/${joint.id}`, procedure }
}

/** In this order what several of them have word for word is looked at once. */
const WALKED = [
  'ef-coupler-large',
  'ef-coupler-groove',
  'ef-coupler-table',
  'ef-coupler-hand',
  'ef-saddle-tapping',
  'ef-restraint',
  'ef-branch-large',
  'iron-push-on',
  'iron-restrained',
  'grp-coupling',
  'grp-coupling-centred',
  'concrete-rolling',
  'concrete-skid',
  'concrete-sealant',
  'corrugated-bell',
  'bolted-coupling',
  'bolted-coupling-film',
  'wrap-clamp',
  'telescoping-repair',
  'positive-stop-coupling',
  'flange-joint',
  'flange-joint-settled',
  'flange-adaptor',
  'gland-joint',
  'gland-restrained',
  'stab-fitting',
  'composite-connector',
  'tap-dry',
  'tap-live-water',
  'gas-saddle',
  'leak-found',
  'pe-viscoelastic',
  'constant-pressure-makeup',
  'makeup-us',
  'pressure-loss',
  'water-loss',
  'pe-three-point',
  'pe-expansion',
  'composite-staged',
  'sewer-air-us',
  'sewer-air-eu',
  'sewer-water-eu',
  'manhole-vacuum-us',
  'gas-plastic-us',
]

/** Those of which two joints of a day are tapped. */
const DAILY = [
  { id: 'ef-coupler-one-pass', first: 90, second: 70 },
  { id: 'pvc-spigot-socket', first: 45, second: 45 },
]

/** Texts that this worker has read. */
const texts = new Map<string, Promise<ProcedureText>>()

function textOf(crew: People, hash: string): Promise<ProcedureText> {
  if (!texts.has(hash)) texts.set(hash, crew.joiner.get<ProcedureText>(`procedures/${hash}`))
  return texts.get(hash)!
}

/** Whether a step stands word for word in a procedure that is walked by taps, or in one that comes first: there it is looked at. */
async function looksElsewhere(crew: People, id: string): Promise<(text: StepText) => boolean> {
  const known = await keyed(crew.engineer)
  const daily = DAILY.map((one) => one.id).filter((one) => one !== id)
  const others = [...daily, ...WALKED.slice(0, Math.max(0, WALKED.indexOf(id)))]
  const read = await Promise.all(others.map((other) => textOf(crew, known.get(other)!.hash)))
  const steps = new Set(read.flatMap((text) => text.steps.map((step) => JSON.stringify(step))))
  return (text) => steps.has(JSON.stringify(text))
}

/** Printed by `bin/test robot`. */
function told(what: string, robot: Robot, from: number): void {
  const description = `robot ${what}: ${robot.taps} taps, ${Math.round((Date.now() - from) / 1000)} s`
  test.info().annotations.push({ type: 'robot', description })
}

function isSound(walked: Subject): void {
  expect(['good', 'close'], walked.judgement.reasons.map((r) => r.text).join('\n')).toContain(walked.judgement.verdict)
  expect(walked.judgement.next).toBeNull()
  expect(walked.closed, `${SIGNED} signs and seals`).toContain('signed and sealed')
}

// Among all tests those of a day are walked twice, below.
for (const id of [...WALKED, ...(COUNTS ? DAILY.map((daily) => daily.id) : [])]) {
  test(`a robot walks ${id} as its example has it`, async ({ browser }) => {
    const of = example(id)
    const people = await crew(browser)
    // Its last minute is a few minutes ago: no fact lies in the future.
    const begins = NOW - (lasts(of) + 5) * 60_000
    const { path, address, procedure } = await place(people, of, begins)
    const seen = await looksElsewhere(people, id)
    const robot = new Robot(
      people.pages['joiner']!,
      people.joiner,
      path,
      procedure,
      of,
      begins,
      people.pages,
      COUNTS ? undefined : { seen },
    )
    const from = Date.now()
    isSound(await robot.walk(address))
    if (COUNTS) told(id, robot, from)
  })
}

/** The phone knows what was taken on it before: the first joint of a day is not the first of its life. */
async function takenBefore(page: Page, trench: Trench, of: Example): Promise<void> {
  const names = of.good.flatMap((entry) => Object.values(entry.value ?? {}).map((v) => (v as { store?: string } | null)?.store))
  const things = (await trench.get<StoreItem[]>('stores')).filter((item) => names.includes(item.name))
  const used = JSON.stringify(Object.fromEntries(things.map((item) => [item.kind, item.thing_id])))
  await page.addInitScript((all) => localStorage.setItem('stores-used', all), used)
}

for (const { id, first, second } of DAILY) {
  test(`the first ${id} of a day takes at most ${first} taps, the second at most ${second}`, async ({ browser }) => {
    const of = example(id)
    const people = await crew(browser)
    await takenBefore(people.pages['joiner']!, people.joiner, of)
    const line = await lineFor(people, of, id, undefined, 4)
    const short = (await keyed(people.engineer)).get(id)!
    const procedure = await people.joiner.get<ProcedureText>(`procedures/${short.hash}`)
    const long = lasts(of) + 5
    await recorded(people, `subjects/joint/${line.joints[0]!.id}`, of, NOW - 24 * 60 * 60_000)
    for (const [i, most] of [first, second].entries()) {
      const joint = line.joints[i + 1]!.id
      const begins = NOW - (2 - i) * long * 60_000
      const robot = new Robot(people.pages['joiner']!, people.joiner, `subjects/joint/${joint}`, procedure, of, begins, people.pages)
      const from = Date.now()
      isSound(await robot.walk(`/joints/${joint}`))
      told(`${id}, ${i === 0 ? 'first' : 'second'} of the day`, robot, from)
      expect(robot.taps, JSON.stringify(robot.tapsAt)).toBeLessThanOrEqual(most)
    }
  })
}
