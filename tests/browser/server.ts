import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import { join, resolve } from 'node:path'

/** A server that a test starts, kills and looks at by itself. */

export const ROOT = resolve(import.meta.dirname, '../..')

/** With all that it said until it was ready. */
export type Started = ChildProcess & { said: string }

export const freePort = (): Promise<number> =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => done(port))
    })
  })

export function start(home: string, port: number, ...words: string[]): Promise<Started> {
  const clean = Object.fromEntries(Object.entries(process.env).filter(([k]) => !/^(DB_|APP_|SANCTUM_|DIASTOMA_)/.test(k)))
  const child = spawn(join(ROOT, 'bin/start'), words, {
    env: { ...clean, DIASTOMA_HOME: home, PORT: String(port), WORKERS: '2' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  return new Promise((done, fail) => {
    let said = ''
    const hear = (data: Buffer): void => {
      said += data.toString()
      if (said.includes('Ctrl-C stops everything.')) done(Object.assign(child, { said }))
    }
    child.stdout!.on('data', hear)
    child.stderr!.on('data', hear)
    child.on('exit', (code) => fail(new Error(`bin/start ended with ${code}: ${said}`)))
    setTimeout(() => fail(new Error(`bin/start took too long: ${said}`)), 400_000)
  })
}

export const gone = (child: ChildProcess): Promise<void> =>
  new Promise((done) => (child.exitCode !== null || child.signalCode !== null ? done() : child.on('exit', () => done())))

/** Workers and database at once, without a word; or their masters alone, and the workers go on as orphans. */
export function killServer(home: string, orphans = false): void {
  for (const pattern of [`${home}/run/fpm.conf`, `datadir=${home}/database`]) {
    const pids = (...by: string[]): string[] => {
      try {
        return execFileSync('pgrep', by).toString().trim().split('\n').filter(Boolean)
      } catch {
        return []
      }
    }
    // The workers are children of the process that knows the folder.
    for (const pid of pids('-f', pattern))
      for (const one of [...(orphans ? [] : pids('-P', pid)), pid]) process.kill(Number(one), 'SIGKILL')
  }
}

/** Until it answers again: the page, PHP and the database behind it. */
export async function up(base: string): Promise<void> {
  for (let i = 0; i < 600; i++) {
    const answer = await fetch(`${base}/api/v1/invitations/none`, { headers: { Accept: 'application/json' } }).catch(() => null)
    // Too often is an answer, too: it is counted in the database.
    if (answer?.status === 409 || answer?.status === 429) return
    await new Promise((later) => setTimeout(later, 100))
  }
  throw new Error(`${base} did not come up again`)
}
