import { expect, type Page } from '@playwright/test'
import type { ProcedureShort, ProcedureText, StepText, StoreItem, Subject } from '../../resources/js/api/client'
import { test } from './alone'
import { example, lasts, type Example } from './examples'
import { crew, keyed, lineFor, place, type People } from './place'
import { BASE } from './people'
import { Robot } from './robot'
import { shapeOf } from './shape'
import { recorded } from './recorded'
import type { Trench } from './trench'

/*
 * Each procedure and method is walked at the trench as its example has it, by a robot that does not know what it is. A new
 * kind is tried end to end by its data alone.
 */
test.describe.configure({ mode: 'parallel' })

const NOW = Date.now()
const SIGNED = 'inspector'
/** `bin/test robot` has every step of every procedure tapped, and prints the taps; among all other tests two procedures are. */
const COUNTS = process.env['ROBOT_COUNTS'] === '1'

/** In this order what several of them have alike is typed once. */
const WALKED = [
  'day-record',
  'delivery',
  'covering',
  'trench-bedding',
  'bedding-in',
  'as-laid',
  'opening',
  'thrust-held',
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
  'disinfection',
  'pe-viscoelastic',
  'constant-pressure-makeup',
  'makeup-us',
  'makeup-us-older',
  'pressure-loss',
  'water-loss',
  'pe-three-point',
  'pe-expansion',
  'pe-rebound',
  'composite-staged',
  'sewer-air-us',
  'sewer-air-eu',
  'sewer-water-eu',
  'sewer-exfiltration-us',
  'sewer-mandrel',
  'manhole-vacuum-us',
  'gas-plastic-us',
  'gas-operator-table',
  'service-water-eu',
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

/** The steps of a procedure that its example takes. */
async function stepsOf(crew: People, known: Map<string, ProcedureShort>, id: string): Promise<StepText[]> {
  const { hash } = known.get(id)!
  const taken = new Set(example(id).good.map((entry) => entry.step.split('@')[0]))
  return (await textOf(crew, hash)).steps.filter((step) => taken.has(step.id))
}

/** Whether a step of this shape is typed in a procedure that is walked by taps, in one that comes first, or before it in this one. */
async function typedElsewhere(crew: People, id: string): Promise<(text: StepText) => boolean> {
  const known = await keyed(crew.engineer)
  const daily = DAILY.map((one) => one.id).filter((one) => one !== id)
  const others = [...daily, ...WALKED.slice(0, Math.max(0, WALKED.indexOf(id)))]
  const shapes = new Set((await Promise.all(others.map((other) => stepsOf(crew, known, other)))).flat().map(shapeOf))
  const first = new Map<string, string>()
  for (const step of await stepsOf(crew, known, id)) if (!first.has(shapeOf(step))) first.set(shapeOf(step), step.id)
  return (text) => shapes.has(shapeOf(text)) || first.get(shapeOf(text)) !== text.id
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
    const seen = await typedElsewhere(people, id)
    const robot = new Robot(people, path, procedure, of, begins, COUNTS ? undefined : { seen })
    const from = Date.now()
    isSound(await robot.walk(address))
    const page = await robot.end(address)
    await expect(page.getByText('signed and sealed').first(), 'what is sealed is shown').toBeVisible()
    if (COUNTS) told(id, robot, from)
    if (path.startsWith('subjects/test')) {
      const address = `${BASE}/api/v1/tests/${path.split('/').at(-1)}/pack.pdf`
      const pack = await (await people.page('engineer')).request.get(address, { headers: { Referer: `${BASE}/` } })
      expect(pack.ok(), `the pack of ${id}: ${pack.status()}`).toBe(true)
      expect((await pack.body()).subarray(0, 5).toString(), `the pack of ${id} is a document`).toBe('%PDF-')
    }
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
    await takenBefore(await people.page('joiner'), people.joiner, of)
    const line = await lineFor(people, of, id, undefined, 4)
    const short = (await keyed(people.engineer)).get(id)!
    const procedure = await people.joiner.get<ProcedureText>(`procedures/${short.hash}`)
    const long = lasts(of) + 5
    await recorded(people, `subjects/joint/${line.joints[0]!.id}`, of, NOW - 24 * 60 * 60_000)
    for (const [i, most] of [first, second].entries()) {
      const joint = line.joints[i + 1]!.id
      const begins = NOW - (2 - i) * long * 60_000
      const robot = new Robot(people, `subjects/joint/${joint}`, procedure, of, begins)
      const from = Date.now()
      isSound(await robot.walk(`/joints/${joint}`))
      told(`${id}, ${i === 0 ? 'first' : 'second'} of the day`, robot, from)
      expect(robot.taps, JSON.stringify(robot.tapsAt)).toBeLessThanOrEqual(most)
    }
  })
}
