import { expect, type Browser, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import type { ProcedureShort, Subject } from '../../resources/js/api/client'
import { test } from './alone'
import { faults } from './faults'
import { example, lasts, type Example } from './examples'
import { present } from './people'
import { recorded, type Crew } from './recorded'
import { stamp, Trench, type MadeLine } from './trench'

const MINUTE = 60_000

interface People extends Crew {
  page: Page
  desk: Trench
}

async function people(browser: Browser): Promise<People> {
  const [page, ruben, tamsin] = await Promise.all([present(browser, 'bram'), present(browser, 'ruben'), present(browser, 'tamsin')])
  return { page, joiner: await Trench.of(page), inspector: await Trench.of(ruben), desk: await Trench.of(tamsin) }
}

const hashOf = async (desk: Trench, key: string): Promise<string> =>
  (await desk.get<ProcedureShort[]>('procedures')).find((p) => p.key === key)!.hash

/** The steps of an example up to one of them, the last of them a few minutes ago. */
async function upTo(crew: People, path: string, of: Example, last: string): Promise<void> {
  const good = of.good.slice(0, of.good.map((entry) => entry.step).lastIndexOf(last) + 1)
  await recorded(crew, path, { ...of, good }, Date.now() - (lasts({ ...of, good }) + 5) * MINUTE)
}

/** A tap under pressure on a line of iron pipe. */
async function tap(crew: People, name: string): Promise<{ id: string; of: Example }> {
  const of = example('tap-live-water')
  const line: MadeLine = await crew.desk.line(name, 'iron-push-on', { ...of.pipe, service: 'water' }, 1)
  const [joint] = await crew.desk.post<{ id: string }[]>(`lines/${line.id}/joints`, {
    procedure_hash: await hashOf(crew.desk, 'tap-live-water'),
    chainage_m: 7,
  })
  return { id: joint!.id, of }
}

test('a tool that is not to come off yet is locked on the phone, and what stands under pressure is drawn', async ({ browser }) => {
  const crew = await people(browser)
  const { id, of } = await tap(crew, 'Alder Lane services')
  await upTo(crew, `subjects/joint/${id}`, of, 'piston-in')
  const { page } = crew
  await page.goto(`/joints/${id}`)
  await expect(page.getByRole('heading', { name: 'Piston proved' })).toBeVisible()
  await expect(page.getByRole('img', { name: 'Under pressure now: main, piston, saddle, tapper, rod, flush piece.' })).toBeVisible()
  await expect(page.getByText('If you stop here: nothing comes off before the piston is proved.')).toBeVisible()
  await expect(page.getByText(/The rod flies up under pressure/)).toBeVisible()
  expect(await faults(page)).toEqual([])
  // By its address too.
  await page.goto(`/joints/${id}?step=tapper-off`)
  await expect(page.getByRole('heading', { name: 'Machine off' })).toBeVisible()
  await expect(page.getByText('Shut so that nobody gets hurt.')).toBeVisible()
  await expect(page.getByText('"Piston proved" comes first.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'All as it should be' })).toHaveCount(0)
  await page.goto(`/joints/${id}?step=piston-proved`)
  await page.getByRole('button', { name: 'All as it should be' }).click()
  await expect(page.getByRole('heading', { name: 'Machine off' })).toBeVisible()
  await expect(page.getByRole('img', { name: 'Under pressure now: main, piston.' })).toBeVisible()
  await expect(page.getByText('If you stop here: the piston closes the hole')).toBeVisible()
})

test('what was done out of order comes in all the same, is bad, and everybody is told to keep clear', async ({ browser }) => {
  const crew = await people(browser)
  const { id, of } = await tap(crew, 'Birch Lane services')
  const path = `subjects/joint/${id}`
  await upTo(crew, path, of, 'piston-in')
  await crew.joiner.post(`${path}/facts`, { id: randomUUID(), step: 'tapper-off', value: { done: true }, recorded_at: stamp(1) })
  const { judgement } = await crew.joiner.get<Subject>(path)
  expect(judgement.steps.find((s) => s.key === 'tapper-off')!.verdict).toBe('bad')
  const { page } = crew
  await page.goto(`/joints/${id}`)
  await expect(page.getByText(/while it was shut/).first()).toBeVisible()
  await expect(page.getByText('Stop here and keep clear: a licensed engineer decides how to go on.').first()).toBeVisible()
  await page.goto(`/joints/${id}?step=sleeve-setter-on`)
  await expect(page.getByRole('img', { name: /^What stands under pressure is not known: treat all of it so/ })).toBeVisible()
  await expect(page.getByText(/Keep clear, shut the main/).first()).toBeVisible()
})

test('bolts: a torque in other units is asked about, the file of the wrench is taken, the stand-in does the rest', async ({ browser }) => {
  const crew = await people(browser)
  const of = example('bolted-coupling')
  const line: MadeLine = await crew.desk.line('Cedar Lane repair', 'bolted-coupling', { ...of.pipe, service: 'water' }, 2)
  const [first, second] = [line.joints[0]!.id, line.joints[1]!.id]
  await upTo(crew, `subjects/joint/${first}`, of, 'slid-on')
  const { page } = crew
  await page.goto(`/joints/${first}`)
  await expect(page.getByRole('heading', { name: 'Tighten the bolts' })).toBeVisible()
  // 48 N·m is 35 ft-lb.
  await page.getByLabel('Torque of bolt 1, N·m').fill('35')
  await page.getByRole('button', { name: /^Next/ }).click()
  await expect(page.getByText('Bolt 1: is it really 35 N·m?')).toBeVisible()
  await page.getByRole('button', { name: /^It is 47\.45 N·m/ }).click()
  await expect(page.getByText('1 of 4 bolts')).toBeVisible()
  await expect(page.getByLabel('Torque of bolt 3, N·m')).toBeFocused()
  await page.getByRole('button', { name: 'Stand-in: all that are left' }).click()
  await expect.poll(async () => (await crew.joiner.joint(first)).judgement.steps.find((s) => s.key === 'bolts')!.status).toBe('done')

  await upTo(crew, `subjects/joint/${second}`, of, 'slid-on')
  await page.goto(`/joints/${second}`)
  const file = (text: string) => ({ name: 'wrench.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  const input = page.getByLabel('File with the readings of the wrench')
  await input.setInputFiles(file('bolt;torque;time\n1;47;2026-05-04 10:00:00'))
  await expect(page.getByText('names no unit of torque in brackets', { exact: false })).toBeVisible()
  const entries = of.good.filter((e) => e.step === 'bolts')
  const rows = entries.map(
    (e, i) => `${String(e.value!['bolt'])};${String(e.value!['pass'])};${String(e.value!['torque_nm'])};${stamp(4 - i / 10)}`,
  )
  await input.setInputFiles(file(['bolt;pass;torque [N·m];time', ...rows.reverse()].join('\n')))
  await expect.poll(async () => (await crew.joiner.joint(second)).judgement.steps.find((s) => s.key === 'bolts')!.verdict).toBe('good')
})

test('a leak is recorded where it is, with what it loses and what may be done about it', async ({ browser }) => {
  const crew = await people(browser)
  const of = example('leak-found')
  const line: MadeLine = await crew.desk.line('Dogwood Lane main', 'iron-push-on', { ...of.pipe, service: 'water' }, 1)
  const { id } = await crew.desk.post<{ id: string }>(`lines/${line.id}/stretches`, {
    procedure_hash: await hashOf(crew.desk, 'leak-found'),
    name: 'Weep at joint 1',
    from_m: 12,
  })
  await recorded(crew, `subjects/stretch/${id}`, of, Date.now() - (lasts(of) + 5) * MINUTE, { without: ['proved-by', 'accept'] })
  const { page } = crew
  await page.goto(`/stretches/${id}?step=how-much`)
  await expect(page.getByText('It loses 0.06 L/h.')).toBeVisible()
  await page.goto(`/stretches/${id}`)
  await expect(page.getByRole('heading', { name: 'Proved by' })).toBeVisible()
  expect(await faults(page)).toEqual([])
})
