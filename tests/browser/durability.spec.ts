import { expect, request, test } from '@playwright/test'
import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { randomUUID } from 'node:crypto'

const ROOT = resolve(import.meta.dirname, '../..')

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => done(port))
    })
  })

function start(home: string, port: number): Promise<ChildProcess> {
  const clean = Object.fromEntries(Object.entries(process.env).filter(([k]) => !/^(DB_|APP_|SANCTUM_|DIASTOMA_)/.test(k)))
  const child = spawn(join(ROOT, 'bin/start'), { env: { ...clean, DIASTOMA_HOME: home, PORT: String(port), WORKERS: '2' }, stdio: ['ignore', 'pipe', 'pipe'] })
  return new Promise((done, fail) => {
    let said = ''
    const hear = (data: Buffer): void => {
      said += data.toString()
      if (said.includes('Diastoma is ready')) done(child)
    }
    child.stdout!.on('data', hear)
    child.stderr!.on('data', hear)
    child.on('exit', (code) => fail(new Error(`bin/start ended with ${code}: ${said}`)))
    setTimeout(() => fail(new Error(`bin/start took too long: ${said}`)), 150_000)
  })
}

const gone = (child: ChildProcess): Promise<void> => new Promise((done) => (child.exitCode !== null ? done() : child.on('exit', () => done())))

/** Kills workers and database in the middle of recording; every acknowledged fact is there afterwards, once. */
test('nothing that was acknowledged is lost when the server dies', async () => {
  test.setTimeout(900_000)
  const home = mkdtempSync(join(tmpdir(), 'diastoma-'))
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  let child = await start(home, port)
  try {
    const client = await request.newContext({ baseURL: base, extraHTTPHeaders: { Accept: 'application/json', Referer: `${base}/`, Origin: base } })
    const token = async (): Promise<string> => decodeURIComponent((await client.storageState()).cookies.find((c) => c.name === 'XSRF-TOKEN')?.value ?? '')
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
    const lines = (await (await client.get('/api/v1/lines')).json()) as { name: string; joints: { id: string; state: string }[] }[]
    const joints = lines.find((l) => l.name === 'Osier Row branch')!.joints.filter((j) => j.state === 'planned')
    const facts = joints.flatMap((j) => [
      { joint: j.id, body: { id: randomUUID(), step: 'pipes', value: { pipe_a: '1', pipe_b: '2' }, recorded_at: '2026-05-04T10:00:00+02:00' } },
      { joint: j.id, body: { id: randomUUID(), step: 'chamfer', value: { length_mm: 14 }, recorded_at: '2026-05-04T10:05:00+02:00' } },
    ])
    const acknowledged = new Set<string>()
    const kill = (pattern: string): void => {
      const pids = execFileSync('pgrep', ['-f', pattern]).toString().trim().split('\n').filter(Boolean)
      for (const pid of pids) process.kill(Number(pid), 'SIGKILL')
    }
    let killed = false
    const sending = (async () => {
      for (const f of facts) {
        const status = await post(`/api/v1/joints/${f.joint}/facts`, f.body)
        if (status === 201 || status === 200) acknowledged.add(f.body.id)
        if (!killed && acknowledged.size === 7) {
          killed = true
          // Without waiting: the next facts meet a dying server.
          setTimeout(() => {
            kill(`${home}/run/fpm.conf`)
            kill(`datadir=${home}/database`)
          }, 5)
        }
      }
    })()
    await sending
    expect(acknowledged.size).toBeGreaterThanOrEqual(7)
    expect(acknowledged.size).toBeLessThan(facts.length)
    await gone(child)
    child = await start(home, port)
    await signIn()
    const stored = async (): Promise<string[]> => (await Promise.all(joints.map(async (j) => ((await (await client.get(`/api/v1/joints/${j.id}`)).json()) as { facts: { id: string }[] }).facts.map((f) => f.id)))).flat()
    const after = await stored()
    for (const id of acknowledged) expect(after.filter((x) => x === id)).toHaveLength(1)
    // The device sends again whatever it is not sure of; in the end each is there once.
    for (const f of facts) expect([200, 201]).toContain(await post(`/api/v1/joints/${f.joint}/facts`, f.body))
    expect((await stored()).sort()).toEqual(facts.map((f) => f.body.id).sort())
  } finally {
    child.kill('SIGTERM')
    await gone(child)
    rmSync(home, { recursive: true, force: true })
  }
})
