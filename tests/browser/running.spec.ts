import { expect, request, type APIRequestContext } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test } from './alone'
import { says } from './people'
import { freePort, gone, ROOT, start, up, type Started } from './server'

/** An organisation runs it for years: parts die, disks fail, and a first day is empty. */

const KILLS = Number(process.env['KILLS'] ?? 5)
const CLIENTS = 3

let home = ''
let port = 0
let base = ''
let server: Started

test.beforeAll(async () => {
  home = mkdtempSync(join(tmpdir(), 'diastoma-'))
  port = await freePort()
  base = `http://127.0.0.1:${port}`
})
test.afterAll(async () => {
  server?.kill('SIGTERM')
  if (server) await gone(server)
  rmSync(home, { recursive: true, force: true })
})

const clean = (): NodeJS.ProcessEnv =>
  Object.fromEntries(Object.entries(process.env).filter(([k]) => !/^(DB_|APP_|SANCTUM_|DIASTOMA_|SEAL_)/.test(k)))
const run = (name: string, ...words: string[]): string =>
  execFileSync(join(ROOT, 'bin', name), words, { env: { ...clean(), DIASTOMA_HOME: home }, stdio: 'pipe' }).toString()

interface Client {
  post: (path: string, data: unknown) => Promise<number>
  get: <T>(path: string) => Promise<T>
}

async function client(email: string, password: string): Promise<Client> {
  const context: APIRequestContext = await request.newContext({
    baseURL: base,
    extraHTTPHeaders: { Accept: 'application/json', Referer: `${base}/`, Origin: base },
  })
  const token = async (): Promise<string> =>
    decodeURIComponent((await context.storageState()).cookies.find((c) => c.name === 'XSRF-TOKEN')?.value ?? '')
  const post = async (path: string, data: unknown): Promise<number> => {
    try {
      return (await context.post(`/api/v1/${path}`, { data, headers: { 'X-XSRF-TOKEN': await token() }, timeout: 5_000 })).status()
    } catch {
      return 0
    }
  }
  await context.get('/sanctum/csrf-cookie')
  expect(await post('session', { email, password })).toBe(200)
  return { post, get: async <T>(path: string) => (await (await context.get(`/api/v1/${path}`)).json()) as T }
}

const PASSWORD = 'heron-and-gravel'

test('an empty organisation begins with a link, holds no demo, and stays empty', async ({ browser }) => {
  server = await start(home, port, '--empty')
  expect(server.said).not.toContain('clay-and-chalk')
  const link = server.said.match(/http:\S+\/invited\/\S+/)![0]
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.goto(link)
  await says(page, 'You become the first administrator of this organisation')
  await page.getByLabel('Your name').fill('Ama Verel')
  await page.getByLabel('E-mail').fill('ama@verel.example')
  await page.getByLabel(/^New password/).fill(PASSWORD)
  await page.getByRole('button', { name: 'Begin' }).click()
  await says(page, 'Nothing here yet. Make a project and invite the people who work in it')
  await page.getByRole('link', { name: 'Organisation' }).click()
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByLabel('Name of the project').fill('Amber Vale renewal')
  await page.getByLabel('Time zone of the place').fill('Europe/Vienna')
  await page.getByRole('button', { name: 'Make the project' }).click()
  await expect(page.getByText('1 person, 0 lines')).toBeVisible()
  await page.goto(base)
  await expect(page.getByRole('button', { name: 'Make a line' })).toBeVisible()
  // The published password opens nothing here.
  const post = async (): Promise<number> =>
    (
      await page.request.post(`${base}/api/v1/session`, {
        headers: { Accept: 'application/json', Referer: `${base}/` },
        data: { email: 'tamsin@diastoma.example', password: 'clay-and-chalk' },
      })
    ).status()
  expect([419, 422]).toContain(await post())
  // Started again without the word it is not filled with the demo, and nobody gets a second link.
  server.kill('SIGTERM')
  await gone(server)
  server = await start(home, port)
  expect(server.said).not.toMatch(/invited|clay-and-chalk/)
})

test('whatever part is killed while people record, it comes up again by itself; nothing is lost and nothing doubled', async () => {
  const ama = await client('ama@verel.example', PASSWORD)
  const joints = await madeLine(ama, 60 + 12 * KILLS)
  const clients = await Promise.all(Array.from({ length: CLIENTS }, () => client('ama@verel.example', PASSWORD)))
  const acknowledged: string[] = []
  const facts = joints.map((joint, i) => ({
    joint,
    body: { id: randomUUID(), step: 'pipes', value: { pipe_a: `${i}a`, pipe_b: `${i}b` }, recorded_at: new Date().toISOString() },
  }))
  let next = 0
  let isKilling = true
  const recording = clients.map(async ({ post }) => {
    while (next < facts.length && isKilling) {
      const { joint, body } = facts[next++]!
      // As a device does: again and again, until the server has said that it is stored.
      for (let status = 0; ![200, 201].includes(status);) {
        status = await post(`subjects/joint/${joint}/facts`, body)
        if (![200, 201].includes(status)) await new Promise((later) => setTimeout(later, 150))
      }
      acknowledged.push(body.id)
    }
  })
  for (let i = 0; i < KILLS; i++) {
    kill(['database', 'php', 'worker', 'web', 'maker'][i % 5]!)
    await up(base)
    // Long enough to be no part that stops as soon as it is started.
    await new Promise((later) => setTimeout(later, 3_200))
  }
  isKilling = false
  await Promise.all(recording)
  expect(acknowledged.length).toBeGreaterThan(KILLS)
  const stored = await storedIn(ama, joints)
  expect(acknowledged.filter((id) => stored.filter((one) => one === id).length !== 1)).toEqual([])
  expect(stored.length).toBe(new Set(stored).size)
  expect(server.exitCode).toBeNull()
})

test('a file whose maker died while it was made is made all the same', async () => {
  const ama = await client('ama@verel.example', PASSWORD)
  await madeLine(ama, 200)
  const line = (await ama.get<{ id: string; joints_total: number }[]>('lines')).at(-1)!.id
  expect(await ama.post(`lines/${line}/packs`, { kind: 'archive' })).toBe(201)
  const state = async (): Promise<string> => (await ama.get<{ state: string }[]>(`lines/${line}/packs`))[0]!.state
  await expect.poll(state, { timeout: 30_000, intervals: [50] }).not.toBe('waiting')
  kill('maker')
  await expect.poll(state, { timeout: 60_000 }).toBe('ready')
})

test('a copy is made while people record, the disk is lost, the copy is put back and every seal holds', async () => {
  const ama = await client('ama@verel.example', PASSWORD)
  const joints = await madeLine(ama, 40)
  const record = (joint: string, i: number): Promise<number> =>
    ama.post(`subjects/joint/${joint}/facts`, {
      id: randomUUID(),
      step: 'pipes',
      value: { pipe_a: `${i}x`, pipe_b: `${i}y` },
      recorded_at: new Date().toISOString(),
    })
  for (let i = 0; i < 10; i++) expect(await record(joints[i]!, i)).toBe(201)
  const copy = join(home, 'run', 'copy.tar.gz')
  const going = (async () => {
    for (let i = 10; i < 40; i++) await record(joints[i]!, i)
  })()
  run('backup', copy)
  await going
  server.kill('SIGKILL')
  await gone(server)
  const kept = mkdtempSync(join(tmpdir(), 'kept-'))
  cpSync(copy, join(kept, 'copy.tar.gz'))
  cpSync(join(home, 'secrets'), join(kept, 'secrets'))
  // The next start ends what was left behind; here the disk is gone instead.
  const pids = ['nginx.pid', 'nginx.workers'].flatMap((file) =>
    readFileSync(join(home, 'run', file), 'utf8')
      .trim()
      .split('\n'),
  )
  for (const pid of pids) process.kill(Number(pid), 'SIGKILL')
  execFileSync('pkill', ['-KILL', '-f', home])
  rmSync(home, { recursive: true, force: true })
  mkdirSync(home)
  expect(() => run('restore', join(kept, 'copy.tar.gz'))).toThrow(/secrets is missing/)
  cpSync(join(kept, 'secrets'), join(home, 'secrets'))
  run('restore', join(kept, 'copy.tar.gz'))
  // What is recorded already is not written over unasked.
  expect(() => run('restore', join(kept, 'copy.tar.gz'))).toThrow(/holds records already/)
  server = await start(home, port)
  const back = await storedIn(await client('ama@verel.example', PASSWORD), joints)
  expect(back.length).toBeGreaterThanOrEqual(10)
  expect(back.length).toBe(new Set(back).size)
  rmSync(kept, { recursive: true })
})

/** A line of so many joints, and the ids of these. */
async function madeLine(by: Client, joints: number): Promise<string[]> {
  const hash = (await by.get<{ hash: string; key: string }[]>('procedures')).find((p) => p.key === 'pvc-spigot-socket')!.hash
  const project = (await by.get<{ projects: { id: number }[] }>('me')).projects[0]!.id
  const name = `Line ${randomUUID().slice(0, 8)}`
  const far = 6 * (joints + 1)
  const made = await by.post('lines', {
    project_id: project,
    name,
    service: 'water',
    material: 'PVC-U',
    dn_mm: 160,
    sdr: 21,
    design_bar: 6,
    mdp_bar: 8,
    pipe_length_m: 6,
    procedure_hash: hash,
    centre_line: [
      [0, 0, 0, 10],
      [far, far, 0, 10],
    ],
    sections: [],
  })
  expect(made).toBe(201)
  const { id } = (await by.get<{ id: string; name: string }[]>('lines')).find((l) => l.name === name)!
  return (await by.get<{ joints: { id: string }[] }>(`lines/${id}`)).joints.map((j) => j.id)
}

/** Ids of all facts that the server has. */
async function storedIn(by: Client, joints: string[]): Promise<string[]> {
  const ids: string[] = []
  for (const joint of joints) ids.push(...(await by.get<{ facts: { id: string }[] }>(`subjects/joint/${joint}`)).facts.map((f) => f.id))
  return ids
}

/** The word by which what serves from a folder is known. */
const makerOf = (folder: string): string =>
  `diastoma-${execFileSync('sha256sum', { input: `${folder}\n` })
    .toString()
    .slice(0, 12)}`

function kill(part: string): void {
  const pids = (...by: string[]): number[] => execFileSync('pgrep', by).toString().trim().split('\n').map(Number)
  const master = (pattern: string): number => pids('-f', pattern).at(-1)!
  const pid = {
    database: () => master(`datadir=${home}/database`),
    php: () => master(`master process .${home}/run/fpm.conf`),
    worker: () => pids('-P', String(master(`master process .${home}/run/fpm.conf`)))[0]!,
    maker: () => pids('-f', `packs:serve --as=${makerOf(home)}$`)[0]!,
    web: () => Number(execFileSync('cat', [join(home, 'run/nginx.pid')]).toString()),
  }[part]!()
  process.kill(pid, 'SIGKILL')
}
