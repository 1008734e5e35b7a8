import { expect, type Page } from '@playwright/test'
import type { ProcedureText, StoreItem } from '../../resources/js/api/client'
import { test } from './alone'
import { example, lasts, type Example } from './examples'
import { crew, keyed, lineFor } from './place'
import { recorded } from './recorded'
import { Robot } from './robot'
import type { Trench } from './trench'
import { DAILY, isSound, told } from './walks'

/* The first and the second joint of a day, each tap of them: how many it takes. */
test.describe.configure({ mode: 'parallel' })

const NOW = Date.now()

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
