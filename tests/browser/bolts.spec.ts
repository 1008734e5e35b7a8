import { expect, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { test } from './alone'
import { seriousFaults } from './faults'
import { deviceOf, someone } from './people'
import { Trench } from './trench'

test.use({ serviceWorkers: 'allow' })

const PROCEDURE = readFileSync(new URL('../fixtures/bolts-practice.json', import.meta.url), 'utf8')
/** The order of a cross pass of eight bolts. */
const CROSS = [1, 5, 3, 7, 2, 6, 4, 8]

const lit = (page: Page, bolt: number) => page.getByRole('button', { name: new RegExp(`^Bolt ${bolt}, next`) })

async function type(page: Page, figure: string): Promise<void> {
  for (const digit of figure) await page.getByRole('button', { name: digit, exact: true }).click()
  await page.getByRole('button', { name: /Next/ }).click()
}

test('bolts are tightened one by one: the next is lit, a wrong figure is said, what is bad is gone over again', async ({ browser }) => {
  const engineer = await Trench.on(await deviceOf(browser, 'tamsin'))
  const me = await engineer.get<{ projects: { id: number }[] }>('me')
  await engineer.post('procedures', { project_id: me.projects[0]!.id, file: PROCEDURE })
  const line = await engineer.line('Flange practice', 'bolts-practice', { dn_mm: 180, sdr: 11 }, 1)
  const joint = line.joints[0]!.id
  const page = await someone(browser, 'bram', [390, 844])
  const crew = await Trench.of(page)
  await page.goto(`/joints/${joint}?step=bolts`)
  await expect(page.getByText('"Torque wrench" comes first.')).toBeVisible()
  await crew.record(joint, [['wrench', { class_frac: 0.04, least_nm: 20, most_nm: 200, due_on: '2099-01-31' }, 90]])
  await page.goto(`/joints/${joint}?step=bolts`)

  await test.step('the next bolt is lit, with its torque; figure and fault stand above the pad', async () => {
    await expect(page.getByText('Pass 1 of 4')).toBeVisible()
    await expect(lit(page, 1)).toBeVisible()
    await type(page, '9999')
    await expect(page.getByRole('alert')).toHaveText('Torque: 9999 N·m is outside 0 to 5000 N·m.')
    const pad = (await page.getByRole('group', { name: 'Number pad' }).boundingBox())!
    for (const what of [page.getByLabel('Torque of bolt 1, N·m'), page.getByRole('alert')]) {
      const box = (await what.boundingBox())!
      expect(box.y).toBeGreaterThanOrEqual(0)
      expect(box.y + box.height).toBeLessThanOrEqual(pad.y)
    }
    expect(await seriousFaults(page)).toEqual([])
    await page.getByLabel('Torque of bolt 1, N·m').fill('')
    for (const [i, bolt] of CROSS.slice(0, 3).entries()) {
      await expect(lit(page, bolt)).toBeVisible()
      await type(page, '33')
      await expect(page.getByText(`${i + 1} of 8 bolts`)).toBeVisible()
    }
  })
  await test.step('without network it goes on, and nothing is lost', async () => {
    await page.context().setOffline(true)
    await expect(lit(page, 7)).toBeVisible()
    await type(page, '33')
    await expect(lit(page, 2)).toBeVisible()
    await page.context().setOffline(false)
    await expect(page.getByRole('button', { name: /not yet sent/ })).toHaveCount(0, { timeout: 60_000 })
    expect((await crew.joint(joint)).facts.filter((f) => f.step === 'bolts')).toHaveLength(4)
  })
  await test.step('what is bad already is said, and a bolt is gone over again by tapping it', async () => {
    const left: [number, number, number][] = [
      ...CROSS.slice(4).map((b): [number, number, number] => [1, b, 33]),
      ...CROSS.map((b): [number, number, number] => [2, b, 66]),
      ...CROSS.map((b): [number, number, number] => [3, b, 110]),
    ]
    await crew.record(
      joint,
      left.map(([pass, bolt, torque_nm]) => ['bolts', { pass, bolt, torque_nm }, 0]),
    )
    await page.reload()
    await expect(page.getByText('Pass 4 of 4')).toBeVisible()
    await type(page, '110')
    await expect(lit(page, 2)).toBeVisible()
    await type(page, '100')
    await expect(page.getByText('Bolt 2 is below 110 N·m.').first()).toBeVisible()
    await page.getByRole('button', { name: /^Bolt 2, bad/ }).click()
    await expect(page.getByLabel('Torque of bolt 2, N·m')).toBeFocused()
    await type(page, '111')
    await expect(page.getByText('Bolt 2 is below 110 N·m.')).toHaveCount(0)
    for (const bolt of [3, 4, 5, 6, 7, 8]) {
      await expect(lit(page, bolt)).toBeVisible()
      await type(page, '110')
    }
    // The step is done, and the next one is at hand.
    await expect(page.getByRole('heading', { name: 'Accept the joint' })).toBeVisible()
    await page.goto(`/joints/${joint}?step=bolts`)
    await expect(page.getByText('8 bolts at 110 N·m on the mean.')).toBeVisible()
    const { judgement } = await crew.joint(joint)
    expect(judgement.steps.find((s) => s.key === 'bolts')).toMatchObject({ status: 'done', verdict: 'good' })
  })
})
