import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { store, type Run } from './db'
import { setPerson } from './outbox'
import { due, endOf, readByHand, resumeRuns, startRun } from './runs'

const samples = Array.from({ length: 101 }, (_, i) => [i, 39.5, 24])
const run = (more: Partial<Run> = {}): Run => ({
  key: 'k',
  subject: 'subjects/joint/1',
  step: 'fusion',
  trace: 't',
  startedAt: 1_000_000,
  speed: 1,
  samples,
  secondsPerUnit: 1,
  sent: 0,
  part: 0,
  extra: {},
  ...more,
})

beforeEach(async () => {
  await store.waiting.clear()
  await store.runs.clear()
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network')
  })
})
afterEach(() => vi.unstubAllGlobals())

test('rows come due by the clock, at the speed that was chosen', () => {
  expect(due(run(), 1_000_000)).toBe(1)
  expect(due(run(), 1_010_000)).toBe(11)
  expect(due(run({ speed: 20 }), 1_001_000)).toBe(21)
  expect(due(run({ secondsPerUnit: 60, speed: 1200 }), 1_001_000)).toBe(21)
  expect(due(run({ speed: 1000 }), 2_000_000)).toBe(101)
})

test('what was sent does not come due again, and a stopped run brings nothing more', () => {
  expect(due(run({ sent: 50 }), 1_010_000)).toBe(50)
  expect(due(run({ sent: 7, stopped: true }), 2_000_000)).toBe(7)
})

test('a run that is played within one second ends in the next one: no fusion ends when it begins', () => {
  expect(endOf(run(), 1_000_400)).toBe(1_001_000)
  expect(endOf(run(), 1_090_000)).toBe(1_090_000)
})

test('a log may begin at any minute of its own clock', () => {
  const late = samples.map((r) => [r[0]! + 500, r[1]!, r[2]!])
  expect(due(run({ samples: late }), 1_010_000)).toBe(11)
})

test('a run ends with a final piece in the outbox, all rows once and in order', async () => {
  await startRun({
    key: 'subjects/joint/1/fusion',
    subject: 'subjects/joint/1',
    step: 'fusion',
    speed: 1000,
    samples,
    secondsPerUnit: 1,
    extra: { supply_v: 229 },
  })
  await vi.waitFor(async () => expect(await store.runs.count()).toBe(0), { timeout: 8_000 })
  const pieces = (await store.waiting.toArray()).map(
    (w) => w.body.value as { part: number; final: boolean; samples: number[][]; supply_v: number; ended_at?: string },
  )
  expect(pieces.map((p) => p.part)).toEqual(pieces.map((_, i) => i))
  expect(pieces.flatMap((p) => p.samples)).toEqual(samples)
  expect(pieces.map((p) => p.final)).toEqual(pieces.map((_, i) => i === pieces.length - 1))
  expect(pieces.every((p) => p.supply_v === 229)).toBe(true)
  expect(pieces.at(-1)!.ended_at).toMatch(/^\d{4}-\d\d-\d\dT/)
})

test('a run goes on under the name of who started it, whoever is there when it ends', async () => {
  setPerson({ id: 1, name: 'Bram' })
  await startRun({
    key: 'subjects/joint/3/fusion',
    subject: 'subjects/joint/3',
    step: 'fusion',
    speed: 100,
    samples,
    secondsPerUnit: 1,
    extra: {},
  })
  setPerson({ id: 2, name: 'Odile' })
  await vi.waitFor(async () => expect(await store.runs.count()).toBe(0), { timeout: 8_000 })
  expect((await store.waiting.where('subject').equals('subjects/joint/3').toArray()).map((w) => w.by?.name)).toEqual(['Bram'])
  setPerson(null)
})

test('a page that was closed in the middle goes on where it was', async () => {
  await store.runs.put(
    run({ key: 'subjects/joint/2/fusion', subject: 'subjects/joint/2', startedAt: Date.now() - 200_000, sent: 60, part: 3 }),
  )
  await resumeRuns()
  await vi.waitFor(async () => expect(await store.runs.count()).toBe(0), { timeout: 8_000 })
  const pieces = (await store.waiting.where('subject').equals('subjects/joint/2').toArray()).map(
    (w) => w.body.value as { part: number; samples: number[][]; final: boolean },
  )
  expect(pieces[0]!.part).toBe(3)
  expect(pieces.flatMap((p) => p.samples)).toEqual(samples.slice(60))
  expect(pieces.at(-1)!.final).toBe(true)
})

test('a log by hand: each reading goes out at once, under who read it, and the log ends when that is said', async () => {
  const key = 'subjects/test/1/log'
  setPerson({ id: 1, name: 'Bram' })
  await startRun({
    key,
    subject: 'subjects/test/1',
    step: 'log',
    speed: 1,
    samples: [],
    secondsPerUnit: 60,
    byHand: 5,
    extra: { source: 'by-hand' },
  })
  const began = (await store.runs.get(key))!.startedAt
  expect(await readByHand(key, 0, null, began)).toBe(true)
  // A tap that comes twice is one reading.
  expect(await readByHand(key, 0, null, began)).toBe(false)
  const pieces = async (): Promise<{ by: string | undefined; samples: number[][]; final: boolean }[]> =>
    (await store.waiting.toArray())
      .map((w) => ({ by: w.by?.name, ...(w.body.value as { samples: number[][]; final: boolean }) }))
      .map(({ by, samples: rows, final }) => ({ by, samples: rows, final }))
  await vi.waitFor(async () => expect(await pieces()).toEqual([{ by: 'Bram', samples: [[0, 0, 0]], final: false }]), { timeout: 4_000 })
  // The next shift goes on with it on the same phone.
  setPerson({ id: 2, name: 'Ina' })
  expect(await readByHand(key, 598.5, 21, began + 5 * 60_000)).toBe(true)
  await store.runs.update(key, { stopped: true })
  await vi.waitFor(async () => expect(await store.runs.count()).toBe(0), { timeout: 4_000 })
  const all = await pieces()
  expect(all.flatMap((piece) => piece.samples)).toEqual([
    [0, 0, 0],
    [5, 598.5, 21],
  ])
  expect(all.at(-1)).toMatchObject({ by: 'Ina', final: true })
  expect(all.filter((piece) => piece.final)).toHaveLength(1)
  // What has ended takes no more.
  expect(await readByHand(key, 590, null, began + 10 * 60_000)).toBe(false)
})
