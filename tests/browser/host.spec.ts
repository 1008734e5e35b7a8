import { expect } from '@playwright/test'
import { execFileSync, spawnSync } from 'node:child_process'
import { readFileSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { test } from './alone'

/*
 * The server as another account of the same machine meets it. What cannot be asked without being root is asked where
 * the checks run as root, as they do on a clean machine.
 */
const home = process.env['DIASTOMA_HOME']!
const root = process.getuid!() === 0
const mode = (path: string): string => (statSync(path).mode & 0o777).toString(8)
const socket = (): string => /^listen = (\S+)$/m.exec(readFileSync(join(home, 'run/fpm.conf'), 'utf8'))![1]!

/** What the database answers to who the application is. */
const askDatabase = (sql: string): string =>
  execFileSync('mariadb', [
    '--no-defaults',
    '-N',
    '-h127.0.0.1',
    `-P${process.env['DB_PORT']}`,
    '-udiastoma',
    `-p${process.env['DB_PASSWORD']}`,
    '-e',
    sql,
  ]).toString()

/** Every process of this server: what was started with its folder, and the workers of that. */
function processes(): { pid: string; what: string; uid: string }[] {
  const all = readdirSync('/proc')
    .filter((p) => /^\d+$/.test(p))
    .flatMap((pid) => {
      try {
        const status = readFileSync(`/proc/${pid}/status`, 'utf8')
        const field = (name: string): string => new RegExp(`^${name}:\\s+(\\S+)`, 'm').exec(status)![1]!
        return [
          {
            pid,
            parent: field('PPid'),
            uid: field('Uid'),
            what: field('Name'),
            line: readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' '),
          },
        ]
      } catch {
        return []
      }
    })
  const ours = all.filter((p) => /^(php-fpm|nginx|mariadbd)/.test(p.what) && p.line.includes(home))
  return [...ours, ...all.filter((p) => ours.some((o) => o.pid === p.parent))]
}

test('PHP, database and web server of this folder run as who serves, never as root', () => {
  const found = processes()
  for (const name of [/^php-fpm/, /^nginx/, /^mariadbd/])
    expect(
      found.some((p) => name.test(p.what)),
      String(name),
    ).toBe(true)
  expect(found.filter((p) => p.uid === '0').map((p) => p.what)).toEqual([])
})

test('the folder with the data and the socket that runs PHP are closed to every other account', () => {
  expect(mode(home)).toBe('700')
  expect(mode(socket())).toBe('600')
  test.skip(!root, 'another account can be taken by root alone')
  const asNobody = spawnSync('setpriv', [
    '--reuid=nobody',
    '--regid=nogroup',
    '--clear-groups',
    'php',
    '-r',
    'exit(@stream_socket_client("unix://" . $argv[1]) === false ? 7 : 0);',
    socket(),
  ])
  expect(asNobody.status).toBe(7)
})

test('nobody administers the database over the network, whatever the password', () => {
  for (const user of ['root', 'diastoma', '']) {
    for (const password of ['', 'root', 'diastoma']) {
      const asked = spawnSync('mariadb', [
        '--no-defaults',
        '-h127.0.0.1',
        `-P${process.env['DB_PORT']}`,
        `-u${user}`,
        `-p${password}`,
        '-e',
        'SELECT 1',
      ])
      expect(asked.status, `${user} ${password}`).not.toBe(0)
      expect(asked.stderr.toString()).toMatch(/Access denied|not allowed/)
    }
  }
  const accounts = askDatabase('SHOW GRANTS')
  expect(accounts).not.toMatch(/ALL PRIVILEGES ON \*\.\*|GRANT OPTION/)
})

test('what the database sorts on the disk lies in its own folder: another server that starts deletes it from a shared one', () => {
  expect(askDatabase('SELECT @@tmpdir')).toContain(join(home, 'run'))
})
