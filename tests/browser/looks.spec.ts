import { expect, type Page } from '@playwright/test'
import { test } from './alone'
import { seriousFaults } from './faults'
import { misfits } from './layout'
import { lineByName, signIn } from './people'

/* Each page is looked at once: axe finds nothing serious on it, and at five sizes nothing lies on anything. */
test.describe.configure({ mode: 'parallel' })

const SIZES = [
  [360, 640],
  [390, 844],
  [768, 1024],
  [1280, 800],
  [1920, 1080],
] as const

const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

/** A name that says of which page it is, without what is another in each run. */
const called = (path: string): string => path.replace(/[0-9a-f]{8}-[0-9a-f-]+|[0-9a-f]{40,}/g, '…')

/** All that is wrong with the page as it stands open. */
async function wrongWith(page: Page, path: string): Promise<string[]> {
  await page.waitForLoadState('networkidle')
  const found = (await seriousFaults(page)).map((fault) => `${called(path)}: ${fault}`)
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height })
    await page.waitForTimeout(150)
    found.push(...(await misfits(page)).map((fault) => `${called(path)} ${width}: ${fault}`))
  }
  return found
}

async function allAreFine(page: Page, paths: [path: string, heading: string][]): Promise<void> {
  const found: string[] = []
  for (const [path, heading] of paths) {
    await page.setViewportSize(DESK)
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1, name: new RegExp(heading) })).toBeVisible()
    found.push(...(await wrongWith(page, path)))
  }
  expect(found).toEqual([])
}

const joint = async (page: Page, line: string, number: string): Promise<string> =>
  `/joints/${(await lineByName(page.request, line)).joints.find((j) => j.number === number)!.id}`

async function procedureByKey(page: Page, key: string): Promise<string> {
  const all = await page.request.get('/api/v1/procedures', { headers: { Referer: page.url(), Accept: 'application/json' } })
  return ((await all.json()) as { hash: string; key: string }[]).find((p) => p.key === key)!.hash
}

test('where one signs in', async ({ page }) => {
  await allAreFine(page, [['/sign-in', 'Diastoma']])
})

test('the pages of a line', async ({ page }) => {
  await signIn(page, 'tamsin')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await allAreFine(page, [
    ['/', 'Lines'],
    ['/lines/new', 'Make a line'],
    [`/lines/${line.id}`, 'Kelder Lane main'],
    [`/lines/${line.id}/sections/new`, 'Add a section'],
    [`/lines/${line.id}/pipes`, 'Pipes'],
    [`/lines/${line.id}/near?at_m=212`, 'What lies at'],
    [`/lines/${line.id}/change`, 'Change the line'],
    [`/lines/${(await lineByName(page.request, 'Sallow Bank main')).id}/laying`, 'Laying plan'],
    [`/lines/${line.id}/day`, 'The days to come'],
    [`/lines/${line.id}/register`, 'Register'],
    [`/sections/${line.sections[1]!.id}`, 'Section 2'],
    [`/tests/${line.sections[0]!.tests[0]!.id}`, 'Section 1'],
    [`/tests/${line.sections[1]!.tests[0]!.id}`, 'Section 2'],
  ])
})

test('the other pages of the office', async ({ page }) => {
  await signIn(page, 'tamsin')
  const procedure = await procedureByKey(page, 'pvc-spigot-socket')
  await allAreFine(page, [
    ['/waiting', 'Waiting for me'],
    ['/stores', 'Stores'],
    ['/people', 'People'],
    ['/organisation', ''],
    ['/organisation/journal', ''],
    ['/account', ''],
    ['/bench?calc=dew-point', 'Bench'],
    ['/bench?calc=gap-feelers', 'Bench'],
    ['/bench?calc=torque-log-check', 'Bench'],
    ['/bench?calc=hold-check', 'Bench'],
    ['/procedures', 'Procedures'],
    [`/procedures/${procedure}`, 'PVC'],
    [`/procedures/${procedure}/adapt`, 'Adapt: PVC'],
    ['/no-such-page', ''],
  ])
})

test('the trench, whatever the step', async ({ page }) => {
  await signIn(page, 'tamsin')
  const steps: [line: string, joint: string, step: string][] = [
    ['Kelder Lane main', '35', ''],
    ['Kelder Lane main', '34', ''],
    ['Kelder Lane main', '37', 'conditions'],
    ['Kelder Lane main', '36', 'ovality@a'],
    ['Kelder Lane main', '37', 'code'],
    ['Kelder Lane main', '12', 'fusion'],
    ['Kelder Lane main', '12', 'look'],
    ['Stour Bank trunk main', '2', 'fusion-side@a'],
    ['Stour Bank trunk main', '3', 'preheat@1'],
    ['Stour Bank trunk main', '1', 'clamped@a'],
    ['Mallow Street gas services', 'S2', 'tap'],
    ['Mallow Street gas services', 'S1', 'look'],
    ['Osier Row branch', '1', ''],
  ]
  const found: string[] = []
  for (const [line, number, step] of steps) {
    await page.setViewportSize(PHONE)
    await page.goto(`${await joint(page, line, number)}${step && `?step=${step}`}`)
    await expect(page.locator('#step-title')).toBeVisible()
    found.push(...(await wrongWith(page, `${line} ${number} ${step}`)))
  }
  await page.setViewportSize(PHONE)
  await page.goto(`${await joint(page, 'Kelder Lane main', '31')}/tag`)
  await expect(page.getByRole('img', { name: /^Code/ })).toBeVisible()
  expect([...found, ...(await wrongWith(page, 'tag'))]).toEqual([])
})

test('in glare and at night', async ({ page }) => {
  await signIn(page, 'tamsin')
  for (const look of ['glare', 'night']) {
    await page.evaluate((l) => localStorage.setItem('look', l), look)
    await page.goto(await joint(page, 'Kelder Lane main', '35'))
    await expect(page.locator('#step-title')).toBeVisible()
    await page.waitForLoadState('networkidle')
    expect(await seriousFaults(page), look).toEqual([])
  }
})
