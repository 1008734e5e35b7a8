import { expect } from '@playwright/test'
import { test } from './alone'
import { says, signIn, someone } from './people'

test('what waits for me stands across lines: an inspector signs, a joiner goes on', async ({ page, browser }) => {
  await signIn(page, 'ruben')
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Waiting' }).click()
  await expect(page.getByRole('heading', { name: 'Waiting for me', level: 1 })).toBeVisible()
  const bad = page.getByRole('region', { name: /^Bad, \d+$/ })
  await expect(bad).toBeVisible()
  // Of many the first are shown: other tests make bad joints, too.
  const others = bad.getByRole('button', { name: /^Show .+ more$/ })
  if (await others.isVisible()) await others.click()
  await expect(bad.getByRole('link', { name: 'Saddle S3' })).toBeVisible()
  await expect(bad.getByText(/Mallow Street gas services/).first()).toBeVisible()
  // What is begun is not for who signs.
  await expect(page.getByRole('region', { name: /^Begun and not finished/ })).toHaveCount(0)
  const bram = await someone(browser, 'bram', [390, 844])
  await bram.goto('/waiting')
  await expect(bram.getByRole('region', { name: /^Begun and not finished, \d+$/ })).toBeVisible()
  await expect(bram.getByRole('region', { name: /^To sign/ })).toHaveCount(0)
  await bad.getByRole('link', { name: 'Saddle S3' }).click()
  await expect(page.getByRole('heading', { name: /Saddle S3/, level: 1 })).toBeVisible()
})

test('the slash finds anything by what people call it', async ({ page }) => {
  await signIn(page, 'tamsin')
  await page.locator('body').press('/')
  const sheet = page.getByRole('dialog', { name: 'Find' })
  const asked = sheet.getByRole('textbox')
  await expect(asked).toBeFocused()
  await asked.fill('osier')
  await expect(sheet.getByRole('button', { name: /Osier Row branch/ })).toBeVisible()
  await asked.fill('Box 2')
  await expect(sheet.getByRole('button', { name: /Box 2/ }).first()).toBeVisible()
  await asked.fill('nothing like it')
  await says(page, 'Nothing here is called “nothing like it”.')
  await asked.fill('one-pass peel')
  await expect(sheet.getByRole('button', { name: /Electrofusion coupler, one-pass peel/ })).toBeVisible()
  await asked.fill('Stour')
  await expect(sheet.getByRole('button', { name: /Stour Bank trunk main/ })).toBeVisible()
  await asked.press('Enter')
  await expect(page.getByRole('heading', { name: 'Stour Bank trunk main', level: 1 })).toBeVisible()
})

test('an address at which nothing is has ways on', async ({ page }) => {
  await signIn(page, 'bram')
  await page.goto('/nowhere/at-all')
  await says(page, /^At \/nowhere\/at-all there is no page/)
  await page.getByRole('button', { name: 'Find' }).click()
  await expect(page.getByRole('dialog', { name: 'Find' }).getByRole('textbox')).toBeFocused()
})

test('who works with whom, and who may what', async ({ page }) => {
  await signIn(page, 'bram')
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'People' }).click()
  await says(page, 'Bram Ivesley, you')
  await says(page, 'inspector')
  await says(page, /a foreman adds joints and begins tests/)
})
