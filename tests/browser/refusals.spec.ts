import { readdirSync } from 'node:fs'
import { test } from './alone'
import { example, type Entry, type Example, type Other } from './examples'
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
/** `bin/test robot` types every one of them; among all other tests it is one of each kind. */
const ALL = process.env['ROBOT_COUNTS'] === '1'

/** What a thumb can type: a device plays its own faults, and what is done before its time is shut. */
const isTyped = (other: Other): boolean => other.instead !== undefined && !other.plays && !other.at && !other.without

const changed = (entry: Entry, other: Other): Entry => ({ ...entry, value: { ...entry.value, ...other.instead![entry.step] } })

/** Things of the demo are due on days of their own. */
const said = ({ says }: Other): RegExp =>
  new RegExp(
    says
      .split(/\d{4}-\d\d-\d\d/)
      .map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
      .join('\\d{4}-\\d\\d-\\d\\d'),
  )

async function refuses(people: People, of: Example, other: Other): Promise<void> {
  const first = of.good.findIndex((e) => e.step === other.step)
  const last = of.good.map((e) => e.step).lastIndexOf(other.step)
  const before = of.good.slice(0, first).map((entry) => changed(entry, other))
  const typed = of.good.slice(first, last + 1).map((entry) => changed(entry, other))
  const begins = NOW - (typed.at(-1)!.min + 5) * 60_000
  const { path, address, procedure } = await place(people, of, begins)
  const roles = new Map(procedure.steps.map((step) => [step.id, step.roles ?? []]))
  const by = (key: string): Trench | undefined => (roles.get(key.split('@')[0]!)?.includes('engineer') ? people.engineer : undefined)
  await recorded(people, path, { ...of, good: before }, begins, { by })
  const robot = new Robot(people.pages['joiner']!, people.joiner, path, procedure, of, begins, people.pages, { seen: () => true })
  await says(await robot.only(address, typed), said(other))
}

const kinds = readdirSync(new URL('../../core/data/examples', import.meta.url))
  .map((file) => file.replace('.json', ''))
  .filter((id) => id !== 'stores')

for (const id of kinds) {
  const of = example(id)
  const typed = (of.others ?? []).filter(isTyped)
  for (const other of ALL ? typed : typed.slice(0, 1))
    test(`${id}: ${other.name}`, async ({ browser }) => {
      await refuses(await crew(browser), of, other)
    })
}
