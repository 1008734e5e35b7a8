import { expect, type Page } from '@playwright/test'
import { test } from './alone'
import { misfits } from './layout'
import { lineByName, signIn } from './people'

test.describe.configure({ mode: 'parallel' })

const SIZES = [
  [360, 640],
  [390, 844],
  [768, 1024],
  [1280, 800],
  [1920, 1080],
] as const

/** Of each page what does not fit at any of the sizes. */
async function everythingFits(page: Page, paths: string[]): Promise<void> {
  const found: string[] = []
  for (const path of paths) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await page.waitForLoadState('networkidle')
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height })
      await page.waitForTimeout(150)
      found.push(
        ...(await misfits(page)).map((fault) => `${path.replace(/[0-9a-f]{8}-[0-9a-f-]+|[0-9a-f]{40,}/g, '…')} ${width}: ${fault}`),
      )
    }
  }
  expect(found).toEqual([])
}

test('at five sizes nothing lies on anything on the pages of the office', async ({ page }) => {
  await signIn(page, 'tamsin')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const section = line.sections[1]!
  await everythingFits(page, [
    '/',
    '/lines/new',
    `/lines/${line.id}`,
    `/lines/${line.id}/sections/new`,
    `/lines/${line.id}/pipes`,
    `/lines/${line.id}/near?at_m=212`,
    `/lines/${line.id}/change`,
    `/lines/${line.id}/register`,
    `/lines/${line.id}/day`,
    `/lines/${(await lineByName(page.request, 'Sallow Bank main')).id}/laying`,
    `/sections/${section.id}`,
    `/tests/${line.sections[0]!.tests[0]!.id}`,
    '/waiting',
    '/stores',
    '/people',
    '/organisation',
    '/organisation/journal',
    '/account',
    '/bench?calc=dew-point',
    '/bench?calc=gap-feelers',
    '/procedures',
    '/no-such-page',
  ])
})

test('at five sizes nothing lies on anything at the trench', async ({ page }) => {
  await signIn(page, 'tamsin')
  const steps: [line: string, joint: string, step: string][] = [
    ['Kelder Lane main', '35', ''],
    ['Kelder Lane main', '34', ''],
    ['Kelder Lane main', '37', 'conditions'],
    ['Kelder Lane main', '36', 'ovality@a'],
    ['Kelder Lane main', '37', 'code'],
    ['Kelder Lane main', '12', 'fusion'],
    ['Kelder Lane main', '12', 'look'],
    ['Stour Bank trunk main', '3', 'preheat@1'],
    ['Mallow Street gas services', 'S1', 'look'],
    ['Osier Row branch', '1', ''],
  ]
  const paths: string[] = []
  for (const [name, number, step] of steps) {
    const line = await lineByName(page.request, name)
    paths.push(`/joints/${line.joints.find((j) => j.number === number)!.id}${step && `?step=${step}`}`)
  }
  await everythingFits(page, paths)
})
