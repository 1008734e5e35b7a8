import { expect, test, type Browser, type Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { atStep, lineByName, PASSWORD, present, says, someone, type Who } from './people'
import { example, lasts } from './examples'
import { recorded } from './recorded'
import { Trench } from './trench'

/** Who signs is the person and not whoever holds the phone; what is sealed has a code that can be kept elsewhere. */

/** A joint that waits for its signature, all of it recorded by one person. */
async function madeBy(browser: Browser, who: Who, name: string): Promise<string> {
  const desk = await Trench.of(await present(browser, 'tamsin'))
  const maker = await Trench.of(await present(browser, who))
  const joint = (await desk.line(name, 'ef-coupler-hand', { dn_mm: 63, sdr: 11 }, 1)).joints[0]!.id
  const of = example('ef-coupler-hand')
  const begins = Date.now() - (lasts(of) + 60) * 60_000
  await recorded({ joiner: maker, inspector: maker }, `subjects/joint/${joint}`, of, begins, { without: ['accept'] })
  return joint
}

/** At the desk: may who made a joint alone accept it? */
async function allow(desk: Page, own: boolean): Promise<void> {
  await desk.goto('/people')
  await desk
    .getByRole('button', { name: /^Change client and contractor/ })
    .first()
    .click()
  await desk.getByLabel('Who made a joint alone may accept it').setChecked(own)
  await desk.getByRole('button', { name: 'Keep' }).click()
  await expect(desk.getByText('Who made a joint alone may accept it; the record then says so.')).toHaveCount(own ? 1 : 0)
}

test('a wrong password signs nothing, says so and leaves the sheet open; without network nothing is lost', async ({ browser }) => {
  const page = await someone(browser, 'ruben', [390, 844])
  await page.goto(`/joints/${await madeBy(browser, 'bram', 'Wrong password')}`)
  await atStep(page, 'Hold point: accept the joint')
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
  const sheet = page.getByRole('dialog')
  const sign = sheet.getByRole('button', { name: 'Sign as Ruben' })
  await expect(sign).toBeDisabled()
  await sheet.getByLabel('Your password').fill('sand-and-chalk')
  await sign.click()
  await expect(sheet.getByRole('alert')).toHaveText('That is not your password.')
  await page.context().setOffline(true)
  await expect(sheet.getByText('No connection to the server: it checks your password')).toBeVisible()
  await expect(sign).toBeDisabled()
  await page.context().setOffline(false)
  await expect(sign).toBeEnabled()
  await sheet.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByText('is signed and sealed')).toHaveCount(0)
  // What was typed is nowhere on the device.
  const kept = await page.evaluate(() => JSON.stringify(Object.entries(localStorage)))
  expect(kept).not.toContain('sand-and-chalk')
})

test('who made a joint alone is told so, may refuse and cannot sign; a project may allow it', async ({ browser }) => {
  const joint = await madeBy(browser, 'ruben', 'Own work')
  const page = await present(browser, 'ruben')
  await page.goto(`/joints/${joint}`)
  await atStep(page, 'Hold point: accept the joint')
  await says(page, 'You made Joint 1 alone: somebody else accepts it.')
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Refuse to sign' })).toBeVisible()
  const desk = await present(browser, 'tamsin', [1280, 800])
  await allow(desk, true)
  await page.reload()
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
  await page.getByRole('dialog').getByLabel('Your password').fill(PASSWORD)
  await page.getByRole('button', { name: /^Sign as / }).click()
  await says(page, /^Accepted by Ruben .*, who made it alone; the project allowed that\.$/)
  await allow(desk, false)
})

test('the last seal of a line is a code that is looked up again', async ({ browser }) => {
  const page = await someone(browser, 'tamsin')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.goto(`/lines/${line.id}/register`)
  await expect(page.getByRole('img', { name: 'The last seal as a code' }).locator('svg')).toBeVisible()
  const file = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Keep as file' }).click()
  const head = JSON.parse(execFileSync('cat', [await (await file).path()], { encoding: 'utf8' })) as { head: { hash: string } }
  await page.getByLabel('A code kept elsewhere').fill(head.head.hash.slice(0, 12))
  await page.getByRole('button', { name: 'Look it up' }).click()
  await says(page, /It is seal \d+ of \d+: the chain goes on from it\./)
  await page.getByLabel('A code kept elsewhere').fill('0123 4567 89ab')
  await page.getByRole('button', { name: 'Look it up' }).click()
  await says(page, 'No seal of this line has this code')
})
