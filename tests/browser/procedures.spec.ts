import { expect } from '@playwright/test'
import type { ProcedureShort, ProcedureText, StepText } from '../../resources/js/api/client'
import { test } from './alone'
import { example, lasts } from './examples'
import { BASE } from './people'
import { crew, keyed, place, type People } from './place'
import { Robot } from './robot'
import { shapeOf } from './shape'
import { COUNTS, DAILY, isSound, told } from './walks'

/*
 * Each procedure and method is walked at the trench as its example has it, by a robot that does not know what it is. A new
 * kind is tried end to end by its data alone.
 */
test.describe.configure({ mode: 'parallel' })

const NOW = Date.now()

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

// Among all tests those of a day are walked twice, tap by tap: daily.spec.ts.
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
