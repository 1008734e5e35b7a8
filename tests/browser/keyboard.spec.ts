import { expect, type Browser, type Locator, type Page } from '@playwright/test'
import { test } from './alone'
import { atStep, lineByName, PASSWORD, type Who } from './people'
import { later, whenCold } from './section'

/**
 * Presses Tab until the focus is there, back or on as it lies: what cannot be reached so cannot be used without a mouse. Of
 * several, such as the answers to a question, one is enough.
 */
async function tabTo(page: Page, target: Locator, most = 140): Promise<void> {
  await expect(target.first()).toBeAttached()
  const where = (): Promise<'there' | 'before' | 'after'> =>
    target.evaluateAll((all) => {
      const at = document.activeElement
      if (at && all.includes(at as HTMLElement)) return 'there'
      return at && at !== document.body && all[0]!.compareDocumentPosition(at) & Node.DOCUMENT_POSITION_FOLLOWING ? 'before' : 'after'
    })
  for (let i = 0; i < most; i++) {
    const found = await where()
    if (found === 'there') return
    await page.keyboard.press(found === 'before' ? 'Shift+Tab' : 'Tab')
  }
  throw new Error(`Not reached by the keyboard: ${String(target)}`)
}

async function press(page: Page, name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> {
  const wanted = page.getByRole(role, { name, exact: typeof name === 'string' }).first()
  await tabTo(page, wanted)
  // What has come into view is known a moment later; before, the button answers nothing and says so.
  await expect(wanted).not.toHaveAttribute('aria-disabled', 'true')
  await page.keyboard.press('Enter')
}

async function type(page: Page, label: string | RegExp, text: string): Promise<void> {
  await tabTo(page, page.getByRole('textbox', { name: label }).first())
  await page.keyboard.press('Control+A')
  await page.keyboard.type(text)
}

/** Opens a select and walks down its options. */
async function choose(page: Page, label: string, option: RegExp): Promise<void> {
  await tabTo(page, page.getByRole('combobox', { name: label }).first())
  await page.keyboard.press('Enter')
  // What is offered depends on the pipe that was typed a moment ago: its answer may still be on the way.
  await expect(page.getByRole('listbox').getByRole('option', { name: option, disabled: false }).first()).toBeVisible()
  for (let i = 0; i < 40; i++) {
    if (option.test((await page.evaluate(() => document.activeElement?.textContent)) ?? '')) return page.keyboard.press('Enter')
    await page.keyboard.press('ArrowDown')
  }
  throw new Error(`No option ${String(option)}`)
}

/** Out of the stores: the list opens under the focus. */
async function take(page: Page, label: string, thing: RegExp): Promise<void> {
  await press(page, new RegExp(`^${label}: `))
  const item = page.getByRole('dialog').getByRole('button', { name: thing })
  await tabTo(page, item)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

async function answer(page: Page, question: string, word: 'Yes' | 'No'): Promise<void> {
  const radio = (said: 'Yes' | 'No'): Locator => page.getByRole('radio', { name: `${question}: ${said}`, exact: true })
  await tabTo(page, radio('Yes').or(radio('No')))
  // The browser goes back to the answer at which one was last; the arrows lead to the other.
  const isThere = await radio(word).evaluate((e) => e === document.activeElement)
  await page.keyboard.press(isThere ? 'Space' : 'ArrowRight')
  await expect(radio(word)).toBeChecked()
}

async function figures(
  page: Page,
  step: string | RegExp,
  values: Record<string, string>,
  answers: Record<string, 'Yes' | 'No'> = {},
): Promise<void> {
  await atStep(page, step)
  for (const [label, value] of Object.entries(values)) await type(page, new RegExp(`^${label}`), value)
  for (const [question, word] of Object.entries(answers)) await answer(page, question, word)
  const before = await page.locator('#step-title').textContent()
  // Questions that are left are answered by the one button at the foot; Enter in a figure answers none.
  const end = page.locator('form').getByRole('button', { name: /^(All as it should be|The rest as it should be|Read on)$/ })
  await page.waitForTimeout(300)
  if (!(await end.isVisible())) await page.keyboard.press('Enter')
  else
    for (let isMore = true; isMore;) {
      await tabTo(page, end)
      // What has come into view is known a moment later, and the button says so.
      await expect(end).not.toHaveAttribute('aria-disabled', 'true')
      isMore = (await end.textContent()) === 'Read on'
      await page.keyboard.press('Enter')
    }
  const asked = page.getByRole('dialog').getByRole('button', { name: / is right$/ })
  await expect(asked.or(page.locator('#step-title').filter({ hasNotText: before! })).first()).toBeVisible()
  if (await asked.count()) {
    await tabTo(page, asked)
    await page.keyboard.press('Enter')
  }
  await expect(page.locator('#step-title')).not.toHaveText(before!)
}

/** One figure at both pipe ends, by their labels. */
const bothEnds = (label: string, value: string): Record<string, string> => ({
  [`${label}, pipe 001`]: value,
  [`${label}, pipe 002`]: value,
})

/** The first position has the focus; each figure lights up the next. */
async function round(page: Page, step: string | RegExp, values: string[]): Promise<void> {
  await atStep(page, step)
  const before = await page.locator('#step-title').textContent()
  await tabTo(page, page.locator('form input').first())
  for (const [i, value] of values.entries()) {
    await page.keyboard.type(value)
    await page.keyboard.press(i === values.length - 1 ? 'Enter' : 'Tab')
  }
  await expect(page.locator('#step-title')).not.toHaveText(before!)
}

async function atDesk(browser: Browser, who: Who): Promise<Page> {
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, timezoneId: 'Europe/Vienna', locale: 'en-GB' })
  ).newPage()
  await page.goto('/sign-in')
  await expect(page.getByLabel('E-mail')).toBeFocused()
  await page.keyboard.type(`${who}@diastoma.example`)
  await page.keyboard.press('Tab')
  await page.keyboard.type(PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
  return page
}

/** Opens a joint of the line by its number, with `/`. */
async function find(page: Page, line: string, number: string): Promise<void> {
  await press(page, line, 'link')
  await expect(page.getByRole('heading', { name: line, level: 1 })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByLabel('Number of a joint or a pipe')).toBeFocused()
  await page.keyboard.type(number)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: new RegExp(`Joint ${number}`) })).toBeVisible()
}

/** No mouse from the empty line to the signed test. The device's clock goes on by the cooling minute. */
test('the whole job by the keyboard alone', async ({ browser }) => {
  const name = 'Cooper Fold spur'
  const engineer = await atDesk(browser, 'tamsin')
  await test.step('a line', async () => {
    await press(engineer, 'Make a line')
    await expect(engineer.getByRole('heading', { name: 'Make a line', level: 1 })).toBeVisible()
    await type(engineer, 'Name', name)
    await type(engineer, 'Diameter, mm', '110')
    await choose(engineer, 'Procedure for the joints', /one-pass peel/)
    await type(engineer, /^Centre line/, '0; 0; 0; 50')
    await engineer.keyboard.press('Enter')
    await engineer.keyboard.type('24; 24; 0; 50.4')
    await type(engineer, 'From, m', '0')
    await type(engineer, 'To, m', '24')
    await choose(engineer, 'Test method', /Pressure decay/)
    await press(engineer, 'Make the line')
    await expect(engineer.getByRole('heading', { name, level: 1 })).toBeVisible()
  })
  const joiner = await atDesk(browser, 'bram')
  await test.step('a joint', async () => {
    await find(joiner, name, '1')
    await atStep(joiner, 'Card, box and tools')
    await take(joiner, 'Fusion box', /^.*Box 2/)
    await take(joiner, 'Peeling tool', /Turning peeler 3/)
    await take(joiner, 'Solvent', /Isopropanol 99 %/)
    await press(joiner, 'Record')
    await atStep(joiner, 'Weather and temperatures')
    // Digits typed anywhere go to the first figure.
    await joiner.keyboard.type('14')
    await expect(joiner.getByRole('textbox', { name: /^Air/ })).toHaveValue('14')
    await figures(
      joiner,
      'Weather and temperatures',
      { 'Humidity, %': '60', Pipe: '13', Fitting: '14', Wind: '2' },
      { 'Under a shelter': 'No', 'Rain or snow': 'No' },
    )
    await atStep(joiner, 'The two pipes')
    await press(joiner, 'Record')
    await atStep(joiner, 'Bar code of the fitting')
    await take(joiner, 'What its digits mean', /Practice layout/)
    await type(joiner, '24 digits', '010000110395160210150022')
    // The first goes on to the serial number, as a scanner would.
    await joiner.keyboard.press('Enter')
    await joiner.keyboard.press('Enter')
    await figures(joiner, 'Label of the fitting', {
      Size: '110',
      Voltage: '39.5',
      'Fusion time': '150',
      // So short that it is asked about.
      'Cooling time': '1',
      'SDR from': '11',
      'SDR to': '17',
      'Length of the coupling': '160',
      'Largest gap round the pipe': '0.7',
    })
    await atStep(joiner, 'Power for this fitting')
    await take(joiner, 'Generator or mains', /Generator 5 kVA/)
    await press(joiner, 'All as it should be')
    await figures(joiner, 'Cut and washed, both ends', {})
    await figures(joiner, 'Diameter by tape, both ends', {
      ...bothEnds('Outside diameter by tape, where the fitting will sit, mm', '110.15'),
      ...bothEnds('At the very end, mm', '109.8'),
    })
    const across = ['110.3', '110.2', '110.1', '110.2']
    await round(joiner, 'Out of round, both ends', [...across, ...across])
    await figures(joiner, 'Peel, both ends', bothEnds('Diameter by tape after peeling, mm', '109.6'))
    await figures(joiner, 'Insertion mark, both ends', bothEnds('Mark from the end, mm', '80'))
    await figures(joiner, 'Wipe and assemble', {}, { 'No stress in the joint': 'Yes' })
    await round(joiner, 'Gap round the coupling', ['0.6', '0.4', '0.2', '0.4'])
    await figures(joiner, 'Before power', {})
    await atStep(joiner, 'Fusion')
    await choose(joiner, 'Speed', /100 times/)
    await press(joiner, 'Fuse')
    await atStep(joiner, 'Cooling in the clamp')
    await expect(joiner.getByRole('timer')).toBeVisible()
    await joiner.clock.setSystemTime(Date.now() + 75_000)
    await expect(joiner.getByText('The clamps may come off.')).toBeVisible()
    await press(joiner, 'Clamps taken off now')
    await figures(joiner, 'Look at the finished joint', {}, { 'Melt indicators up': 'Yes' })
    await atStep(joiner, 'Hold point: accept the joint')
  })
  const inspector = await atDesk(browser, 'ruben')
  await test.step('a signature', async () => {
    await find(inspector, name, '1')
    await press(inspector, 'Sign')
    // The field for the password has the keyboard; Enter signs.
    await inspector.keyboard.type(PASSWORD)
    await inspector.keyboard.press('Enter')
    await expect(inspector.getByText('is signed and sealed')).toBeVisible()
  })
  await test.step('a test', async () => {
    await engineer.reload()
    await press(engineer, 'Section 1', 'link')
    await expect(engineer.getByText('Good: its joint is accepted.')).toBeVisible()
    await press(engineer, 'Begin the test')
    await atStep(engineer, 'Gauge and logger')
    await take(engineer, 'Gauge', /^.*Gauge G-114/)
    await take(engineer, 'Logger', /^.*Logger L-27/)
    await press(engineer, 'Record')
    await figures(
      engineer,
      'Before pressure',
      {},
      {
        'Ends, bends and closures carry the thrust': 'Yes',
        'Valves inside open, weaker parts isolated, no open way to a live main': 'Yes',
        'Exclusion zone marked, relief valve set': 'Yes',
      },
    )
    await figures(
      engineer,
      'Filling',
      { 'Temperature of the water': '12' },
      { 'Filled from the low end until no air came at the vents': 'Yes' },
    )
    await atStep(engineer, 'Raise, hold, log')
    await whenCold(engineer)
    await press(engineer, 'Start pump and logger')
    await expect(engineer.locator('#step-title')).toHaveText('Phases of the log', { timeout: 180_000 })
    await press(engineer, 'Record')
    await figures(engineer, 'Walk the line', {}, { 'Leak or weeping seen': 'No' })
    await atStep(engineer, 'Engineer signs the verdict')
    await press(engineer, 'Sign')
    await press(engineer, /^Sign as /)
    await atStep(engineer, 'Inspector signs the verdict')
    await later(inspector)
    const section = (await lineByName(engineer.request, name)).sections[0]!
    await inspector.keyboard.press('Escape')
    await expect(inspector.getByRole('heading', { name, level: 1 })).toBeVisible()
    await press(inspector, 'Section 1', 'link')
    await press(inspector, 'Test 1', 'link')
    await press(inspector, 'Sign')
    // The field for the password has the keyboard; Enter signs.
    await inspector.keyboard.type(PASSWORD)
    await inspector.keyboard.press('Enter')
    await expect(inspector.getByText('is signed and sealed')).toBeVisible()
    await expect(inspector.getByText('Good: every limit is met.')).toBeVisible()
    expect(section.tests).toHaveLength(1)
  })
  await test.step('what is handed over', async () => {
    const answer = inspector.context().waitForEvent('response', (r) => r.url().endsWith('pack.pdf'))
    await press(inspector, 'Test pack (PDF)', 'link')
    expect((await answer).headers()['content-type']).toBe('application/pdf')
    await inspector.bringToFront()
    await inspector.keyboard.press('Escape')
    await expect(inspector.getByRole('heading', { name: /^Section 1, 0 m/, level: 1 })).toBeVisible()
    await inspector.keyboard.press('Escape')
    await expect(inspector.getByRole('heading', { name, level: 1 })).toBeVisible()
    await press(inspector, 'Register and exports', 'link')
    await expect(inspector.getByText('1 of 1 joint. The chain of seals is unbroken.')).toBeVisible()
    const csv = inspector.waitForEvent('download')
    await press(inspector, 'CSV', 'link')
    expect((await csv).suggestedFilename()).toBe('Cooper-Fold-spur-register.csv')
  })
  await test.step('a bad joint is cut out', async () => {
    await engineer.goto('/')
    await find(engineer, 'Kelder Lane main', '33')
    await press(engineer, 'Cut joint 33 out')
    await type(engineer, 'Why', 'turns of the winding touched')
    await press(engineer, 'Cut it out')
    await expect(engineer.getByRole('heading', { name: /Joint 33A/ })).toBeVisible()
  })
})
