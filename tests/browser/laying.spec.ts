import { expect, test } from '@playwright/test'
import { crew, keyed, type People } from './place'
import type { MadeLine } from './trench'

/* The laying plan, as an engineer makes it in the cabin and a crew reads it at the trench. */

const SIZES = [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]

/** 60 m north, then 40 m that turn by 24° to the right. */
const CORNER = [
  [0, 0, 0, 20],
  [60, 0, 60, 20],
  [100, 40 * Math.sin((24 * Math.PI) / 180), 60 + 40 * Math.cos((24 * Math.PI) / 180), 20],
]

/** A main of ductile iron in a corner; or on a curve of 100 m radius, where pipes of 6 m turn each joint by 3.44° and 3.5° are allowed. */
async function bentLine(people: People, corner = false): Promise<MadeLine> {
  const known = await keyed(people.engineer)
  const me = await people.engineer.get<{ projects: { id: number }[] }>('me')
  const points = corner
    ? [...CORNER]
    : Array.from({ length: 61 }, (_, i) => [i, 100 * (1 - Math.cos(i / 100)), 100 * Math.sin(i / 100), 20 + 0.004 * i])
  return people.engineer.post<MadeLine>('lines', {
    project_id: me.projects[0]!.id,
    name: 'Hollin Bend',
    service: 'water',
    material: 'Ductile iron',
    series: 'dn',
    nominal: 200,
    design_bar: 6,
    mdp_bar: 8,
    pipe_length_m: 6,
    procedure_hash: known.get('iron-push-on')!.hash,
    centre_line: points,
    sections: [],
  })
}

for (const size of SIZES) {
  test(`a line is laid out with what is to hand, laid down, and read at the joint, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const line = await bentLine(people)
    const page = await people.page('engineer')
    await page.setViewportSize(size)
    await page.goto(`/lines/${line.id}`)
    await page.getByRole('link', { name: 'Laying plan' }).click()
    // Nine tenths of 3.5° are 3.15°: pipes of 6 m do not go round.
    await expect(page.getByText('Bad: the joint at 6.0 m would turn by 3.44°. 3.15° are used at most.')).toBeVisible()
    await expect(page.getByText('A joint may turn 3.5° (EN 545')).toBeVisible()
    await expect(page.getByText('most used 98 %', { exact: false })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Lay it down' })).toHaveCount(0)
    // Shorter pipes help, and the plan changes with them.
    await page.getByRole('button', { name: /pipes of 5\.00 m/ }).click()
    await expect(page.getByText(/^Good: 1\d pipes, .* The joints turn by \d\.\d\d° at most, of 3\.15°\.$/)).toBeVisible()
    const fewer = page.getByRole('button', { name: 'One fewer: Pipes of 5.00 m' })
    for (let i = 0; i < 20 && (await fewer.isEnabled()); i++) await fewer.click()
    await expect(page.getByText(/^Bad: the joint at 6\.0 m/)).toBeVisible()
    await page.getByRole('button', { name: 'Pipes of 5.00 m: 0. There are plenty' }).click()
    await expect(page.getByText(/^Good: 1\d pipes/)).toBeVisible()
    // What cannot be is said beside its field, and the plan that stands stays.
    await page.getByLabel('Another length, m').fill('1,234')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByText('1,234 could be', { exact: false })).toBeVisible()
    await page.getByLabel('Largest angle, °').fill('5')
    await page.getByLabel('Largest angle, °').press('Enter')
    await expect(page.getByText('A joint is to turn 5°; up to 3.5° is allowed', { exact: false })).toBeVisible()
    await page.getByLabel('Largest angle, °').fill('3.5')
    await page.getByLabel('Largest angle, °').press('Enter')
    await expect(page.getByText(/^Good: 1\d pipes/)).toBeVisible()
    // A joint is looked at: on the drawing by arrows, in the table by a tap.
    await page.getByRole('application', { name: /arrows walk/ }).focus()
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
    await expect(page.getByRole('status').filter({ hasText: 'then pipe 3' })).toContainText('towards 3:00')
    await page.getByRole('button', { name: 'Lay it down' }).click()
    await expect(page.getByText('9 joints that nobody has begun move to where the plan has them; 1', { exact: false })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Lay it down now' })).toBeDisabled()
    await page.getByLabel('Why so').fill('the bend wants shorter pipes')
    await page.getByRole('button', { name: 'Lay it down now' }).click()
    await expect(page.getByText(/laid down by Tamsin Orrel, .*: the bend wants shorter pipes/)).toBeVisible()
    for (const [name, kind] of [
      ['Laying sheet (PDF)', '%PDF'],
      ['LandXML', '<?xml'],
    ]) {
      const href = await page.getByRole('link', { name: name! }).getAttribute('href')
      const answer = await page.request.get(href!, { headers: { Referer: page.url() } })
      expect((await answer.body()).subarray(0, 5).toString()).toContain(kind!)
    }
    // The joiner opens a joint, and it says how it is to lie.
    const joints = (await people.joiner.get<MadeLine>(`lines/${line.id}`)).joints
    const joiner = await people.page('joiner')
    await joiner.setViewportSize(size)
    await joiner.goto(`/joints/${joints[1]!.id}`)
    await expect(
      joiner.getByText(/By the plan: \d\.\d\d° towards 3:00, \d+\.\d mm wider at 9:00 · invert \d+\.\d{3} m · laser \+0\.\d\d %/),
    ).toBeVisible()
    await joiner.goto(`/lines/${line.id}/laying`)
    await expect(joiner.getByText('An engineer lays it down for the crew.')).toBeVisible()
  })
}

for (const size of SIZES) {
  test(`a corner gets the bend that is offered, and the joiner is told how it is turned, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const line = await bentLine(people, true)
    const page = await people.page('engineer')
    await page.setViewportSize(size)
    await page.goto(`/lines/${line.id}/laying`)
    await expect(page.getByText(/^Bad: the joint at .* would turn by/)).toBeVisible()
    await page.getByRole('button', { name: /^Bend of 22\.5° at 60\.00 m/ }).click()
    await expect(page.getByText('Good: 17 pipes and 1 bend, 2 cut. The joints turn by 0.75° at most, of 3.15°.')).toBeVisible()
    await expect(page.getByText('it wants a thrust block or locked joints before the test', { exact: false })).toBeVisible()
    // What the maker's sheet says takes the place of what was taken for it; what cannot be is said beside the bends.
    const leg = page.getByLabel(/^Centre to joint: Bend of 22\.5° at 60\.00 m, mm$/)
    await expect(leg).toHaveValue('220')
    await leg.fill('0')
    await leg.press('Enter')
    await expect(page.getByText('Centre to joint, m: 0 is outside 0.02 to 5', { exact: false })).toHaveCount(1)
    await leg.fill('190')
    await leg.press('Enter')
    await page.getByLabel('Corner at, m').fill('30')
    await page.getByRole('button', { name: 'Set bend' }).click()
    await expect(page.getByText('has no corner of the line', { exact: false })).toBeVisible()
    await page.getByRole('button', { name: 'Leave out: Bend of 45° at 30.00 m' }).click()
    await expect(page.getByText('Good: 17 pipes and 1 bend', { exact: false })).toBeVisible()
    await page.getByRole('button', { name: 'Lay it down' }).click()
    await page.getByLabel('Why so').fill('the corner of the drawing')
    await page.getByRole('button', { name: 'Lay it down now' }).click()
    await expect(page.getByText(/laid down by Tamsin Orrel, .*: the corner of the drawing/)).toBeVisible()
    const { joints } = await people.joiner.get<MadeLine>(`lines/${line.id}`)
    const joiner = await people.page('joiner')
    await joiner.setViewportSize(size)
    await joiner.goto(`/joints/${joints[9]!.id}`)
    await expect(joiner.getByText('By the plan: 22.5° bend, turned to 3:00 · 0.75° towards 3:00', { exact: false })).toBeVisible()
  })
}

for (const size of SIZES) {
  test(`where the ground is said, the cover over the pipes is judged and drawn, ${size.width} wide`, async ({ browser }) => {
    const people = await crew(browser)
    const line = await bentLine(people)
    const page = await people.page('engineer')
    await page.setViewportSize(size)
    await page.goto(`/lines/${line.id}/laying`)
    await page.getByRole('button', { name: /pipes of 5\.00 m/ }).click()
    await expect(page.getByText(/^Good: 1\d pipes/)).toBeVisible()
    const table = page.getByLabel('Chainage and level of the ground, m')
    await expect(page.getByLabel('Least cover, m')).toHaveCount(0)
    // A slip is said with its row, and nothing is taken.
    await table.fill('0 22\n30 2l')
    await table.blur()
    await expect(page.getByText('Row 2: "2l" is no number.')).toBeVisible()
    await table.fill('chainage;level\n0;22,0\n30;20,9\n60;22,0')
    await table.blur()
    await expect(page.getByText('Say how much cover is wanted.', { exact: false })).toBeVisible()
    const type = async (label: string, figure: string): Promise<void> => {
      await page.getByLabel(label).fill(figure)
      await page.getByLabel(label).press('Enter')
    }
    await type('Least cover, m', '1.2')
    await expect(page.getByText('Say how well the ground is known.', { exact: false })).toBeVisible()
    await type('Ground known to within, mm', '50')
    await expect(
      page.getByText(/^Bad: Least cover .* at 30\.00 m\. 1\.20 m is wanted over the crown\. Too little from .* to .*\.$/),
    ).toBeVisible()
    await expect(page.getByText('Lay it deeper there, or protect it as the designer says.')).toBeVisible()
    await expect(page.getByText('shaded: 1.20 m of cover under the ground', { exact: false })).toBeVisible()
    await type('Least cover, m', '0.3')
    await expect(page.getByText(/^Good: Least cover /)).toBeVisible()
    // Without it the plan is as it was.
    await table.fill('')
    await table.blur()
    await expect(page.getByText(/Least cover/)).toHaveCount(0)
  })
}

test("levels are read out of a surveyor's file, entered by one tap, and judged", async ({ browser }) => {
  const people = await crew(browser)
  const line = await bentLine(people)
  const known = await keyed(people.engineer)
  const { id } = await people.engineer.post<{ id: string }>(`lines/${line.id}/stretches`, {
    procedure_hash: known.get('as-laid')!.hash,
    name: 'Levels of the bend',
    from_m: 0,
    to_m: 60,
  })
  const at = (m: number): [number, number, number] => [100 * (1 - Math.cos(m / 100)), 100 * Math.sin(m / 100), 20 + 0.004 * m]
  const rows = [0, 6, 12, 18].map((m, i) => at(m).map((x, k) => (k === 2 && i === 2 ? x + 0.03 : x)))
  const file = (heading: string): { name: string; mimeType: string; buffer: Buffer } => ({
    name: 'levels.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([heading, ...rows.map((row) => row.join(',')), '900,900,20'].join('\n')),
  })
  const page = await people.page('joiner')
  await page.goto(`/stretches/${id}?step=levelled`)
  const choose = page.getByLabel("File: a surveyor's file")
  await choose.setInputFiles(file('east,north,level of the crown'))
  await expect(page.getByRole('alert')).toContainText('is no level of the invert')
  await choose.setInputFiles(file('easting,northing,invert'))
  await expect(page.getByText('4 places were read, chainage 0 m to chainage 18 m.')).toBeVisible()
  await expect(page.getByText(/^Line 6 lies \d+(\.\d)? m off the line|^Line 6 lies \d+(\.\d)? m beyond/)).toBeVisible()
  await page.getByRole('button', { name: 'Enter all 4' }).click()
  await expect(page.getByRole('list', { name: 'Entered' }).getByRole('listitem')).toHaveCount(4)
  await expect(page.getByText(/Level off the plan at 12/).first()).toBeVisible()
  // The same file once more: nothing stands there twice.
  await choose.setInputFiles(file('easting,northing,invert'))
  await expect(page.getByText('Nothing to enter.')).toBeVisible()
  await expect(page.getByText('4 more stand there already.')).toBeVisible()
  await page.getByRole('button', { name: 'That is all: 4 entries' }).click()
  await expect(page.getByRole('button', { name: 'That is all: 4 entries' })).toHaveCount(0)
})

test('a whole line is drawn, drawn larger and moved along, with its joints where they are', async ({ browser }) => {
  const people = await crew(browser)
  const line = await bentLine(people)
  const page = await people.page('engineer')
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`/lines/${line.id}/laying`)
  await page.getByLabel('Of it is used, %').fill('100')
  await page.getByLabel('Of it is used, %').press('Enter')
  await expect(page.getByText(/^Close: 11 pipes|^Close: 10 pipes/)).toBeVisible()
  await expect(page.getByText('The whole limit is used: nothing is left for the hand that lays it.')).toBeVisible()
  await expect(page.getByText('0.0 m to 60.0 m')).toBeVisible()
  await page.getByRole('button', { name: 'Larger' }).click()
  await page.getByRole('button', { name: 'Larger' }).click()
  await expect(page.getByText('22.5 m to 37.5 m')).toBeVisible()
  const box = (await page.getByRole('application').boundingBox())!
  await page.mouse.move(box.x + 600, box.y + 250)
  await page.mouse.down()
  await page.mouse.move(box.x + 100, box.y + 250, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByText('22.5 m to 37.5 m')).toHaveCount(0)
  await page.getByRole('button', { name: 'Whole line' }).click()
  await expect(page.getByText('0.0 m to 60.0 m')).toBeVisible()
})
