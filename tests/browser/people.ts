import { expect, type APIRequestContext, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test'

export type Who = 'tamsin' | 'odile' | 'bram' | 'ruben'

/** Of everybody in the demo. */
export const PASSWORD = 'clay-and-chalk'

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>
const sessions = new Map<string, Cookies>()
const headers = { Accept: 'application/json' }

/** The server that the tests look at. */
export const BASE = process.env['BASE_URL'] ?? 'http://127.0.0.1:8080'

/** Signs in through the page; who has done so before, on this server, brings the session along, as a browser would. */
export async function signIn(page: Page, who: Who, base = BASE): Promise<void> {
  const key = `${who} ${base}`
  const known = sessions.get(key)
  if (known) {
    await page.context().addCookies(known)
    await page.goto('/')
  } else {
    await page.goto('/sign-in')
    await page.getByLabel('E-mail').fill(`${who}@diastoma.example`)
    await page.getByLabel('Password').fill(PASSWORD)
    await page.getByRole('button', { name: 'Sign in' }).click()
  }
  await expect(page.getByRole('heading', { name: 'Lines', level: 1 })).toBeVisible()
  if (!known) sessions.set(key, await page.context().cookies())
}

export async function someone(browser: Browser, who: Who, size: [number, number] = [1280, 800]): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: size[0], height: size[1] }, timezoneId: 'Europe/Vienna', locale: 'en-GB' })
  const page = await context.newPage()
  await signIn(page, who)
  return page
}

/** Somebody with a page of their own that has gone nowhere yet. */
export async function present(browser: Browser, who: Who, size?: [number, number]): Promise<Page> {
  return (await deviceOf(browser, who, size)).newPage()
}

/**
 * The device of somebody, no page on it yet; signed in as a device is, without the page. Nothing is kept on the device: what is kept
 * there, and judged there, has tests of its own.
 */
export async function deviceOf(browser: Browser, who: Who, size: [number, number] = [390, 844]): Promise<BrowserContext> {
  const context = await browser.newContext({
    viewport: { width: size[0], height: size[1] },
    timezoneId: 'Europe/Vienna',
    locale: 'en-GB',
    serviceWorkers: 'block',
  })
  const known = sessions.get(`${who} by hand`)
  if (known) {
    await context.addCookies(known)
    return context
  }
  await context.request.get(`${BASE}/sanctum/csrf-cookie`, { headers: { ...headers, Referer: BASE } })
  const token = decodeURIComponent((await context.cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value)
  const answer = await context.request.post(`${BASE}/api/v1/session`, {
    headers: { ...headers, Referer: BASE, 'X-XSRF-TOKEN': token },
    data: { email: `${who}@diastoma.example`, password: PASSWORD },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
  sessions.set(`${who} by hand`, await context.cookies())
  return context
}

interface Joint {
  id: string
  number: string
  state: string
  verdict: string
}
interface Line {
  id: string
  name: string
  joints: Joint[]
  sections: { id: string; name: string; tests: { id: string; state: string; verdict: string }[] }[]
}

export async function lineByName(request: APIRequestContext, name: string): Promise<Line> {
  const get = async <T>(path: string): Promise<T> =>
    (await (await request.get(`/api/v1/${path}`, { headers: { ...headers, Referer: BASE } })).json()) as T
  const { id } = (await get<{ id: string; name: string }[]>('lines')).find((l) => l.name === name)!
  return get<Line>(`lines/${id}`)
}

/** Types into the figures of a step by their labels and answers its yes and no. */
export async function fill(page: Page, figures: Record<string, string>, answers: Record<string, 'Yes' | 'No'> = {}): Promise<void> {
  for (const [label, value] of Object.entries(figures)) {
    const figure = page.getByLabel(label, { exact: false }).first()
    const folded = page.getByRole('button', { name: new RegExp(`^If known: .*${label.toLowerCase()}`) })
    await expect(figure.or(folded).first()).toBeVisible()
    if (!(await figure.isVisible())) await folded.click()
    await figure.fill(value)
  }
  for (const [label, value] of Object.entries(answers))
    await page.getByLabel(`${label}: ${value}`, { exact: true }).locator('xpath=..').click()
}

/** Takes something out of the stores, unless it is offered already. */
export async function fromStores(page: Page, label: string, name: string): Promise<void> {
  const button = page.getByRole('button', { name: new RegExp(`^${label}: `) })
  await expect(button).toBeVisible()
  if ((await button.getAttribute('aria-label')) === `${label}: ${name}`) return
  await button.click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(name.replace(/[()]/g, '.')) })
    .click()
  await expect(page.getByRole('button', { name: `${label}: ${name}` })).toBeVisible()
}

/**
 * Taps what ends a step, and tells what it said in that moment: a page that moves under the tap asks to read on instead.
 * Before it is calm it answers nothing: as much as to read on.
 */
export async function tapEnd(end: Locator): Promise<string> {
  await end.click({ trial: true })
  return end.evaluate((button: HTMLButtonElement) => {
    const said = button.getAttribute('aria-disabled') === 'true' ? 'Read on' : (button.textContent ?? '')
    button.click()
    return said
  })
}

/** Ends a step: questions that are left are answered as a sound joint answers them, those below once they were looked at. */
export async function recordStep(page: Page): Promise<void> {
  const end = page.locator('form').getByRole('button', { name: /^(Record|All as it should be|The rest as it should be|Read on)$/ })
  const title = page.locator('#step-title')
  const before = (await title.textContent()) ?? ''
  await expect(async () => {
    if ((await tapEnd(end)) === 'Read on') throw new Error('There is more to read.')
  }).toPass()
  // Nobody leaves the page in the instant of recording: it goes on, or says why not.
  await expect(title)
    .not.toHaveText(before, { timeout: 400 })
    .catch(() => undefined)
}

/** What is asked for at one of two pipe ends that stand on one page. */
export const atEnd = (page: Page, side: 0 | 1): Locator => page.getByRole('group', { name: /^pipe / }).nth(side)

/** Of two pipe ends on one page the first by itself. */
export const oneEnd = (page: Page): Promise<void> => page.getByRole('button', { name: 'One end at a time' }).click()

/** The same figures at both ends. */
export async function fillBothEnds(page: Page, figures: Record<string, string>): Promise<void> {
  for (const side of [0, 1] as const)
    for (const [label, value] of Object.entries(figures)) await atEnd(page, side).getByLabel(label, { exact: false }).first().fill(value)
}

/** How many entries wait on this device for the server. */
const waitingOn = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((tell, fail) => {
        const opened = indexedDB.open('diastoma')
        opened.onerror = () => fail(opened.error)
        opened.onsuccess = () => {
          const count = opened.result.transaction('waiting').objectStore('waiting').count()
          count.onsuccess = () => tell(count.result)
          opened.result.close()
        }
      }),
  )

/** What was recorded on this page has reached the server: others find it there. */
export const allSent = (page: Page): Promise<void> => expect.poll(() => waitingOn(page)).toBe(0)

/**
 * Stays until the server has what is recorded: who leaves the page in the same instant has not recorded. What was recorded before
 * has gone first, for the answer to that would be taken for this one's.
 */
export async function sent(page: Page, record: () => Promise<void>): Promise<void> {
  await allSent(page)
  const stored = page.waitForResponse((answer) => answer.request().method() === 'POST' && answer.url().endsWith('/facts'))
  await Promise.all([stored, record()])
}

export const sendStep = (page: Page): Promise<void> => sent(page, () => recordStep(page))

export async function atStep(page: Page, title: string | RegExp): Promise<void> {
  await expect(page.locator('#step-title')).toHaveText(title)
}

/** A whole round by typing: Enter goes to the next position. */
export async function round(page: Page, values: string[]): Promise<void> {
  for (const value of values) {
    const input = page.locator('form input').first()
    await expect(input).toHaveValue('')
    await input.fill(value)
    await input.press('Enter')
  }
}

/** The sentence is on the page, where a person sees it. */
export const says = (page: Page, text: string | RegExp): Promise<void> =>
  expect(page.getByText(text).filter({ visible: true }).first()).toBeVisible()

/** Signs what is at hand: one tap asks, the second one signs; the password where it seals. */
export async function sign(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
  const fromMemory = page.getByRole('dialog').getByRole('checkbox')
  if ((await fromMemory.count()) > 0) await fromMemory.check()
  const password = page.getByRole('dialog').getByLabel('Your password')
  if ((await password.count()) > 0) await password.fill(PASSWORD)
  await page.getByRole('button', { name: /^Sign as / }).click()
}

/** Opens a recorded step once more and says why the earlier entry does not count. */
export async function again(page: Page, why: string): Promise<void> {
  await page.getByRole('button', { name: /^(Measure again|Correct this|Decide again|Look again)$/ }).click()
  await page.getByLabel('Why does the earlier entry not count?').fill(why)
}

/** One of a list that drops down. On a machine that is busy the list may close again under the mouse: then once more. */
export async function pick(page: Page, label: string, option: string | RegExp, nth = 0): Promise<void> {
  const list = page.getByLabel(label).nth(nth)
  await expect(list).toBeVisible()
  await expect(async () => {
    if ((await page.getByRole('listbox').count()) === 0) await list.click({ timeout: 5_000 })
    await page.getByRole('option', { name: option }).click({ timeout: 5_000 })
  }).toPass({ timeout: 45_000 })
  await expect(page.getByRole('listbox')).toHaveCount(0)
}

export async function choose(page: Page | Locator, question: string, option: string): Promise<void> {
  await page.getByLabel(`${question}: ${option}`, { exact: true }).locator('xpath=..').click()
}
