import { expect } from '@playwright/test'
import type { Subject } from '../../resources/js/api/client'
import { test } from './alone'
import { faults } from './faults'
import { example, lasts } from './examples'
import { present } from './people'
import { recorded } from './recorded'
import { Trench } from './trench'

test('a line of pipe for which no test method is meant is made without a section, its diameter as marked', async ({ browser }) => {
  const page = await present(browser, 'tamsin', [1280, 800])
  await page.goto('/lines/new')
  const choose = async (label: string, option: RegExp): Promise<void> => {
    await page.getByRole('combobox', { name: label }).click()
    await page.getByRole('option', { name: option }).click()
  }
  await choose('Material', /^GRP$/)
  await expect(page.getByText('No test method here is meant for this pipe.')).toBeVisible()
  await page.getByLabel('Name').fill('Tarn Gate feeder')
  await choose('Procedure for the joints', /^GRP coupling to its home line/)
  await page.getByLabel(/^Centre line/).fill('0; 0; 0; 50\n24; 24; 0; 50.4')
  await page.getByRole('button', { name: 'Make the line' }).click()
  await expect(page.getByText('A figure is wanted.')).toHaveCount(2)
  // An inch figure is no diameter of this size.
  await page.getByLabel('Outside diameter, mm').fill('24.3')
  await page.getByLabel('Wall, mm').fill('12.4')
  await page.getByRole('button', { name: 'Make the line' }).click()
  await expect(page.getByText('a pipe of this size is 540 to 1080 mm outside').first()).toBeVisible()
  await page.getByLabel('Outside diameter, mm').fill('617')
  await page.getByRole('button', { name: 'Make the line' }).click()
  await expect(page.getByRole('heading', { name: 'Tarn Gate feeder', level: 1 })).toBeVisible()
  await expect(page.getByText('No section is planned.')).toBeVisible()
})

test('the crew pulls a bad joint apart and joins it again: two numbers, both in the record, on the phone', async ({ browser }) => {
  const of = example('corrugated-bell')
  const [page, inspector, engineer] = await Promise.all([present(browser, 'bram'), present(browser, 'ruben'), present(browser, 'tamsin')])
  const crew = { joiner: await Trench.of(page), inspector: await Trench.of(inspector) }
  const desk = await Trench.of(engineer)
  const line = await desk.line('Osier Beck drain', 'corrugated-bell', of.pipe, 1)
  const joint = line.joints[0]!
  await recorded(crew, `subjects/joint/${joint.id}`, of, Date.now() - (lasts(of) + 5) * 60_000, {
    instead: { seen: { gasket: false } },
    without: ['accept'],
  })
  await page.goto(`/joints/${joint.id}`)
  await expect(page.getByRole('img', { name: /^A spigot in its socket, cut open, 711 mm pipe/ })).toBeVisible()
  await page.getByRole('button', { name: 'Pull apart and join again' }).click()
  // Why stands there already: it is what was found.
  await expect(page.getByRole('textbox', { name: 'Why' })).toHaveValue('Gasket nowhere rolled or pushed out, as far as it is seen: no.')
  expect(await faults(page)).toEqual([])
  await page.getByRole('button', { name: 'It is pulled apart' }).click()
  await expect(page.getByRole('heading', { name: 'Joint 1R' })).toBeVisible()
  await expect(page.getByText('In place of joint 1, which was pulled apart.')).toBeVisible()
  await page.getByRole('link', { name: 'joint 1', exact: true }).click()
  await expect(page.getByText(/^Pulled apart: Gasket nowhere rolled/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Pull apart and join again' })).toHaveCount(0)
  const before = await crew.joiner.get<Subject>(`subjects/joint/${joint.id}`)
  expect(before.facts).toHaveLength(of.good.length - 1)
})
