import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'

const usual = Dexie.dependencies.indexedDB

// A device of its own: another test has opened the database of today already.
beforeEach(() => {
  vi.resetModules()
  Dexie.dependencies.indexedDB = new IDBFactory()
})
afterEach(() => {
  Dexie.dependencies.indexedDB = usual
})

test('what waited under a former address is kept, and goes out under the one of today', async () => {
  const old = new Dexie('diastoma')
  old.version(1).stores({ waiting: '++seq, &id, subject', runs: 'key' })
  old.version(2).stores({ photos: 'id, subject' })
  await old.table('waiting').bulkAdd([
    { id: 'w', subject: 'joints/1', body: { id: 'w', step: 'gap' } },
    { id: 'v', subject: 'tests/2', body: { id: 'v', step: 'log' } },
  ])
  await old.table('photos').add({ id: 'p', subject: 'joints/1', step: 'look' })
  await old.table('runs').add({ key: 'joints/1/fusion', subject: 'joints/1', step: 'fusion' })
  old.close()
  const { store } = await import('./db')
  expect((await store.waiting.toArray()).map((w) => [w.id, w.subject])).toEqual([
    ['w', 'subjects/joint/1'],
    ['v', 'subjects/test/2'],
  ])
  expect((await store.photos.toArray()).map((p) => p.subject)).toEqual(['subjects/joint/1'])
  expect((await store.runs.toArray()).map((r) => [r.key, r.subject])).toEqual([['subjects/joint/1/fusion', 'subjects/joint/1']])
})
