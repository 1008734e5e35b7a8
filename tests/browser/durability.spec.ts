import { expect, request, type Page } from '@playwright/test'
import type { ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { test } from './alone'
import { prepareCoupler } from './coupler'
import { atStep, signIn } from './people'
import { instruments, readyForPressure } from './section'
import { freePort, gone, killServer, start, up } from './server'

test.use({ serviceWorkers: 'allow' })

// A server of their own, that both tests kill.
let home = ''
let port = 0
let base = ''
let child: ChildProcess
test.beforeAll(async () => {
  home = mkdtempSync(join(tmpdir(), 'diastoma-'))
  port = await freePort()
  base = `http://127.0.0.1:${port}`
  child = await start(home, port)
})
test.afterAll(async () => {
  child.kill('SIGTERM')
  await gone(child)
  rmSync(home, { recursive: true, force: true })
})

/** Kills workers and database in the middle of recording; every acknowledged fact is there afterwards, once. */
test('nothing that was acknowledged is lost when the server dies', async () => {
  const client = await request.newContext({
    baseURL: base,
    extraHTTPHeaders: { Accept: 'application/json', Referer: `${base}/`, Origin: base },
  })
  const token = async (): Promise<string> =>
    decodeURIComponent((await client.storageState()).cookies.find((c) => c.name === 'XSRF-TOKEN')?.value ?? '')
  const post = async (path: string, data: unknown): Promise<number> => {
    try {
      return (await client.post(path, { data, headers: { 'X-XSRF-TOKEN': await token() }, timeout: 5_000 })).status()
    } catch {
      return 0
    }
  }
  const signIn = async (): Promise<void> => {
    await client.get('/sanctum/csrf-cookie')
    expect(await post('/api/v1/session', { email: 'bram@diastoma.example', password: 'clay-and-chalk' })).toBe(200)
  }
  await signIn()
  const lines = (await (await client.get('/api/v1/lines')).json()) as { id: string; name: string }[]
  const { id } = lines.find((l) => l.name === 'Osier Row branch')!
  const line = (await (await client.get(`/api/v1/lines/${id}`)).json()) as { joints: { id: string; state: string }[] }
  const joints = line.joints.filter((j) => j.state === 'planned')
  const facts = joints.flatMap((j) => [
    {
      joint: j.id,
      body: { id: randomUUID(), step: 'pipes', value: { pipe_a: '1', pipe_b: '2' }, recorded_at: '2026-05-04T10:00:00+02:00' },
    },
    { joint: j.id, body: { id: randomUUID(), step: 'chamfer', value: { length_mm: 14 }, recorded_at: '2026-05-04T10:05:00+02:00' } },
  ])
  const acknowledged = new Set<string>()
  let killed = false
  const sending = (async () => {
    for (const f of facts) {
      const status = await post(`/api/v1/subjects/joint/${f.joint}/facts`, f.body)
      if (status === 201 || status === 200) acknowledged.add(f.body.id)
      if (!killed && acknowledged.size === 7) {
        killed = true
        // Without waiting: the next facts meet a dying server.
        setTimeout(() => killServer(home, true), 5)
      }
    }
  })()
  await sending
  expect(acknowledged.size).toBeGreaterThanOrEqual(7)
  expect(acknowledged.size).toBeLessThan(facts.length)
  // It comes up again by itself.
  await up(base)
  await signIn()
  const stored = async (): Promise<string[]> =>
    (
      await Promise.all(
        joints.map(async (j) =>
          ((await (await client.get(`/api/v1/subjects/joint/${j.id}`)).json()) as { facts: { id: string }[] }).facts.map((f) => f.id),
        ),
      )
    ).flat()
  const after = await stored()
  for (const id of acknowledged) expect(after.filter((x) => x === id)).toHaveLength(1)
  // The device sends again whatever it is not sure of; in the end each is there once.
  for (const f of facts) expect([200, 201]).toContain(await post(`/api/v1/subjects/joint/${f.joint}/facts`, f.body))
  expect((await stored()).sort()).toEqual(facts.map((f) => f.body.id).sort())
})

/** The page is open while the server dies under a running fusion and a running test; it goes on, and in the end all is there. */
test('a fusion and a test go on while the server is dead', async ({ browser }) => {
  const context = await browser.newContext({
    baseURL: base,
    viewport: { width: 390, height: 844 },
    timezoneId: 'Europe/Vienna',
    locale: 'en-GB',
  })
  const page = await context.newPage()
  await signIn(page, 'odile', base)
  const get = async <T>(path: string): Promise<T> =>
    (await (await page.request.get(`${base}/api/v1/${path}`, { headers: { Referer: `${base}/`, Accept: 'application/json' } })).json()) as T
  const lines = await get<{ id: string; name: string }[]>('lines')
  const called = (name: string): Promise<{ joints: { id: string; number: string }[]; sections: { id: string }[] }> =>
    get(`lines/${lines.find((l) => l.name === name)!.id}`)
  const dieAndRise = async (page: Page, during: RegExp): Promise<void> => {
    await expect(page.getByText(during).first()).toBeVisible()
    // The whole machine, and not a part that is started again by itself.
    child.kill('SIGKILL')
    killServer(home)
    await gone(child)
    // What was put into the outbox meanwhile is shown, the run goes on by its clock.
    await expect(page.getByRole('button', { name: /not yet sent/ })).toBeVisible()
    child = await start(home, port)
    await expect(page.getByRole('button', { name: /not yet sent/ })).toHaveCount(0, { timeout: 240_000 })
  }
  await test.step('a fusion', async () => {
    const joint = (await called('Kelder Lane main')).joints.find((j) => j.number === '38')!
    await page.goto(`/joints/${joint.id}`)
    await prepareCoupler(page, 225)
    await atStep(page, 'Fusion')
    await page.getByRole('button', { name: 'Fuse', exact: true }).click()
    await dieAndRise(page, /20 times as fast as real/)
    await expect(page.locator('#step-title')).toHaveText('Cooling in the clamp', { timeout: 60_000 })
    const sent = async (): Promise<number> =>
      (await get<{ facts: { value: { samples?: unknown[] } }[] }>(`subjects/joint/${joint.id}`)).facts.reduce(
        (n, f) => n + (f.value.samples?.length ?? 0),
        0,
      )
    await expect.poll(sent, { timeout: 60_000 }).toBe(202)
    const after = await get<{
      facts: { id: string; step: string; value: { part: number; samples: number[][] } }[]
      judgement: { steps: { key: string; verdict: string; status: string }[] }
    }>(`subjects/joint/${joint.id}`)
    const parts = after.facts.filter((f) => f.step === 'fusion')
    expect(parts.map((f) => f.value.part)).toEqual(parts.map((_, i) => i))
    // The programme has 202 rows; none is missing, none is there twice.
    expect(parts.flatMap((f) => f.value.samples)).toHaveLength(202)
    expect(after.judgement.steps.find((s) => s.key === 'fusion')).toMatchObject({ status: 'done', verdict: 'good' })
  })
  await test.step('a test', async () => {
    await page.goto(`/sections/${(await called('Osier Row branch')).sections[0]!.id}`)
    await page.getByRole('button', { name: /^Begin/ }).click()
    await page.getByRole('button', { name: 'Begin all the same' }).click()
    await instruments(page)
    await readyForPressure(page)
    await page.getByRole('button', { name: 'Start pump and logger' }).click()
    await dieAndRise(page, /1200 times as fast as real/)
    await expect(page.locator('#step-title')).toHaveText('Phases of the log', { timeout: 60_000 })
    const test = `subjects/test/${page.url().match(/tests\/([0-9a-f-]+)/)![1]}`
    await expect
      .poll(
        async () =>
          (await get<{ facts: { step: string; value: { final?: boolean } }[] }>(test)).facts.some((f) => f.step === 'log' && f.value.final),
        { timeout: 60_000 },
      )
      .toBe(true)
    const after = await get<{ facts: { step: string; value: { part: number; final: boolean; samples: number[][] } }[] }>(test)
    const rows = after.facts.filter((f) => f.step === 'log').flatMap((f) => f.value.samples)
    expect(after.facts.filter((f) => f.step === 'log').at(-1)!.value.final).toBe(true)
    const minutes = rows.map((r) => r[0]!)
    expect(new Set(minutes).size).toBe(minutes.length)
    expect([...minutes].sort((a, b) => a - b)).toEqual(minutes)
  })
})
