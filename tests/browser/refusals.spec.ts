import { readdirSync } from 'node:fs'
import { test } from './alone'
import { entriesOf, example, type Example, type Other, type Value } from './examples'
import { says } from './people'
import { crew, place, type People } from './place'
import { recorded } from './recorded'
import { Robot } from './robot'
import type { Trench } from './trench'

/*
 * What a procedure refuses is typed at the trench, as its other examples have it: what comes before it is recorded already,
 * the wrong figure goes in by the page, and the page says the sentence.
 */
test.describe.configure({ mode: 'parallel' })

const NOW = Date.now()
/** `bin/test robot` types every one of them. */
const ALL = process.env['ROBOT_COUNTS'] === '1'

/** Of these one each is typed among all other tests. */
const ALWAYS = [
  'bolted-coupling',
  'bolted-coupling-film',
  'composite-connector',
  'flange-adaptor',
  'flange-joint',
  'flange-joint-settled',
  'gas-saddle',
  'gland-joint',
  'gland-restrained',
  'leak-found',
  'positive-stop-coupling',
  'stab-fitting',
  'tap-dry',
  'tap-live-water',
  'telescoping-repair',
  'wrap-clamp',
]

/**
 * What a thumb can type: a device plays its own faults, what is done before its time is shut, a round is gone all round, and
 * whoever refuses to sign has a page of its own. What a later step of a test says of it rests on the section.
 */
function isTyped(of: Example, { step, instead, plays, at, without, says }: Other): boolean {
  if (instead === undefined || plays || at || without || says.includes('while it was shut')) return false
  const changes = Object.entries(instead).map(([key, value]): [string, Value] => [key.split('#')[0]!, value])
  if ('gauge_target_kpa' in (of.line ?? {}) && !changes.some(([key]) => key === step)) return false
  const values = Object.values(instead)
  const isWhole = ([key, { readings }]: [string, Value]): boolean =>
    !Array.isArray(readings) || readings.length === (of.good.find((e) => e.step === key)!.value!['readings'] as unknown[]).length
  const isTime = (value: unknown): boolean => typeof value === 'string' && value.startsWith('@+')
  return changes.every(isWhole) && !values.some((value) => Object.values(value).some(isTime) || value['signed'] === false)
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** Things of the demo are due on days of their own, and the section that is tested here is another one than the example's. */
const said = ({ says }: Other, isTest: boolean): RegExp =>
  isTest ? loosely(says, /\d[\d.]*\d|\d/, '[\\d.]+') : loosely(says, DAY, DAY.source)

const DAY = /\d{4}-\d\d-\d\d|\d{1,2} [A-Z][a-z]{2} \d{4}/

const loosely = (says: string, part: RegExp, any: string): RegExp => new RegExp(says.split(part).map(escaped).join(`(?:${any})`))

async function refuses(people: People, of: Example, other: Other): Promise<void> {
  const first = of.good.findIndex((e) => e.step === other.step)
  const last = of.good.map((e) => e.step).lastIndexOf(other.step)
  const entries = entriesOf(of, other)
  const before = entries.slice(0, first)
  const typed = entries.slice(first, last + 1)
  const begins = NOW - (typed.at(-1)!.min + 5) * 60_000
  const { path, address, procedure } = await place(people, of, begins)
  const roles = new Map(procedure.steps.map((step) => [step.id, step.roles ?? []]))
  const by = (key: string): Trench | undefined => (roles.get(key.split('@')[0]!)?.includes('engineer') ? people.engineer : undefined)
  await recorded(people, path, { ...of, good: before }, begins, { by })
  const robot = new Robot(people, path, procedure, of, begins, { seen: () => true })
  await says(await robot.only(address, typed), said(other, path.startsWith('subjects/test')))
}

const kinds = readdirSync(new URL('../../core/data/examples', import.meta.url))
  .map((file) => file.replace('.json', ''))
  .filter((id) => id !== 'stores')

for (const id of kinds) {
  const of = example(id)
  const typed = (of.others ?? []).filter((other) => isTyped(of, other))
  for (const other of ALL ? typed : typed.slice(0, ALWAYS.includes(id) ? 1 : 0))
    test(`${id}: ${other.name}`, async ({ browser }) => {
      await refuses(await crew(browser), of, other)
    })
}
