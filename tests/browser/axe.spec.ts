import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { test } from './alone'
import { lineByName, signIn } from './people'

test.describe.configure({ mode: 'parallel' })

async function noSeriousFault(page: Page, what: string): Promise<void> {
  await page.waitForLoadState('networkidle')
  // A colour that is on its way is not yet what a person reads.
  await page.waitForFunction(() => document.getAnimations().every((a) => a.playState !== 'running'))
  const found = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  const serious = found.violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
  const named = serious.map((v) => `${what}: ${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)
  expect(named).toEqual([])
}

const joint = async (page: Page, line: string, number: string): Promise<string> =>
  `/joints/${(await lineByName(page.request, line)).joints.find((j) => j.number === number)!.id}`

async function procedureByKey(page: Page, key: string): Promise<string> {
  const all = await page.request.get('/api/v1/procedures', { headers: { Referer: page.url(), Accept: 'application/json' } })
  return ((await all.json()) as { hash: string; key: string }[]).find((p) => p.key === key)!.hash
}

test('axe finds nothing serious where one signs in', async ({ page }) => {
  await page.goto('/sign-in')
  await expect(page.getByLabel('Password')).toBeVisible()
  await noSeriousFault(page, 'sign in')
})

test('axe finds nothing serious on the pages of the office', async ({ page }) => {
  await signIn(page, 'tamsin')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const section = line.sections[1]!
  const pages: [string, string][] = [
    ['/', 'Lines'],
    ['/lines/new', 'Make a line'],
    [`/lines/${line.id}/sections/new`, 'Add a section'],
    [`/lines/${line.id}`, 'Kelder Lane main'],
    [`/lines/${line.id}/pipes`, 'Pipes'],
    [`/lines/${line.id}/near?at_m=212`, 'What lies at'],
    [`/lines/${line.id}/change`, 'Change the line'],
    [`/lines/${(await lineByName(page.request, 'Sallow Bank main')).id}/laying`, 'Laying plan'],
    [`/lines/${line.id}/day`, 'The days to come'],
    [`/sections/${section.id}`, 'Section 2'],
    [`/tests/${section.tests[0]!.id}`, 'Section 2'],
    [`/lines/${line.id}/register`, 'Register'],
    ['/procedures', 'Procedures'],
    ['/waiting', 'Waiting for me'],
    ['/people', 'People'],
    ['/stores', 'Stores'],
    ['/bench?calc=dew-point', 'Bench'],
    ['/bench?calc=gap-feelers', 'Bench'],
    ['/bench?calc=torque-log-check', 'Bench'],
    ['/bench?calc=hold-check', 'Bench'],
    [`/procedures/${await procedureByKey(page, 'pvc-spigot-socket')}`, 'PVC'],
    [`/procedures/${await procedureByKey(page, 'pvc-spigot-socket')}/adapt`, 'Adapt: PVC'],
  ]
  for (const [path, heading] of pages) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1, name: new RegExp(heading) })).toBeVisible()
    await noSeriousFault(page, path)
  }
})

test('axe finds nothing serious at the trench, whatever the step', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'tamsin')
  const steps: [line: string, joint: string, step: string][] = [
    ['Kelder Lane main', '35', ''],
    ['Kelder Lane main', '37', 'conditions'],
    ['Kelder Lane main', '36', 'ovality@a'],
    ['Kelder Lane main', '37', 'code'],
    ['Kelder Lane main', '12', 'fusion'],
    ['Stour Bank trunk main', '2', 'fusion-side@a'],
    ['Stour Bank trunk main', '3', 'preheat@1'],
    ['Stour Bank trunk main', '1', 'clamped@a'],
    ['Mallow Street gas services', 'S2', 'tap'],
    ['Mallow Street gas services', 'S1', 'look'],
  ]
  for (const [line, number, step] of steps) {
    await page.goto(`${await joint(page, line, number)}${step && `?step=${step}`}`)
    await expect(page.locator('#step-title')).toBeVisible()
    await noSeriousFault(page, `joint ${number}, ${step}`)
  }
  await page.goto(`${await joint(page, 'Kelder Lane main', '31')}/tag`)
  await expect(page.getByRole('img', { name: /^Code/ })).toBeVisible()
  await noSeriousFault(page, 'tag')
})

test('axe finds nothing serious in glare and at night', async ({ page }) => {
  await signIn(page, 'tamsin')
  for (const look of ['glare', 'night']) {
    await page.evaluate((l) => localStorage.setItem('look', l), look)
    await page.goto(await joint(page, 'Kelder Lane main', '35'))
    await expect(page.locator('#step-title')).toBeVisible()
    await noSeriousFault(page, look)
  }
})
