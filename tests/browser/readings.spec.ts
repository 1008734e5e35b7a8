import { expect, type Browser, type Page } from '@playwright/test'
import { test } from './alone'
import { atStep, fill, present, recordStep, says, sendStep } from './people'
import { Trench } from './trench'

/** A reading belongs to the person, the device and the time: clocks that are off, two phones, a phone that is full. */

test.describe.configure({ mode: 'serial' })

const HOUR = 3_600_000

interface Made {
  id: string
  path: string
}

/** A joint in a project of real work: there the clock of the device is held against the server's. */
async function realJoint(browser: Browser, name: string): Promise<Made> {
  const desk = await Trench.of(await present(browser, 'tamsin'))
  const project = await desk.post<{ id: number }>('organisation/projects', { name: `${name} ${Date.now()}`, time_zone: 'Europe/Vienna' })
  const people = (await desk.get<{ people: { id: number; email: string }[] }>('organisation')).people
  for (const [who, role] of [
    ['bram', 'joiner'],
    ['odile', 'foreman'],
  ])
    await desk.put(`organisation/projects/${project.id}/people/${people.find((p) => p.email.startsWith(who!))!.id}`, { role })
  const made = await desk.line(name, 'ef-coupler-one-pass', { dn_mm: 110, sdr: 11 }, 1, project.id)
  const id = made.joints[0]!.id
  return { id, path: `subjects/joint/${id}` }
}

const WEATHER = { Air: '14', 'Humidity, %': '60', Pipe: '13', Fitting: '14', Wind: '2' }

async function weather(page: Page, joint: string, air = '14'): Promise<void> {
  await page.goto(`/joints/${joint}?step=conditions`)
  await atStep(page, 'Weather and temperatures')
  await fill(page, { ...WEATHER, Air: air }, { 'Under a shelter': 'No', 'Rain or snow': 'No' })
  await recordStep(page)
}

interface Page1 {
  facts: { step: string; by: string; recorded_at: string; clock_off_s: number | null }[]
  judgement: { steps: { key: string; verdict: string }[] }
}

test('a phone whose clock is two hours ahead records at the right time, and says so', async ({ browser }) => {
  const joint = await realJoint(browser, 'Clock ahead')
  const phone = await present(browser, 'bram')
  await phone.clock.setSystemTime(Date.now() + 2 * HOUR)
  await weather(phone, joint.id)
  await says(phone, /^The clock of this device is 2 h 0 min ahead\. What you record gets the right time/)
  const desk = await Trench.of(await present(browser, 'tamsin'))
  await expect.poll(async () => (await desk.get<Page1>(joint.path)).facts.length).toBe(1)
  const { facts, judgement } = await desk.get<Page1>(joint.path)
  expect(Math.abs(Date.parse(facts[0]!.recorded_at) - Date.now())).toBeLessThan(60_000)
  expect(Math.abs(facts[0]!.clock_off_s! - 7200)).toBeLessThan(10)
  expect(judgement.steps.find((s) => s.key === 'conditions')!.verdict).toBe('good')
  await phone.goto(`/joints/${joint.id}?step=conditions`)
  await says(phone, /The clock of the device was 2 h 0 min ahead; the time here is the right one\./)
})

test('two phones without network record the same step: both readings are kept, and the foreman says which counts', async ({ browser }) => {
  const joint = await realJoint(browser, 'Two phones')
  const [bram, odile] = [await present(browser, 'bram'), await present(browser, 'odile')]
  await bram.goto(`/joints/${joint.id}?step=conditions`)
  await atStep(bram, 'Weather and temperatures')
  await bram.context().setOffline(true)
  await fill(bram, { ...WEATHER, Air: '9' }, { 'Under a shelter': 'No', 'Rain or snow': 'No' })
  await recordStep(bram)
  // Hers is the first that the server has.
  await odile.goto(`/joints/${joint.id}?step=conditions`)
  await atStep(odile, 'Weather and temperatures')
  await fill(odile, WEATHER, { 'Under a shelter': 'No', 'Rain or snow': 'No' })
  await sendStep(odile)
  await bram.context().setOffline(false)
  await says(bram, /Bram Ivesley recorded "Weather and temperatures" too \(.*\): .*Air: 9\.0 °C/)
  await says(bram, 'A foreman or an engineer says which counts.')
  await expect(bram.getByRole('button', { name: 'This one counts' })).toHaveCount(0)
  await odile.reload()
  await says(odile, 'Say which counts, and why.')
  await odile.getByRole('button', { name: 'This one counts' }).click()
  await expect(odile.getByRole('button', { name: 'Decide' })).toBeDisabled()
  await odile.getByRole('dialog').getByLabel('Why').fill('his thermometer is the one that was calibrated')
  await odile.getByRole('button', { name: 'Decide' }).click()
  await says(odile, /the reading of Bram Ivesley \(.*\) counts\. Decided by Odile Fenner: his thermometer/)
  const desk = await Trench.of(await present(browser, 'tamsin'))
  expect((await desk.get<Page1>(joint.path)).facts.map((f) => f.by)).toEqual(['Odile Fenner', 'Bram Ivesley'])
})

test('a phone that is full says at once that it kept nothing, and the figure is still there', async ({ browser }) => {
  const joint = await realJoint(browser, 'Full phone')
  const phone = await present(browser, 'bram')
  await phone.goto(`/joints/${joint.id}?step=conditions`)
  await atStep(phone, 'Weather and temperatures')
  await phone.evaluate(() => {
    const add = IDBObjectStore.prototype.add
    Object.assign(window, { makeRoom: () => void (IDBObjectStore.prototype.add = add) })
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('The device is full.', 'QuotaExceededError')
    }
  })
  await fill(phone, WEATHER, { 'Under a shelter': 'No', 'Rain or snow': 'No' })
  await recordStep(phone)
  await expect(phone.getByRole('alert').filter({ hasText: 'This was NOT recorded: the device could not keep it.' })).toBeVisible()
  await atStep(phone, 'Weather and temperatures')
  await expect(phone.getByLabel('Air', { exact: false }).first()).toHaveValue(/^14/)
  await phone.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom())
  await recordStep(phone)
  const desk = await Trench.of(await present(browser, 'tamsin'))
  await expect.poll(async () => (await desk.get<Page1>(joint.path)).facts.length).toBe(1)
  await expect(phone.getByText('This was NOT recorded')).toHaveCount(0)
})
