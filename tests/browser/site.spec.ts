import { expect, test } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import type { Subject } from '../../resources/js/api/client'
import { example } from './examples'
import { crew, keyed, lineFor } from './place'
import { choose, pick, recordStep, says } from './people'
import { recorded } from './recorded'

/* What happens on a site beside joints and tests, by who does it there: at the trench and in the cabin. */

const SIZES = [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]

for (const size of SIZES) {
  test(`a joint is looked at, covered and found again by its place, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const of = example('pvc-spigot-socket')
    const line = await lineFor(people, of, 'pvc-spigot-socket', undefined, 3)
    const joint = line.joints[0]!
    await recorded(people, `subjects/joint/${joint.id}`, of, Date.now() - 4 * 3_600_000)
    const page = await people.page('joiner')
    await page.setViewportSize(size)
    await page.goto(`/joints/${joint.id}`)
    await page.getByRole('button', { name: 'Look at it and cover it' }).click()
    await expect(page.getByRole('heading', { name: 'Last look' })).toBeVisible()
    // Damage that is seen stops it.
    await page.locator('input[name="sound"]').and(page.getByLabel(/: No$/)).locator('xpath=..').click()
    await page
      .locator('input[type=file][accept^="image"]')
      .first()
      .setInputFiles({
        name: 'trench.png',
        mimeType: 'image/png',
        buffer: Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
      })
    await expect(page.getByAltText('Photo 1 of this step')).toBeVisible()
    const end = page.locator('form').getByRole('button', { name: /^(The rest as it should be|Read on)$/ })
    await expect(async () => {
      if (await end.isVisible()) await end.click({ timeout: 2_000 })
      // In the cabin it is said once, beside the step.
      await expect(page.getByText('Damage was seen.').filter({ visible: true }).first()).toBeVisible({ timeout: 500 })
    }).toPass({ timeout: 45_000 })
    await page.getByRole('list', { name: 'Steps' }).first().getByRole('button', { name: 'Accept', exact: false }).first().click()
    await page
      .getByRole('button', { name: /Covered/ })
      .first()
      .click()
    await expect(page.getByText(/Leave it bare|Last look/).first()).toBeVisible()
    await expect(page.getByRole('button', { name: 'All as it should be' })).toHaveCount(0)
    // The joint says that it is being covered, and its place leads back to it.
    await page.goto(`/joints/${joint.id}`)
    await expect(page.getByRole('link', { name: /^Go on covering: Joint / })).toBeVisible()
    await page.getByRole('link', { name: 'What lies near' }).click()
    await expect(page.getByRole('heading', { name: /^What lies at / })).toBeVisible()
    await expect(page.getByText('here', { exact: true })).toBeVisible()
    await expect(page.getByText(/^Made on .* by Bram Ivesley/).first()).toBeVisible()
    await expect(page.getByRole('link', { name: 'Joint 1', exact: true }).first()).toBeVisible()
    await page.getByLabel('Chainage, m').fill('9000')
    await page.getByRole('button', { name: 'Look' }).click()
    await expect(page.getByText(/^Chainage 9000 m is not on this line/)).toBeVisible()
    await expect(page.getByLabel('Chainage, m')).toHaveValue('9000')
  })

  test(`a covered joint is opened up again, lies bare, and is covered again, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const of = example('pvc-spigot-socket')
    const line = await lineFor(people, of, 'pvc-spigot-socket', undefined, 3)
    const joint = line.joints[0]!
    await recorded(people, `subjects/joint/${joint.id}`, of, Date.now() - 6 * 3_600_000)
    const at = (await people.joiner.get<Subject>(`subjects/joint/${joint.id}`)).chainage_m!
    const cover = async (hoursAgo: number): Promise<void> => {
      const covering = await people.joiner.post<{ id: string }>(`lines/${line.id}/stretches`, {
        procedure_hash: (await keyed(people.engineer)).get('covering')!.hash,
        name: 'Joint 1',
        from_m: at - 1,
        to_m: at + 1,
      })
      await recorded(people, `subjects/stretch/${covering.id}`, example('covering'), Date.now() - hoursAgo * 3_600_000)
    }
    await cover(3)
    const page = await people.page('joiner')
    await page.setViewportSize(size)
    await page.goto(`/joints/${joint.id}`)
    await expect(page.getByText(/^Covered since /)).toBeVisible()
    await page.getByRole('button', { name: 'Open it up again' }).click()
    await expect(page.locator('#step-title')).toHaveText('Before the first bucket')
    await expect(
      page
        .getByText(/A struck gas pipe or cable kills/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible()
    // The services were not looked for: nobody digs, and the next step is shut.
    await pick(page, 'Why it is opened', 'a leak is looked for')
    await choose(page, 'Other services found on plans and by locator, marked on the ground', 'No')
    await recordStep(page)
    await says(page, /Find and mark them before anybody digs\./)
    const opening = /stretches\/([0-9a-f-]+)/.exec(page.url())![1]!
    await recorded(people, `subjects/stretch/${opening}`, example('opening'), Date.now() - 60 * 60_000, {
      without: ['before-digging', 'opening-seen'],
    })
    await page.goto(`/joints/${joint.id}`)
    await expect(page.getByText(/^Laid bare again on /)).toBeVisible()
    await page.getByRole('link', { name: 'How it was opened' }).click()
    await expect(page).toHaveURL(new RegExp(opening))
    await page.goto(`/joints/${joint.id}`)
    await expect(page.getByRole('button', { name: 'Look at it and cover it' })).toBeVisible()
    await expect(page.getByText(/^Covered since /)).toHaveCount(0)
  })

  test(`two who begin the day begin one, and pipes are typed once, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const line = await lineFor(people, example('pvc-spigot-socket'), 'pvc-spigot-socket', undefined, 3)
    const [bram, tamsin] = [await people.page('joiner'), await people.page('engineer')]
    for (const page of [bram, tamsin]) {
      await page.setViewportSize(size)
      await page.goto(`/lines/${line.id}`)
    }
    await bram.getByRole('button', { name: 'Begin the day record' }).click()
    // Her page may have heard of it meanwhile.
    await tamsin
      .getByRole('button', { name: 'Begin the day record' })
      .or(tamsin.getByRole('link', { name: /^Day record of today/ }))
      .first()
      .click()
    for (const page of [bram, tamsin]) await expect(page.getByRole('heading', { name: 'Weather and ground' })).toBeVisible()
    expect(bram.url()).toBe(tamsin.url())
    // A delivery whose pipes are rejected and numbered stands in the list of pipes.
    const delivery = (await keyed(people.engineer)).get('delivery')!
    const { id } = await people.engineer.post<{ id: string }>(`lines/${line.id}/stretches`, { procedure_hash: delivery.hash })
    const of = example('delivery')
    await recorded(people, `subjects/stretch/${id}`, of, Date.now() - 2 * 3_600_000, { by: () => people.engineer })
    await bram.goto(`/lines/${line.id}/pipes`)
    await expect(bram.getByText('L-2231').first()).toBeVisible()
    await expect(bram.getByText(/two chips on the bevel/).first()).toBeVisible()
    await bram.goto(`/stretches/${id}`)
    await expect(bram.getByText(/signed and sealed/).first()).toBeVisible()
    // The batch of the gasket that came is written down by one tap; of what came besides nothing is offered there.
    const { joints } = await people.joiner.get<{ joints: { id: string }[] }>(`lines/${line.id}`)
    await bram.goto(`/joints/${joints[0]!.id}?step=clean`)
    const gaskets = bram.getByRole('group', { name: 'Batch of the gasket: delivered' })
    await expect(gaskets.getByRole('button')).toHaveText(['Gasket 160 G-0907'])
    await gaskets.getByRole('button').click()
    await expect(bram.getByLabel('Batch of the gasket (if known)')).toHaveValue('G-0907')
    await expect(gaskets).toHaveCount(0)
  })

  test(`a line is renamed, corrected and extended, and says so, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const line = await lineFor(people, example('pvc-spigot-socket'), 'pvc-spigot-socket', undefined, 2)
    const name = `Extended line ${randomUUID().slice(0, 8)}`
    const page = await people.page('engineer')
    await page.setViewportSize(size)
    await page.goto(`/lines/${line.id}`)
    await page.getByRole('link', { name: 'Change the line' }).click()
    await page.getByLabel('Name').fill(name)
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByText('Say why: who reads it later asks.')).toBeVisible()
    const length = 2 * (example('pvc-spigot-socket').line?.length_m ?? 12)
    await page.getByLabel('Why it changes').fill('the client goes on to the next road')
    await page
      .getByLabel(/^Centre line/)
      .first()
      .fill('1; 2; three; 4')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByText(/Each row wants/)).toBeVisible()
    await page
      .getByLabel(/^Centre line/)
      .first()
      .fill(`${length + 12}; ${length + 12}; 0; 9.5`)
    // Of what is corrected a slip is said where it is, and nothing is changed by half.
    await page.getByLabel('Maximum design pressure, kPa').fill('12o0')
    await page.getByLabel('SDR').fill('')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByText('"12o0" is no number.')).toBeVisible()
    await expect(page.getByLabel('SDR')).toHaveAttribute('aria-invalid', 'true')
    await page.getByLabel('Maximum design pressure, kPa').fill('200')
    await page.getByLabel('SDR').fill('17')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByText(/below/)).toBeVisible()
    await page.getByLabel('Maximum design pressure, kPa').fill('1300')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible()
    await page.getByRole('link', { name: 'Change the line' }).click()
    await expect(page.getByText(`Extended from ${length} m to ${length + 12} m.`)).toBeVisible()
    await expect(page.getByText(/Maximum design pressure corrected from [\d.]+ bar to 13 bar\./)).toBeVisible()
    await expect(page.getByLabel('Maximum design pressure, kPa')).toHaveValue('1300')
    // Put away it is out of the list, and comes back.
    await page.getByLabel('Why it changes').fill('handed over')
    await page.getByRole('button', { name: 'Put it away' }).click()
    await page.getByRole('button', { name: /^Put it away now/ }).click()
    await expect(page.getByText('Put away: out of the lists, its record whole.')).toBeVisible()
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
    await expect(page.getByRole('link', { name })).toHaveCount(0)
    await page.getByRole('button', { name: /put away$/ }).click()
    await expect(page.getByRole('link', { name })).toBeVisible()
  })
}
