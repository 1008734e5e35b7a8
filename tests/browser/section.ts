import { expect, type Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { allSent, atStep, fill, fromStores, recordStep, sign } from './people'

/** Gauge and logger out of the stores. */
export async function instruments(page: Page, gauge = 'Gauge G-114'): Promise<void> {
  await atStep(page, 'Gauge and logger')
  await fromStores(page, 'Gauge', gauge)
  await fromStores(page, 'Logger', 'Logger L-27')
  await recordStep(page)
}

/** Ends braced, valves set, zone marked, filled: the pump may start. */
export async function readyForPressure(page: Page): Promise<void> {
  await atStep(page, 'Before pressure')
  await fill(
    page,
    {},
    {
      'Ends, bends and closures carry the thrust': 'Yes',
      'Valves inside open, weaker parts isolated, no open way to a live main': 'Yes',
      'Exclusion zone marked, relief valve set': 'Yes',
    },
  )
  await recordStep(page)
  await atStep(page, 'Filling')
  await fill(page, { 'Temperature of the water': '12' }, { 'Filled from the low end until no air came at the vents': 'Yes' })
  await recordStep(page)
  await atStep(page, 'Raise, hold, log')
}

/** Joints that were made a moment ago are warm: nothing is put under pressure before, and the device's clock goes on by that. */
export async function whenCold(page: Page): Promise<void> {
  await expect(page.getByText(/^Not before/)).toBeVisible()
  await later(page)
}

/** Some hours later, as the device of this page has it: everybody's is asked to be so. */
export const later = (page: Page): Promise<void> => page.clock.setSystemTime(Date.now() + 4 * 3_600_000)

/** From the plan of a section to the signature of the inspector, with the stand-in for pump and logger. Returns the id of the test. */
export async function testSection(engineer: Page, inspector: Page, section: string, joints: number): Promise<string> {
  await engineer.goto(`/sections/${section}`)
  await expect(engineer.getByText(joints === 1 ? 'Good: its joint is accepted.' : `Good: all ${joints} joints are accepted.`)).toBeVisible()
  // A thumb that taps twice begins one test.
  await engineer.getByRole('button', { name: 'Begin the test' }).dblclick()
  await instruments(engineer)
  await readyForPressure(engineer)
  await whenCold(engineer)
  await engineer.getByRole('button', { name: 'Start pump and logger' }).click()
  await expect(engineer.getByRole('timer')).toBeVisible()
  await expect(engineer.locator('#step-title')).toHaveText('Phases of the log', { timeout: 180_000 })
  await recordStep(engineer)
  await atStep(engineer, 'Walk the line')
  await fill(engineer, {}, { 'Leak or weeping seen': 'No' })
  await recordStep(engineer)
  await atStep(engineer, 'Engineer signs the verdict')
  await sign(engineer)
  await atStep(engineer, 'Inspector signs the verdict')
  await allSent(engineer)
  await later(inspector)
  await inspector.goto(engineer.url().split('?')[0]!)
  await sign(inspector)
  await expect(inspector.getByText('is signed and sealed')).toBeVisible()
  await expect(inspector.getByText('Good: every limit is met.')).toBeVisible()
  const planned = await engineer.request.get(`/api/v1/sections/${section}`, {
    headers: { Referer: engineer.url(), Accept: 'application/json' },
  })
  expect(((await planned.json()) as { tests: unknown[] }).tests).toHaveLength(1)
  return engineer.url().match(/tests\/([0-9a-f-]+)/)![1]!
}

/** The words of the test pack, read back from the PDF. */
export async function packText(page: Page, test: string, file: string): Promise<string> {
  const pdf = await page.request.get(`/api/v1/tests/${test}/pack.pdf`, { headers: { Referer: page.url() } })
  writeFileSync(file, await pdf.body())
  return execFileSync('pdftotext', ['-layout', file, '-']).toString()
}
