import { expect, test, type Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { coolAndLook, fuseAndCool, prepareCoupler } from './coupler'
import { atStep, fill, lineByName, recordStep, someone } from './people'

const NAME = 'Weir Street link'

/** Chooses an option of a select by its label. */
async function choose(page: Page, label: string, option: string | RegExp, nth = 0): Promise<void> {
  await page.getByLabel(label).nth(nth).click()
  await page.getByRole('option', { name: option }).click()
}

/** From an empty line to a signed PDF: engineer at the desk, joiner on a phone, inspector, test, pack. */
for (const size of [[1280, 800], [390, 844]] as [number, number][]) {
  test(`the whole job, joints made at ${size[0]}×${size[1]}`, async ({ browser }, info) => {
    const name = `${NAME} ${size[0]}`
    const engineer = await someone(browser, 'tamsin')
    await test.step('an engineer makes a line', async () => {
      await engineer.getByRole('button', { name: 'Make a line' }).click()
      await engineer.getByRole('button', { name: 'Make the line' }).click()
      await expect(engineer.getByText('Give the line a name.')).toBeVisible()
      await engineer.getByLabel('Name', { exact: true }).first().fill(name)
      await engineer.getByLabel('Outside diameter, mm').fill('110')
      await choose(engineer, 'Procedure for the joints', /one-pass peel/)
      await engineer.getByRole('textbox', { name: 'Centre line' }).fill('0; 100; 200; 50\n18; 118; 200; 51.5\n36; 136; 200; 50.5')
      await engineer.getByLabel('From, m').fill('0')
      await engineer.getByLabel('To, m').fill('36')
      await choose(engineer, 'Test method', /Pressure decay/)
      await engineer.getByRole('button', { name: 'Make the line' }).click()
      await expect(engineer.getByRole('heading', { name, level: 1 })).toBeVisible()
      await expect(engineer.getByText('Begin joint 1')).toBeVisible()
    })

    const joiner = await someone(browser, 'bram', size)
    const inspector = await someone(browser, 'ruben', size)
    const line = await lineByName(joiner.request, name)
    await test.step('a joiner makes both joints, the first with a fault', async () => {
      await joiner.goto(`/lines/${line.id}`)
      await joiner.getByRole('button', { name: 'Begin joint 1' }).click()
      await prepareCoupler(joiner)
      await fuseAndCool(joiner, 'a lead is pulled off after 60 % of the time')
      await expect(joiner.getByText(/Bad: .*a lead came off|Bad: The fusion ended early/).filter({ visible: true }).first()).toBeVisible({ timeout: 30_000 })
      await expect(joiner.getByText('Tell the foreman')).toBeVisible()
    })
    let at = line.joints[0]!.id
    await test.step('it is cut out: two new joints', async () => {
      await inspector.goto(`/joints/${at}`)
      await inspector.getByRole('button', { name: 'Cut joint 1 out' }).click()
      await inspector.getByLabel('Why').fill('Lead pulled off during the fusion')
      await inspector.getByRole('button', { name: 'Cut it out' }).click()
      await expect(inspector.getByRole('heading', { name: /Joint 1A/ })).toBeVisible()
    })
    await test.step('the other joints are made and accepted', async () => {
      const now = await lineByName(joiner.request, name)
      for (const number of ['1A', '1B', '2']) {
        at = now.joints.find((j) => j.number === number)!.id
        await joiner.goto(`/joints/${at}`)
        await prepareCoupler(joiner)
        await fuseAndCool(joiner)
        await coolAndLook(joiner)
        await atStep(joiner, 'Hold point: accept the joint')
        await expect(joiner.getByText('This is signed by inspector or engineer.')).toBeVisible()
        await inspector.goto(`/joints/${at}`)
        await inspector.getByRole('button', { name: 'Sign', exact: true }).click()
        await expect(inspector.getByText('is signed and sealed')).toBeVisible()
      }
    })
    await test.step('the section is planned and tested', async () => {
      await engineer.goto(`/sections/${line.sections[0]!.id}`)
      await expect(engineer.getByText('Good: all 3 joints are accepted.')).toBeVisible()
      await engineer.getByRole('button', { name: 'Begin the test' }).click()
      await atStep(engineer, 'Gauge and logger')
      await engineer.getByLabel('Gauge, number').fill('G-7')
      await engineer.getByLabel('Gauge calibrated until').fill('2030-01-31')
      await engineer.getByLabel('Logger, number').fill('L-2')
      await engineer.getByLabel('Logger calibrated until').fill('2030-01-31')
      await recordStep(engineer)
      await atStep(engineer, 'Before pressure')
      await fill(engineer, {}, { 'Ends, bends and closures carry the thrust': 'Yes', 'Valves inside open, weaker parts isolated, no open way to a live main': 'Yes', 'Exclusion zone marked, relief valve set': 'Yes' })
      await recordStep(engineer)
      await atStep(engineer, 'Filling')
      await fill(engineer, { 'Temperature of the water': '12' }, { 'Filled from the low end until no air came at the vents': 'Yes' })
      await recordStep(engineer)
      await atStep(engineer, 'Raise, hold, log')
      await engineer.getByRole('button', { name: 'Start pump and logger' }).click()
      await expect(engineer.getByRole('timer')).toBeVisible()
      await atStepAfter(engineer, 'Phases of the log', 60_000)
      await recordStep(engineer)
      await atStep(engineer, 'Walk the line')
      await fill(engineer, {}, { 'Leak or weeping seen': 'No' })
      await recordStep(engineer)
      await atStep(engineer, 'Engineer signs the verdict')
      await engineer.getByRole('button', { name: 'Sign', exact: true }).click()
      await atStep(engineer, 'Inspector signs the verdict')
      await inspector.goto(engineer.url().split('?')[0]!)
      await inspector.getByRole('button', { name: 'Sign', exact: true }).click()
      await expect(inspector.getByText('is signed and sealed')).toBeVisible()
      await expect(inspector.getByText('Good: every limit is met.')).toBeVisible()
    })
    await test.step('the test pack says so', async () => {
      const id = engineer.url().match(/tests\/([0-9a-f-]+)/)![1]
      const pdf = await engineer.request.get(`/api/v1/tests/${id}/pack.pdf`, { headers: { Referer: engineer.url() } })
      const file = info.outputPath('pack.pdf')
      writeFileSync(file, await pdf.body())
      const text = execFileSync('pdftotext', ['-layout', file, '-']).toString()
      for (const word of ['Verdict: Good', name, 'Joints of the section (3)', 'G-7', 'Ruben Castell', 'Tamsin Orrel', 'EN 805:2000, A.27', 'unbroken']) expect(text).toContain(word)
      await engineer.goto(`/lines/${line.id}/register`)
      await expect(engineer.getByText('4 of 4 joints. The chain of seals is unbroken.')).toBeVisible()
      const csv = await engineer.request.get(`/api/v1/lines/${line.id}/register.csv`, { headers: { Referer: engineer.url() } })
      expect((await csv.text()).split('\n').filter((l) => l.includes('accepted'))).toHaveLength(3)
    })
  })
}

async function atStepAfter(page: Page, title: string, timeout: number): Promise<void> {
  await expect(page.locator('#step-title')).toHaveText(title, { timeout })
}
