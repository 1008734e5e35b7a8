import { expect, type Page } from '@playwright/test'
import { createHmac } from 'node:crypto'
import { test } from './alone'
import { faults } from './faults'
import { says, someone } from './people'

/** An organisation invites, gives roles, shuts out; a person keeps the own account. Nothing is sent by mail. */

const PASSWORD = 'heron-and-gravel'
/** New at each run: an address is somebody's for good. */
const RUN = Date.now().toString(36)
const WENNA = `wenna.${RUN}@diastoma.example`
const CORIN = `corin.${RUN}@diastoma.example`

/** What an authenticator shows: RFC 6238, written here once more and not taken from the server. */
function shown(secret: string, at = Date.now()): string {
  const bits = [...secret.replace(/\s/g, '')]
    .map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0'))
    .join('')
  const key = Buffer.from(bits.match(/.{8}/g)!.map((byte) => parseInt(byte, 2)))
  const counter = Buffer.alloc(8)
  counter.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)))
  const hash = createHmac('sha1', key).update(counter).digest()
  const word = hash.readUInt32BE(hash[19]! & 15) & 0x7fffffff
  return String(word % 1_000_000).padStart(6, '0')
}

async function invited(admin: Page, name: string): Promise<string> {
  await admin.goto('/organisation')
  await admin.getByRole('button', { name: 'Invite somebody' }).click()
  await admin.getByLabel('Name, as far as you know it').fill(name)
  await admin.getByRole('button', { name: 'Make the link' }).click()
  await expect(admin.getByRole('img', { name: 'The link as a code' }).locator('svg')).toBeVisible()
  const link = (await admin.getByRole('dialog').locator('code').textContent())!
  await admin.getByRole('button', { name: 'Close' }).click()
  return link
}

async function signIn(page: Page, email: string, password: string): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
}

const axe = async (page: Page): Promise<void> => {
  await page.waitForLoadState('networkidle')
  expect((await faults(page)).map((v) => v.id)).toEqual([])
}

test('somebody is invited by a link, comes in on a phone, adds a second factor, and is shut out', async ({ browser }) => {
  const admin = await someone(browser, 'tamsin')
  const link = await invited(admin, 'Wenna Stokes')
  await says(admin, 'Open invitations')
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, timezoneId: 'Europe/Vienna', locale: 'en-GB' })
  const phone = await context.newPage()
  await test.step('the link', async () => {
    await phone.goto(link)
    await says(phone, 'Tamsin Orrel invites you to Ferrow valley renewal as joiner.')
    await axe(phone)
    await expect(phone.getByLabel('Your name')).toHaveValue('Wenna Stokes')
    // An address that is somebody's already, a password that is too short: each stands at its field.
    await phone.getByLabel('E-mail').fill('Bram@Diastoma.example')
    await phone.getByLabel(/^New password/).fill('short')
    await phone.getByRole('button', { name: 'Begin' }).click()
    await expect(phone.getByText('The email has already been taken.')).toBeVisible()
    await expect(phone.getByText(/at least 10 characters/)).toBeVisible()
    await phone.getByLabel('E-mail').fill(WENNA)
    await phone.getByLabel(/^New password/).fill(PASSWORD)
    await phone.getByRole('button', { name: 'Begin' }).click()
    await expect(phone.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
    await expect(phone.getByRole('link', { name: 'Kelder Lane main' })).toBeVisible()
  })
  await test.step('it works once', async () => {
    const other = await (await browser.newContext()).newPage()
    await other.goto(link)
    await says(other, 'This link was used, withdrawn or is too old. Ask for a new one.')
  })
  const secret = await test.step('a second factor', async () => {
    await phone.getByRole('button', { name: /Wenna/ }).click()
    await phone.getByRole('menuitem', { name: 'Your account' }).click()
    await axe(phone)
    const factor = phone.getByRole('form', { name: 'Second factor' })
    await factor.getByLabel('Your password').fill(PASSWORD)
    await factor.getByRole('button', { name: 'Add a second factor' }).click()
    const said = (await factor.getByText(/^Or type into it: /).textContent())!.replace('Or type into it: ', '')
    await factor.getByLabel('Six digits of the authenticator').fill('123 456')
    await factor.getByRole('button', { name: 'Add it' }).click()
    await says(phone, /^The code does not fit\./)
    await factor.getByLabel('Six digits of the authenticator').fill(shown(said))
    await factor.getByRole('button', { name: 'Add it' }).click()
    await says(phone, /^On\. Who signs in with your password/)
    return said
  })
  await test.step('signing in with it', async () => {
    const desk = await (await browser.newContext()).newPage()
    await signIn(desk, WENNA, PASSWORD)
    await says(desk, 'Enter the six digits that your authenticator shows.')
    // That of the next half minute: the one of now was used to add it.
    await desk.getByLabel('Six digits of the authenticator').fill(shown(secret, Date.now() + 30_000))
    await desk.getByRole('button', { name: 'Sign in' }).click()
    await expect(desk.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
    await phone.reload()
    await expect(phone.getByText('A computer', { exact: true })).toBeVisible()
    await phone.getByRole('button', { name: 'Sign out there' }).click()
    await expect(phone.getByRole('button', { name: 'Sign out there' })).toHaveCount(0)
    await desk.reload()
    await expect(desk.getByRole('button', { name: 'Sign in' })).toBeVisible()
  })
  await test.step('roles, and out', async () => {
    await admin.goto('/organisation')
    await admin.getByRole('button', { name: new RegExp(WENNA) }).click()
    await admin.getByRole('combobox', { name: 'Ferrow valley renewal' }).click()
    await admin.getByRole('option', { name: 'foreman' }).click()
    await expect(admin.getByRole('combobox', { name: 'Ferrow valley renewal' })).toHaveText('foreman')
    await admin.getByRole('button', { name: 'Disable' }).click()
    await expect(admin.getByRole('button', { name: 'Let in again' })).toBeVisible()
    await admin.getByRole('button', { name: 'Close' }).click()
    await axe(admin)
    await phone.goto('/people')
    await expect(phone.getByRole('button', { name: 'Sign in' })).toBeVisible()
    await phone.getByLabel('E-mail').fill(WENNA)
    await phone.getByLabel('Password').fill(PASSWORD)
    await phone.getByRole('button', { name: 'Sign in' }).click()
    await says(phone, 'This account is disabled. Ask your administrator.')
  })
  await test.step('the journal', async () => {
    await admin.getByRole('link', { name: 'Journal' }).click()
    await says(admin, /Tamsin Orrel disabled Wenna Stokes/)
    await says(admin, /Tamsin Orrel gave Wenna Stokes the role foreman in Ferrow valley renewal \(before: joiner\)/)
    await says(admin, /Wenna Stokes followed an invitation to Ferrow valley renewal as joiner/)
    await axe(admin)
  })
})

test('a password is changed, and forgotten, and renewed by a link', async ({ browser }) => {
  const admin = await someone(browser, 'tamsin')
  const link = await invited(admin, 'Corin Ashe')
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await page.goto(link)
  await page.getByLabel('E-mail').fill(CORIN)
  await page.getByLabel(/^New password/).fill(PASSWORD)
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
  await page.goto('/account')
  const form = page.getByRole('form', { name: 'Password' })
  await form.getByLabel('Your password').fill('not this one')
  await form.getByLabel(/^New password/).fill('curlew-and-gravel')
  await form.getByRole('button', { name: 'Change the password' }).click()
  await says(page, 'That is not your password.')
  await form.getByLabel('Your password').fill(PASSWORD)
  await form.getByRole('button', { name: 'Change the password' }).click()
  await says(page, 'The password is changed. All other devices are signed out.')
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Corin Ashe' })).toBeVisible()
  await admin.goto('/organisation')
  await admin.getByRole('button', { name: new RegExp(CORIN) }).click()
  await admin.getByRole('button', { name: 'Link for a new password' }).click()
  const renew = (await admin.getByRole('dialog').locator('code').textContent())!
  await page.goto(renew)
  await says(page, 'Corin Ashe, choose a new password.')
  await page.getByLabel(/^New password/).fill('plover-and-gravel')
  await page.getByRole('button', { name: 'Keep this password' }).click()
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await signIn(page, CORIN, 'curlew-and-gravel')
  await says(page, 'Name and password do not fit together.')
  await signIn(page, CORIN, 'plover-and-gravel')
  await expect(page.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
})

test('who is no administrator sees no organisation, and is told so', async ({ browser }) => {
  const page = await someone(browser, 'odile')
  await page.goto('/people')
  await expect(page.getByRole('heading', { name: 'People', level: 1 })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Organisation' })).toHaveCount(0)
  await page.goto('/organisation')
  await says(page, 'Only an administrator of the organisation does that.')
})
