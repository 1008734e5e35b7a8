import { expect, type Page } from '@playwright/test'
import { test } from './alone'
import { atStep, fill, recordStep, says, deviceOf } from './people'
import { Trench } from './trench'

test.use({ serviceWorkers: 'allow' })

const NAMES = { bram: 'Bram Ivesley', odile: 'Odile Fenner' }

async function enter(page: Page, who: 'bram' | 'odile'): Promise<void> {
  await page.getByLabel('E-mail').fill(`${who}@diastoma.example`)
  await page.getByLabel('Password').fill('clay-and-chalk')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('button', { name: new RegExp(NAMES[who].split(' ')[0]!) })).toBeVisible()
}

async function leave(page: Page): Promise<void> {
  await page.getByRole('button', { name: /mm kPa/ }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
}

/** A phone that two people share: what one recorded without network never goes out under the name of the other. */
test('what waits on a shared phone goes out under the name of who recorded it, and of nobody else', async ({ browser }) => {
  const engineer = await Trench.on(await deviceOf(browser, 'tamsin'))
  const made = await engineer.line(`Shared phone ${Date.now()}`, 'ef-coupler-one-pass', { dn_mm: 110, sdr: 11 }, 1)
  const joint = made.joints[0]!.id
  const facts = async (): Promise<{ step: string; by: string }[]> =>
    (await engineer.joint(joint)).facts as unknown as { step: string; by: string }[]
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, timezoneId: 'Europe/Vienna', locale: 'en-GB' })
  const phone = await context.newPage()
  await phone.goto('/sign-in')
  await enter(phone, 'bram')
  await phone.goto(`/joints/${joint}?step=conditions`)
  await atStep(phone, 'Weather and temperatures')
  await context.setOffline(true)
  await fill(
    phone,
    { Air: '14', 'Humidity, %': '60', Pipe: '13', Fitting: '14', Wind: '2' },
    { 'Under a shelter': 'No', 'Rain or snow': 'No' },
  )
  await recordStep(phone)
  await expect(phone.getByRole('button', { name: /No network · 1 not yet sent/ })).toBeVisible()
  await test.step('who leaves is told what stays', async () => {
    await leave(phone)
    await says(phone, '1 of your entries is not yet sent')
    await phone.getByRole('button', { name: 'Sign out all the same' }).click()
    await says(phone, `Entries on this device wait to be sent by ${NAMES.bram}.`)
  })
  await test.step('signing out without network holds when there is one again', async () => {
    await context.setOffline(false)
    await phone.goto('/')
    await expect(phone.getByLabel('E-mail')).toBeVisible()
    expect(await facts()).toEqual([])
  })
  await test.step('the next person sends nothing of it, and cannot throw it away', async () => {
    await enter(phone, 'odile')
    await phone.getByRole('button', { name: '1 not yet sent' }).click()
    await says(phone, 'Joint 1 · Weather and temperatures')
    await says(phone, `recorded by ${NAMES.bram}, waits until ${NAMES.bram} signs in here`)
    await expect(phone.getByRole('button', { name: /Drop it|It was me/ })).toHaveCount(0)
    // Longer than the device waits before it tries again.
    await phone.waitForTimeout(6_000)
    expect(await facts()).toEqual([])
    await phone.keyboard.press('Escape')
    await leave(phone)
  })
  await test.step('when its own person is back it goes out, under their name', async () => {
    await enter(phone, 'bram')
    await expect(phone.getByRole('button', { name: /not yet sent/ })).toHaveCount(0)
    expect((await facts()).map((f) => [f.step, f.by])).toEqual([['conditions', NAMES.bram]])
  })
})
