import { expect, test, type Page } from '@playwright/test'
import { crew, type People } from './place'
import type { MadeLine } from './trench'

/* The days to come, as a foreman tries them and takes them for the plan. */

const SIZES = [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]

/** Of six pipes of 12 m, each 110 mm; nothing is recorded there. */
const lineOf = (people: People): Promise<MadeLine> =>
  people.engineer.line('Sorrel Lane spur', 'ef-coupler-one-pass', { dn_mm: 110, sdr: 11 }, 5)

const earliest = (page: Page): Promise<number> =>
  page
    .locator('[data-test-from]')
    .getAttribute('data-test-from')
    .then((at) => Date.parse(at!))

/** Day and night, all days of the week: what comes out hangs on no hour at which this runs. */
async function roundTheClock(page: Page): Promise<void> {
  for (const [label, clock] of [
    ['Work from', '00:00'],
    ['Work to', '23:59'],
    ['Pause from', ''],
  ] as const) {
    await page.getByLabel(label).fill(clock)
    await page.getByLabel(label).blur()
  }
  for (const day of ['Sa', 'Su']) await page.getByRole('button', { name: day, exact: true }).click()
}

for (const size of SIZES) {
  test(`the days to come are tried with other means, and taken for the plan, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const line = await lineOf(people)
    const page = await people.page('engineer')
    await page.setViewportSize(size)
    await page.goto(`/lines/${line.id}`)
    await page.getByRole('link', { name: 'The days to come' }).click()
    await expect(page.getByText('Earliest test')).toBeVisible()
    // Nobody has made a joint here yet: what is said is a start value, and says so.
    await expect(page.getByText('common practice: start value', { exact: false }).first()).toBeVisible()
    await expect(page.getByText('from memory, confirm it: usual fittings').first()).toBeVisible()
    // The stores hold three sets, of which one is for larger pipe, and boxes, of which others are renewed meanwhile.
    const notes = page.getByText(/^\d of \d in the stores can be used here today$/)
    await expect(notes).toHaveCount(2)
    await expect(notes.first()).toHaveText('2 of 3 in the stores can be used here today')
    for (const [i, means] of ['Sets of clamps', 'Fusion boxes'].entries()) {
      const count = page.getByRole('status', { name: means })
      await expect(count).toHaveText((await notes.nth(i).innerText())[0]!)
      while ((await count.innerText()) !== '1') await page.getByRole('button', { name: `One fewer: ${means}` }).click()
    }
    await roundTheClock(page)
    const type = async (label: string, minutes: string): Promise<void> => {
      await page.getByLabel(label).fill(minutes)
      await page.getByLabel(label).press('Enter')
    }
    await type('Prepare a joint, min', '20')
    await type('Fit it, min', '10')
    await type('Fuse it, min', '10')
    await type('Cool, min', '45')
    await type('From cold to the test, min', '60')
    // Five times 65 in one set of clamps and four times 5 on the way, after 20, then an hour.
    await expect.poll(async () => Math.round(((await earliest(page)) - Date.now()) / 60_000)).toBeGreaterThan(420)
    await expect(page.getByText('The clamps hold it up. Joints stand ready and wait, together')).toBeVisible()
    const one = await earliest(page)
    // What would help is tapped, and counts at once; what would be lost without it is said.
    await page.getByRole('button', { name: 'One more set of clamps from now on' }).click()
    await expect(page.getByRole('status', { name: 'Sets of clamps' })).toHaveText('2')
    await expect.poll(async () => one - (await earliest(page))).toBeGreaterThan(60 * 60_000)
    await expect(page.getByText(/^Without one of the clamp sets: test from/)).toBeVisible()
    // Rain stops the hands.
    const dry = await earliest(page)
    await page.getByRole('button', { name: 'One more: Rain from now on' }).click()
    await expect(page.getByRole('status', { name: 'Rain from now on' })).toHaveText('1 h')
    await expect.poll(async () => (await earliest(page)) - dry).toBeGreaterThanOrEqual(59 * 60_000)
    await page.getByRole('button', { name: 'One fewer: Rain from now on' }).click()
    // A figure that is none is said beside its field; one that cannot be is refused there; emptied, what is known counts again.
    await type('Cool, min', '1,234')
    await expect(page.getByText('1,234 could be', { exact: false })).toBeVisible()
    await type('Cool, min', '99999')
    await expect(page.getByText('To cool, min is outside', { exact: false }).or(page.getByText(/To cool, min.*2880/))).toBeVisible()
    await type('Cool, min', '')
    await expect(page.getByText('from memory, confirm it: usual fittings').first()).toBeVisible()
    await page.getByRole('button', { name: 'Take it for the plan' }).click()
    await expect(page.getByText(/^The plan is that of Tamsin Orrel, /)).toBeVisible()
    await expect(page.getByRole('region', { name: 'Day by day' }).getByText('As planned so far.')).toHaveCount(0)
    // Whoever comes later finds what was to hand.
    const joiner = await people.page('joiner')
    await joiner.goto(`/lines/${line.id}/day`)
    await expect(joiner.getByRole('status', { name: 'Sets of clamps' })).toHaveText('2')
    await expect(joiner.getByLabel('Prepare a joint, min')).toHaveValue('20')
    await expect(joiner.getByRole('button', { name: /Take it for the plan/ })).toHaveCount(0)
  })
}

test('a crew waits for the trench that a machine opens, and one more machine is one tap', async ({ browser }) => {
  const people = await crew(browser)
  const line = await lineOf(people)
  const page = await people.page('engineer')
  await page.goto(`/lines/${line.id}/day`)
  await expect(page.getByText('Earliest test')).toBeVisible()
  await expect(page.getByRole('status', { name: 'Machines that open the trench' })).toHaveCount(0)
  await roundTheClock(page)
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0)
  const open = page.getByLabel('Open the trench, pipe in, min')
  await open.fill('2h')
  await open.press('Enter')
  await expect(page.getByText('"2h" is no number')).toBeVisible()
  await open.fill('180')
  await open.press('Enter')
  await expect(page.getByText('The plant holds it up: the crew waits for the trench.')).toBeVisible()
  const one = await earliest(page)
  await page.getByRole('button', { name: 'One more machine from now on' }).click()
  await expect(page.getByRole('status', { name: 'Machines that open the trench' })).toHaveText('2')
  await expect.poll(async () => one - (await earliest(page))).toBeGreaterThan(4 * 60 * 60_000)
  await expect(page.getByText(/^Without one of the machines: test from/)).toBeVisible()
  await page.getByRole('button', { name: 'One more: Trench open ahead' }).click()
  await expect(page.getByRole('status', { name: 'Trench open ahead' })).toHaveText('1')
  await open.fill('')
  await open.press('Enter')
  await expect(page.getByText('nobody waits for it; type it', { exact: false })).toBeVisible()
  await expect(page.getByText('The plant holds it up', { exact: false })).toHaveCount(0)
})

test('a day is turned to and a joint opened from the drawing', async ({ browser }) => {
  const people = await crew(browser)
  const line = await lineOf(people)
  const page = await people.page('engineer')
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`/lines/${line.id}/day`)
  // Of three quarters of an hour of work each day takes one joint.
  const planned = page.waitForResponse((answer) => answer.url().endsWith('/day/try') && answer.request().postData()!.includes('"07:45"'))
  await page.getByLabel('Pause from').fill('')
  await page.getByLabel('Pause from').blur()
  await page.getByLabel('Work to').fill('07:45')
  await page.getByLabel('Work to').blur()
  await planned
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0)
  const drawn = page.getByRole('group', { name: /against the clock/ })
  await expect(drawn).toBeVisible()
  const heading = page.getByRole('heading', { name: /day \d+ / })
  const first = await heading.innerText()
  await page.getByRole('button', { name: 'The day after' }).click()
  await expect(heading).not.toHaveText(first)
  await page.getByRole('button', { name: 'The day before' }).click()
  await expect(heading).toHaveText(first)
  // By a tap, or by the keyboard alone.
  await drawn.getByRole('link', { name: 'Joint 1' }).focus()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/joints\//)
})
