import { expect, type Locator } from '@playwright/test'
import { test } from './alone'
import { again, atStep, fill, lineByName, present, recordStep, says, sendStep, sign, signIn } from './people'

test('a wrong entry at each kind of step is said in one sentence and nothing is stored', async ({ page }) => {
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = line.joints.find((j) => j.number === '40')!
  const facts = async (): Promise<number> =>
    (
      (await (await page.request.get(`/api/v1/subjects/joint/${joint.id}`, { headers: { Referer: page.url() } })).json()) as {
        facts: unknown[]
      }
    ).facts.length
  await page.goto(`/joints/${joint.id}?step=conditions`)
  await fill(
    page,
    { Air: '140', 'Humidity, %': '120', Pipe: '13', Fitting: '14', Wind: '2' },
    { 'Under a shelter': 'No', 'Rain or snow': 'No' },
  )
  await recordStep(page)
  await expect(page.getByRole('alert').first()).toHaveText('Air: 140 °C is outside -40 to 55 °C.')
  await expect(page.getByText('Humidity, %: 120 is outside 1 to 100')).toBeVisible()
  await fill(page, { Air: '1 2', 'Humidity, %': '60' })
  await recordStep(page)
  await page.getByRole('button', { name: /1 refused/ }).click()
  await expect(page.getByText('that looks like two numbers')).toBeVisible()
  await page.getByRole('button', { name: 'Drop it' }).click()
  await page.getByRole('button', { name: /^Drop “.*Weather and temperatures” for good$/ }).click()
  // Behind a sheet nothing is heard of the page: first it closes.
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /refused/ })).toHaveCount(0)
  await page.goto(`/joints/${line.joints.find((j) => j.number === '36')!.id}?step=ovality@a`)
  await page.locator('form input').first().fill('9')
  await page.locator('form input').first().press('Enter')
  await expect(page.getByRole('alert')).toContainText('9 mm is outside 16 to 1700 mm')
  await page.goto(`/joints/${joint.id}?step=code`)
  await page.getByLabel('24 digits').fill('010000110395160210150023')
  await recordStep(page)
  await expect(page.getByText('its check digit would be 2').filter({ visible: true }).first()).toBeVisible()
  expect(await facts()).toBe(1) // a code that does not fit is what was scanned: kept, and judged open
  // Something out of the stores that is not chosen; an answer that is not given.
  await page.goto(`/joints/${joint.id}?step=kit`)
  await recordStep(page)
  await expect(page.getByText('Fusion box is missing.')).toBeVisible()
  await page.goto(`/joints/${joint.id}?step=conditions`)
  // One tap answers what is asked, and no figure.
  await fill(page, { Air: '12', 'Humidity, %': '', Pipe: '13', Fitting: '14', Wind: '2' })
  await page.getByLabel('Under a shelter: No', { exact: true }).locator('xpath=..').click()
  await page.getByRole('button', { name: 'All as it should be' }).click()
  await expect(page.getByText('Humidity, % is missing.')).toBeVisible()
  await page.goto(`/joints/${joint.id}?step=fusion`)
  await expect(page.getByText(/comes first|must be good first/)).toBeVisible()
  await page.goto(`/joints/${joint.id}?step=accept`)
  await expect(page.getByText(/comes first|must be good first/)).toBeVisible()
  expect(await facts()).toBe(1)
})

test('on a small phone the figure at hand and what is wrong with it stand above the pad', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 640 })
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.goto(`/joints/${line.joints.find((j) => j.number === '43')!.id}?step=conditions`)
  const figures: [label: string, value: string][] = [
    ['Air', '14'],
    ['Humidity, %', '60'],
    ['Pipe', '130'],
    ['Fitting', '14'],
    ['Wind', '2'],
  ]
  const overPad = async (what: Locator): Promise<void> => {
    const [figure, pad] = [(await what.boundingBox())!, (await page.getByRole('group', { name: 'Number pad' }).boundingBox())!]
    expect(figure.y, String(what)).toBeGreaterThanOrEqual(0)
    expect(figure.y + figure.height, String(what)).toBeLessThanOrEqual(pad.y)
    // It stands at the foot of the phone, whatever has come or gone above it: a key that moves between two taps is another key.
    expect(pad.y + pad.height).toBeGreaterThan(page.viewportSize()!.height - 16)
  }
  await page.getByLabel(figures[0]![0]).first().focus()
  for (const [label, value] of figures) {
    const figure = page.getByLabel(label).first()
    await expect(figure).toBeFocused()
    for (const digit of value) await page.getByRole('button', { name: digit, exact: true }).click()
    await expect(figure).toHaveValue(value)
    await overPad(figure)
    await page.keyboard.press('Enter')
    if (label !== 'Pipe') continue
    // What cannot be is said at once, and the next figure typed takes its place.
    await expect(figure).toBeFocused()
    await overPad(figure)
    await overPad(page.getByRole('alert').first())
    for (const digit of '13') {
      await page.getByRole('button', { name: digit, exact: true }).click()
      await overPad(figure)
    }
    await expect(figure).toHaveValue('13')
    await expect(page.getByRole('alert')).toHaveCount(0)
    await page.keyboard.press('Enter')
  }
  for (const question of ['Under a shelter', 'Rain or snow'])
    await page.getByLabel(`${question}: No`, { exact: true }).locator('xpath=..').click()
  await expect(page.locator('form').getByRole('button', { name: 'Record', exact: true })).toBeVisible()
  // A round too, with a wrong figure in it, at both sizes of a phone.
  for (const [width, height] of [
    [360, 640],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height })
    await page.goto(`/joints/${line.joints.find((j) => j.number === '36')!.id}?step=ovality@a`)
    const reading = page.getByRole('textbox', { name: /^Diameter across/ })
    await overPad(reading)
    await reading.fill('9')
    await page.getByRole('button', { name: 'Next ↻' }).click()
    await overPad(page.getByRole('alert').first())
    await overPad(reading)
  }
})

test('on a tablet that is touched the pad stays where it is while a refusal comes and goes', async ({ browser }) => {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    hasTouch: true,
    timezoneId: 'Europe/Vienna',
    locale: 'en-GB',
  })
  const page = await context.newPage()
  await signIn(page, 'bram')
  expect(await page.evaluate(() => matchMedia('(pointer: coarse)').matches), 'it is touched').toBe(true)
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.goto(`/joints/${line.joints.find((j) => j.number === '43')!.id}?step=conditions`)
  const pad = page.getByRole('group', { name: 'Number pad' })
  const air = page.getByLabel('Air').first()
  await air.fill('140')
  const foot = async (): Promise<number> => {
    const { y, height } = (await pad.boundingBox())!
    return Math.round(y + height)
  }
  const stands = await foot()
  expect(stands).toBeGreaterThan(800 - 16)
  await pad.getByRole('button', { name: 'Next', exact: true }).tap()
  await says(page, /^Air: 140 /)
  expect(await foot()).toBe(stands)
  await pad.getByRole('button', { name: '1', exact: true }).tap()
  await expect(page.getByRole('alert')).toHaveCount(0)
  expect(await foot()).toBe(stands)
  await expect(air).toHaveValue('1')
  // Beside a round too.
  await page.goto(`/joints/${line.joints.find((j) => j.number === '36')!.id}?step=ovality@a`)
  await pad.getByRole('button', { name: 'Next ↻' }).tap()
  await says(page, 'Diameter is missing.')
  expect(await foot()).toBe(stands)
  await pad.getByRole('button', { name: '5', exact: true }).tap()
  await expect(page.getByRole('alert')).toHaveCount(0)
  expect(await foot()).toBe(stands)
})

test('what begins a test stays where it is when the rest of its page is long in coming', async ({ page }) => {
  await signIn(page, 'tamsin')
  const line = await lineByName(page.request, 'Tansy Row main')
  await page.route('**/api/v1/procedures/*', async (route) => {
    await page.waitForTimeout(700)
    await route.continue()
  })
  await page.goto(`/sections/${line.sections[0]!.id}`)
  const begin = page.getByRole('button', { name: /^Begin/ })
  await expect(begin).toBeVisible()
  const { y } = (await begin.boundingBox())!
  await says(page, /^Bring: pump/)
  await page.waitForLoadState('networkidle')
  expect((await begin.boundingBox())!.y).toBe(y)
})

test('what is typed and not recorded outlives a reload and the way back, until it is begun anew', async ({ page }) => {
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.goto(`/joints/${line.joints.find((j) => j.number === '36')!.id}?step=ovality@a`)
  const reading = page.getByRole('textbox', { name: /^Diameter across/ })
  await reading.fill('225.4')
  await page.getByRole('button', { name: 'Next ↻' }).click()
  await reading.fill('22')
  await page.reload()
  // The reading that was broken off stands there, and the place at which it was taken.
  await says(page, /^Typed \d+ \w+, \d\d:\d\d, and not recorded yet\./)
  await says(page, '2 of 4 read')
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await says(page, '0 of 4 read')
  await page.reload()
  await says(page, '0 of 4 read')
  await expect(page.getByText('not recorded yet')).toHaveCount(0)
})

test('a figure that cannot well be is asked about, with the likely one beside it', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = (number: string): string => `/joints/${line.joints.find((j) => j.number === number)!.id}`
  await page.goto(`${joint('36')}?step=ovality@a`)
  const reading = page.getByRole('textbox', { name: /^Diameter across/ })
  const next = page.getByRole('button', { name: 'Next ↻' })
  await test.step('digits that are known stand there already: two taps make 225.4', async () => {
    const key = (name: string): Promise<void> => page.getByRole('button', { name, exact: true }).click()
    await expect(reading).toHaveAttribute('placeholder', '22')
    await key('5')
    await key('4')
    await expect(reading).toHaveValue('225.4')
    await key('Delete last figure')
    await key('Delete last figure')
    await expect(reading).toHaveValue('')
    await key('not 22')
    await key('1')
    await expect(reading).toHaveValue('1')
    await reading.fill('')
  })
  await test.step('round the pipe instead of across: the diameter is one tap away', async () => {
    await reading.fill('706.9')
    await next.click()
    await expect(page.getByRole('dialog', { name: /^Diameter across 12:00, pipe \d+: is it really 706\.9 mm\?$/ })).toBeVisible()
    await says(page, /^Usual here is 209\.3 to 240\.8 mm\.$/)
    await page.getByRole('button', { name: 'It is 225 mm: it was read round the pipe' }).click()
    await says(page, '1 of 4 read')
  })
  await test.step('what is so is kept as it was typed', async () => {
    await reading.fill('205.2')
    await next.click()
    await page.getByRole('button', { name: '205.2 mm is right' }).click()
    await says(page, '2 of 4 read')
  })
  await test.step('closed, it is typed again', async () => {
    await reading.fill('22.51')
    await next.click()
    await expect(page.getByRole('button', { name: 'It is 225.1 mm: it was typed in cm' })).toBeVisible()
    await page.getByRole('dialog').getByRole('button', { name: 'Type it again' }).click()
    await says(page, '3 of 4 read')
    await expect(reading).toHaveValue('22.51')
  })
  await test.step('a pipe of 64 °C in the list of the weather', async () => {
    await page.goto(`${joint('43')}?step=conditions`)
    await fill(
      page,
      { Air: '14', 'Humidity, %': '60', Pipe: '64', Fitting: '14', Wind: '2' },
      { 'Under a shelter': 'No', 'Rain or snow': 'No' },
    )
    await recordStep(page)
    await expect(page.getByRole('dialog', { name: 'Pipe: is it really 64 °C?' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'It is 17.78 °C: it was typed in °F' })).toBeVisible()
    await expect(page.getByRole('button', { name: '64 °C is right' })).toBeVisible()
  })
})

test('a PVC joint is made on the same pages', async ({ page }) => {
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Osier Row branch')
  await page.goto(`/lines/${line.id}`)
  await page.getByRole('button', { name: 'Begin joint 4' }).click()
  await atStep(page, 'The two pipes')
  await recordStep(page)
  await atStep(page, 'Squareness of the cut')
  for (const value of ['0', '0.5', '1.2', '0.6']) {
    const input = page.locator('form input').first()
    await expect(input).toHaveValue('')
    await input.fill(value)
    await input.press('Enter')
  }
  await atStep(page, 'Chamfer')
  await fill(page, { 'Length along the pipe': '40' })
  await recordStep(page)
  await expect(page.getByText('Bad: 40 mm is too long: too little edge is left.').filter({ visible: true })).toBeVisible()
  await page.getByRole('button', { name: 'Measure again' }).click()
  await page.getByLabel('Why does the earlier entry not count?').fill('cut off and chamfered anew')
  await fill(page, { 'Length along the pipe': '14' })
  await recordStep(page)
  await atStep(page, 'Witness mark')
})

test('by keyboard alone: sign in, walk the string, open a joint, record a step, change units', async ({ page }) => {
  await page.goto('/sign-in')
  await expect(page.getByLabel('E-mail')).toBeFocused()
  await page.keyboard.type('ruben@diastoma.example')
  await page.keyboard.press('Tab')
  await page.keyboard.type('clay-and-chalk')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = line.joints.find((j) => j.number === '44')!
  await page.goto(`/lines/${line.id}`)
  await expect(page.getByRole('heading', { name: 'Next at the face' })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByLabel('Number of a joint or a pipe')).toBeFocused()
  await page.keyboard.type('43')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /Joint 43/ })).toBeVisible()
  await page.locator('body').press('ArrowRight')
  await expect(page).toHaveURL(new RegExp(joint.id))
  await expect(page.getByRole('heading', { name: /Joint 44/ })).toBeVisible()
  await atStep(page, 'Card, box and tools')
  await page.getByRole('button', { name: /Weather and temperatures/ }).focus()
  await page.keyboard.press('Enter')
  const air = page.getByLabel('Air', { exact: false }).first()
  for (let i = 0; i < 40 && !(await air.evaluate((e) => e === document.activeElement)); i++) await page.keyboard.press('Tab')
  for (const figure of ['14', '60', '13', '14', '2']) {
    await page.keyboard.type(figure)
    await page.keyboard.press('Tab')
  }
  await page.keyboard.press('ArrowRight') // shelter: no
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowRight') // rain: no
  await page.keyboard.press('Enter')
  // What comes first and is still open is at hand again.
  await atStep(page, 'Card, box and tools')
  await expect(page.getByRole('button', { name: /Weather and temperatures/ })).toContainText('14.0 °C')
  await page.locator('body').press('Escape')
  await expect(page.getByRole('heading', { name: 'Kelder Lane main', level: 1 })).toBeVisible()
  await page.locator('body').press('u')
  await expect(page.getByText('in psi · Ruben Castell')).toBeVisible()
  await page.locator('body').press('u')
  await expect(page.getByText('mm kPa · Ruben Castell')).toBeVisible()
})

test('an inspector refuses with a reason, and signs when it is put right', async ({ page }) => {
  await signIn(page, 'ruben')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = `/joints/${line.joints.find((j) => j.number === '32')!.id}`
  await page.goto(`${joint}?step=look`)
  await again(page, 'looked at once more in daylight')
  await sendStep(page)
  await page.goto(joint)
  await atStep(page, 'Hold point: accept the joint')
  // Who signs sees what was entered again, and why.
  await says(page, /^1 entry was replaced\.$/)
  await says(page, /^Entered again by Ruben Castell: looked at once more in daylight$/)
  await page.getByRole('button', { name: 'Refuse to sign' }).click()
  await expect(page.getByRole('button', { name: 'Record the refusal' })).toBeDisabled()
  await page.getByLabel('Reason').fill('the joint number is not written on the pipe')
  await page.getByRole('button', { name: 'Record the refusal' }).click()
  await expect(
    page.getByText('Bad: Ruben Castell refused to sign: the joint number is not written on the pipe.').filter({ visible: true }).first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Decide again' }).click()
  await page.getByLabel('Why does the earlier entry not count?').fill('written and seen')
  // One tap asks, and does not sign.
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await expect(page.getByText('is signed and sealed')).toHaveCount(0)
  await sign(page)
  await expect(page.getByText('Joint 32 is signed and sealed; it can only be cut out.')).toBeVisible()
})

test('a line of 3,000 joints: only what is in view is drawn, and one walks along it', async ({ page }) => {
  await signIn(page, 'tamsin')
  const headers = {
    Referer: page.url(),
    Accept: 'application/json',
    'X-XSRF-TOKEN': decodeURIComponent((await page.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value),
  }
  const procedures = (await (await page.request.get('/api/v1/procedures', { headers })).json()) as { hash: string; key: string }[]
  const me = (await (await page.request.get('/api/v1/me', { headers })).json()) as { projects: { id: number }[] }
  const name = 'The long one with a name that is much longer than anybody would think of giving to a line, section east'
  const made = await page.request.post('/api/v1/lines', {
    headers,
    data: {
      project_id: me.projects[0]!.id,
      name,
      service: 'sewer',
      material: 'PVC-U',
      dn_mm: 160,
      sdr: 21,
      design_bar: 6,
      mdp_bar: 8,
      pipe_length_m: 6,
      procedure_hash: procedures.find((p) => p.key === 'pvc-spigot-socket')!.hash,
      centre_line: [
        [0, 0, 0, 10],
        [18006, 18006, 0, 30],
      ],
      sections: [],
    },
  })
  const line = (await made.json()) as { id: string; joints: { id: string; number: string }[] }
  expect(line.joints).toHaveLength(3000)
  await page.goto(`/lines/${line.id}`)
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Joint 1, planned' })).toBeVisible()
  expect(await page.getByRole('link', { name: /^Joint \d+, planned$/ }).count()).toBeLessThan(120)
  await page.keyboard.press('/')
  await page.keyboard.type('2345')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /Joint 2345/ })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Joint 2345, planned' })).toBeInViewport()
  await page.locator('body').press('ArrowRight')
  await expect(page.getByRole('heading', { name: /Joint 2346/ })).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/lines/${line.id}`)
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible()
  // A long name wraps; it does not push the page wider than the phone.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('a page that breaks says so in a sentence and leads back; the others go on', async ({ browser }) => {
  const page = await present(browser, 'bram')
  await page.goto('/')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.route(`**/api/v1/lines/${line.id}`, (route) => route.fulfill({ json: { id: line.id, name: line.name } }))
  await page.goto(`/lines/${line.id}`)
  await expect(page.getByRole('heading', { level: 1, name: 'This page broke' })).toBeVisible()
  await expect(page.getByRole('alert')).toContainText('What is recorded on this device is kept')
  await page.unroute(`**/api/v1/lines/${line.id}`)
  await page.getByRole('link', { name: '← Lines' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Lines' })).toBeVisible()
  await page.goto(`/lines/${line.id}`)
  await expect(page.getByRole('heading', { level: 1, name: line.name })).toBeVisible()
})
