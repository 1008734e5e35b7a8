import { chromium, expect, type Browser, type Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CHROMIUM } from '../../bin/lib/chromium.mjs'
import type { ProcedureShort, Subject } from '../../resources/js/api/client'
import { test } from './alone'
import { faults } from './faults'
import { example } from './examples'
import { BASE, present } from './people'
import { prepared, recorded, type Crew } from './recorded'
import { Trench, type MadeLine } from './trench'

/* At the gauge: what it shows, how long to go, and what to do, while a test runs. */

const DAY = 24 * 60 * 60_000
const MINUTE = 60_000

interface People extends Crew {
  page: Page
  desk: Trench
}

async function people(browser: Browser): Promise<People> {
  const [page, ruben, tamsin] = await Promise.all([present(browser, 'bram'), present(browser, 'ruben'), present(browser, 'tamsin')])
  return { page, joiner: await Trench.of(page), inspector: await Trench.of(ruben), desk: await Trench.of(tamsin) }
}

/** A section of a plastic main before its pump starts; the test of it. */
async function readyToPump(crew: People, method: string, name: string): Promise<string> {
  const of = example(method)
  const known = await crew.desk.get<ProcedureShort[]>('procedures')
  const hash = (key: string): string => known.find((p) => p.key === key)!.hash
  const me = await crew.desk.get<{ projects: { id: number }[] }>('me')
  const line = await crew.desk.post<MadeLine & { sections: { id: string }[] }>('lines', {
    project_id: me.projects[0]!.id,
    name,
    ...of.pipe,
    design_bar: 4,
    mdp_bar: 5,
    pipe_length_m: 12,
    procedure_hash: hash('pvc-spigot-socket'),
    centre_line: [
      [0, 0, 0, 9],
      [24, 24, 0, 9],
    ],
    sections: [{ name: 'Section 1', from_m: 0, to_m: 24, method_hash: hash(method) }],
  })
  await recorded(crew, `subjects/joint/${line.joints[0]!.id}`, example('pvc-spigot-socket'), Date.now() - DAY)
  const { id } = await crew.desk.post<{ id: string }>(`sections/${line.sections[0]!.id}/tests`, {})
  await prepared(crew, `subjects/test/${id}`, of)
  return id
}

test('the gauge is read by hand: the clock asks, one sentence says what to do, and nothing is lost on the way', async ({ browser }) => {
  const crew = await people(browser)
  const { page } = crew
  const id = await readyToPump(crew, 'pressure-loss', 'Carder Row main')
  const begun = Date.now()
  const at = (min: number): Promise<void> => page.clock.setSystemTime(begun + min * MINUTE)
  const pad = page.getByRole('group', { name: 'Number pad' })
  const read = async (kpa: string, litres?: string): Promise<void> => {
    for (const key of kpa) await pad.getByRole('button', { name: key, exact: true }).click()
    if (litres !== undefined) await page.getByLabel('Water in since then, L').fill(litres)
    await pad.getByRole('button', { name: 'Record', exact: true }).click()
  }
  const says = (text: string | RegExp): Promise<void> => expect(page.getByText(text)).toBeVisible()
  await at(0)
  await page.goto(`/tests/${id}`)
  await page.getByRole('button', { name: 'Read the gauge by hand' }).click()
  await says('First reading: at nought, before the pump starts.')
  await read('0')
  await says('Raise it slowly to 600 kPa: 600 kPa to go.')
  await at(4)
  await says(/^Next reading at/)
  await read('400', '14')
  await says('Raise it slowly to 600 kPa: 200 kPa to go.')
  await at(10)
  await says(/^Read now:/)
  await read('600', '7')
  await says('In the band: leave it.')
  await says('60 min')
  // What is wrong stands above the pad, with the figure in it.
  await at(14)
  await page.getByLabel('Pressure, kPa').fill('6x0')
  await pad.getByRole('button', { name: 'Record', exact: true }).click()
  const fault = page.getByRole('alert')
  await expect(fault).toBeVisible()
  expect((await fault.boundingBox())!.y).toBeLessThan((await pad.boundingBox())!.y)
  await page.getByLabel('Pressure, kPa').fill('')
  // A figure that cannot well be is asked about.
  await read('60')
  await says('Pressure: is it really 60 kPa?')
  await page.getByRole('button', { name: 'Type it again' }).click()
  await page.getByLabel('Pressure, kPa').fill('')
  await at(15)
  await read('596')
  await says(/^5[56] min$/)
  expect(await faults(page)).toEqual([])
  // Over the band, and under it.
  await at(20)
  await read('610')
  await says('Let it down to 600 kPa. It is 3 kPa over the band.')
  await page.reload()
  await says(/^Next reading at|^Read now/)
  await at(25)
  await read('540')
  await says('It fell under 550 kPa: this hold is over. Find out why before water goes in.')
  await expect(page.getByText(/^Next reading at|^Read now/)).toHaveCount(0)
  // Each reading is stored when it is recorded, and stands in the log as it was read.
  const facts = async (): Promise<number[][]> =>
    (await crew.joiner.get<Subject>(`subjects/test/${id}`)).facts
      .filter((f) => f.step === 'log')
      .flatMap((f) => f.value['samples'] as number[][])
  await expect.poll(async () => (await facts()).map((row) => row[1])).toEqual([0, 400, 600, 596, 610, 540])
  expect((await facts()).map((row) => row[2])).toEqual([0, 14, 21, 21, 21, 21])
  // A thumb that slips off the pad ends nothing.
  await page.getByRole('button', { name: 'End the log' }).click()
  await expect(page.getByText('6 readings are in it. After its end nothing can be added.')).toBeVisible()
  await page.getByRole('button', { name: 'Go on reading' }).click()
  await page.getByRole('button', { name: 'End the log' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'End the log' }).click()
  await expect(page.locator('#step-title')).toHaveText('Phases of the log')
})

test('while the stand-in pumps, its pressure stands in its band with the time to go', async ({ browser }) => {
  const crew = await people(browser)
  const { page } = crew
  const id = await readyToPump(crew, 'pressure-loss', 'Carder Row branch')
  await page.goto(`/tests/${id}`)
  await page.getByLabel('Speed').click()
  await page.getByRole('option', { name: '60 times' }).click()
  await page.getByRole('button', { name: 'Start pump and logger' }).click()
  await expect(page.getByRole('timer')).toBeVisible()
  await expect(page.getByText(/^Raise it slowly to 600 kPa: .* to go\.$/)).toBeVisible()
  await expect(page.getByRole('img', { name: /kPa|between 550 and 608/ })).toBeVisible()
  await expect(page.getByText('In the band: leave it.')).toBeVisible()
  await expect(page.getByText(/^to go, until \d\d:\d\d$/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop the test' }).click()
  await expect(page.locator('#step-title')).toHaveText('Phases of the log')
  // For who practises: told when it is asked.
  await page.goto(`/tests/${id}?step=log`)
  await expect(page.getByText('It played: a tight section.')).toHaveCount(0)
  await page.getByRole('button', { name: 'What did it play?' }).click()
  await expect(page.getByText('It played: a tight section.')).toBeVisible()
})

test('a hold that is read by hand goes on where it was when the browser is killed', async ({ browser }) => {
  const crew = await people(browser)
  const id = await readyToPump(crew, 'pressure-loss', 'Dyer Row main')
  const device = mkdtempSync(join(tmpdir(), 'device-'))
  const open = async (): Promise<Page> => {
    const context = await chromium.launchPersistentContext(device, {
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu'],
      baseURL: BASE,
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'block',
    })
    await context.addCookies(await crew.page.context().cookies())
    const page = await context.newPage()
    await page.goto(`/tests/${id}`)
    return page
  }
  const log = async (): Promise<{ trace: string; samples: number[][] }[]> =>
    (await crew.joiner.get<Subject>(`subjects/test/${id}`)).facts
      .filter((f) => f.step === 'log')
      .map((f) => f.value as { trace: string; samples: number[][] })
  const pressures = async (): Promise<number[]> => (await log()).flatMap((part) => part.samples.map((row) => row[1]!))
  const read = async (page: Page, kpa: string): Promise<void> => {
    await page.getByLabel('Pressure, kPa').fill(kpa)
    await page.getByRole('group', { name: 'Number pad' }).getByRole('button', { name: 'Record', exact: true }).click()
  }
  const first = await open()
  await first.getByRole('button', { name: 'Read the gauge by hand' }).click()
  await read(first, '0')
  await expect.poll(pressures).toEqual([0])
  const begun = Date.now()
  await read(first, '300')
  await expect.poll(pressures).toEqual([0, 300])
  execFileSync('pkill', ['-9', '-f', device])
  const second = await open()
  await expect(second.getByText(/^Next reading at|^Read now/)).toBeVisible()
  await read(second, '310')
  await expect.poll(pressures).toEqual([0, 300, 310])
  const parts = await log()
  expect(new Set(parts.map((part) => part.trace)).size, 'one log').toBe(1)
  // Its clock went on through the death: as many minutes as have passed since the first reading.
  const minutes = parts.flatMap((part) => part.samples.map((row) => row[0]!))
  expect(minutes[2]! - minutes[0]!).toBeGreaterThan(0)
  expect(Math.abs(minutes[2]! - minutes[0]! - (Date.now() - begun) / MINUTE)).toBeLessThan(0.25)
  await second.context().close()
})
