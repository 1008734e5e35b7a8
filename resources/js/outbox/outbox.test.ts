import 'fake-indexeddb/auto'
import { beforeEach, expect, test, vi } from 'vitest'
import { store } from './db'
import { forget, heard } from '../api/serverClock'
import {
  claim,
  drop,
  dropPhoto,
  flush,
  keepPhoto,
  record,
  seal,
  setPerson,
  whenAskedByWhat,
  whenContested,
  whenSent,
  whenStranger,
} from './outbox'
import { deviceTime } from './deviceTime'

const answer = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })
const bram = { id: 1, name: 'Bram' }
const odile = { id: 2, name: 'Odile' }
const stored = { judgement: {}, state: 'begun', stored: true }

beforeEach(async () => {
  forget()
  await store.waiting.clear()
  await store.photos.clear()
  vi.unstubAllGlobals()
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network')
  })
  setPerson(bram)
  await flush()
  document.cookie = 'XSRF-TOKEN=t'
})

test('a fact stays on the device until the server has said that it is stored, in order, each once', async () => {
  const sent: string[] = []
  let up = false
  vi.stubGlobal('fetch', async (_url: string, init: RequestInit) => {
    if (!up) throw new TypeError('no network')
    sent.push((JSON.parse(String(init.body)) as { step: string }).step)
    return answer(201, stored)
  })
  await record('subjects/joint/1', { step: 'one', value: {} })
  await record('subjects/joint/1', { step: 'two', value: {} })
  await flush()
  expect(await store.waiting.count()).toBe(2)
  up = true
  await flush()
  expect(sent).toEqual(['one', 'two'])
  expect(await store.waiting.count()).toBe(0)
})

test('a refused fact is set aside with its sentence and holds up no other', async () => {
  vi.stubGlobal('fetch', async (_url: string, init: RequestInit) =>
    (JSON.parse(String(init.body)) as { step: string }).step === 'wrong'
      ? answer(422, { title: 'x', errors: [{ field: 'air_c', message: 'Air: too hot.' }] })
      : answer(201, stored),
  )
  await record('subjects/joint/1', { step: 'wrong', value: {} })
  await record('subjects/joint/1', { step: 'right', value: {} })
  await flush()
  const left = await store.waiting.toArray()
  expect(left.map((w) => [w.body.step, w.refused])).toEqual([['wrong', 'Air: too hot.']])
  await drop(left[0]!.seq!)
  expect(await store.waiting.count()).toBe(0)
})

test.each([401, 419, 429, 500, 503])('status %i means wait, not lose', async (status) => {
  vi.stubGlobal('fetch', async () => answer(status, { title: 'later' }))
  await record('subjects/joint/1', { step: 'one', value: {} })
  await flush()
  const left = await store.waiting.toArray()
  expect(left).toHaveLength(1)
  expect(left[0]!.refused).toBeUndefined()
})

test('a page that listens is told before the fact leaves the outbox', async () => {
  vi.stubGlobal('fetch', async () => answer(201, stored))
  let seen = -1
  whenSent(() => {
    void store.waiting.count().then((n) => (seen = n))
  })
  await record('subjects/joint/1', { step: 'one', value: {} })
  await flush()
  expect(seen).toBe(1)
})

/** A server that stores, and remembers under whose name. */
function listening(): { step: string; by: string | undefined }[] {
  const heard: { step: string; by: string | undefined }[] = []
  vi.stubGlobal('fetch', async (_url: string, init: RequestInit) => {
    heard.push({
      step: (JSON.parse(String(init.body)) as { step: string }).step,
      by: (init.headers as Record<string, string>)['X-Recorded-By'],
    })
    return answer(201, stored)
  })
  return heard
}

test('what one person recorded waits until that person is here again, and goes out under that name', async () => {
  await record('subjects/joint/1', { step: 'one', value: {} })
  await keepPhoto('subjects/joint/1', 'one', new Blob(['x']))
  setPerson(null)
  const heard = listening()
  await flush()
  setPerson(odile)
  await record('subjects/joint/1', { step: 'two', value: {} })
  await flush()
  expect(heard).toEqual([{ step: 'two', by: '2' }])
  expect((await store.waiting.toArray()).map((w) => [w.body.step, w.by])).toEqual([['one', bram]])
  expect((await store.photos.toArray()).map((p) => p.by)).toEqual([bram])
  await store.photos.clear() // the database of this test keeps no blobs
  setPerson(bram)
  await flush()
  expect(heard.slice(1)).toEqual([{ step: 'one', by: '1' }])
  expect(await store.waiting.count()).toBe(0)
})

test('a server that knows somebody else as signed in gets nothing, and the page asks anew who is', async () => {
  let asked = 0
  whenStranger(() => asked++)
  vi.stubGlobal('fetch', async () => answer(409, { title: 'x', errors: [{ field: 'recorded_by', message: 'Somebody else.' }] }))
  await record('subjects/joint/1', { step: 'one', value: {} })
  await flush()
  expect(asked).toBeGreaterThan(0)
  expect((await store.waiting.toArray()).map((w) => w.refused)).toEqual([undefined])
})

test('what nobody was known for waits until somebody says that it is theirs', async () => {
  setPerson(null)
  await record('subjects/joint/1', { step: 'one', value: {} })
  const heard = listening()
  setPerson(odile)
  await flush()
  expect(heard).toEqual([])
  await claim((await store.waiting.toArray())[0]!)
  await flush()
  expect(heard).toEqual([{ step: 'one', by: '2' }])
})

test('the time of the device carries its offset', () => {
  expect(deviceTime(new Date('2026-05-04T10:00:00Z'))).toMatch(/^2026-05-04T\d\d:00:00[+-]\d\d:\d\d$/)
  expect(Date.parse(deviceTime(new Date('2026-05-04T10:00:00Z')))).toBe(Date.parse('2026-05-04T10:00:00Z'))
})

test('nobody throws away what another person recorded', async () => {
  const id = await record('subjects/joint/1', { step: 'one', value: {} })
  const photo = await keepPhoto('subjects/joint/1', 'one', new Blob(['x']), 'Joint 1 · One')
  const { seq } = (await store.waiting.toArray())[0]!
  setPerson(odile)
  await drop(seq!)
  await dropPhoto(photo)
  expect((await store.waiting.toArray()).map((w) => w.id)).toEqual([id])
  expect((await store.photos.toArray()).map((p) => p.title)).toEqual(['Joint 1 · One'])
  setPerson(bram)
  await drop(seq!)
  await dropPhoto(photo)
  expect((await store.waiting.count()) + (await store.photos.count())).toBe(0)
})

test('where the server stumbles over one joint its facts wait in order, and those of others go out', async () => {
  const asked: string[] = []
  let broken = true
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    const { step } = JSON.parse(String(init.body)) as { step: string }
    asked.push(step)
    return broken && url.includes('joint/1/') ? answer(500, { title: 'The server could not do that.' }) : answer(201, stored)
  })
  await record('subjects/joint/1', { step: 'first', value: {} })
  await flush()
  await record('subjects/joint/1', { step: 'second', value: {} })
  await record('subjects/joint/2', { step: 'other', value: {} })
  await flush()
  expect((await store.waiting.toArray()).map((w) => [w.body.step, w.refused])).toEqual([
    ['first', undefined],
    ['second', undefined],
  ])
  expect(asked).toContain('other')
  expect(asked).not.toContain('second')
  broken = false
  await flush()
  expect(await store.waiting.count()).toBe(0)
  expect(asked.slice(-2)).toEqual(['first', 'second'])
})

/** A server that stores, and remembers what came and with which headings. */
function taking(status = 201, said: unknown = stored): { body: Record<string, unknown>; headers: Record<string, string> }[] {
  const came: { body: Record<string, unknown>; headers: Record<string, string> }[] = []
  vi.stubGlobal('fetch', async (_url: string, init: RequestInit) => {
    came.push({ body: JSON.parse(String(init.body)) as Record<string, unknown>, headers: init.headers as Record<string, string> })
    return answer(status, said)
  })
  return came
}

test('each fact says on which device it was made, and what time it is there when it goes out', async () => {
  await record('subjects/joint/1', { step: 'one', value: {} })
  await record('subjects/joint/1', { step: 'two', value: {} })
  const came = taking()
  await flush()
  expect(came[0]!.body['device']).toMatch(/^[0-9a-f-]{36}$/)
  expect(came[1]!.body['device']).toBe(came[0]!.body['device'])
  expect(came[0]!.body).not.toHaveProperty('clock_off_s')
  expect(Math.abs(Number(came[0]!.headers['X-Device-Clock']) - Date.now())).toBeLessThan(5_000)
})

test('each fact says by which text of the procedure it was made, as far as the page knows it', async () => {
  whenAskedByWhat((subject) => (subject === 'subjects/joint/1' ? 'by this' : undefined))
  await record('subjects/joint/1', { step: 'one', value: {} })
  await record('subjects/joint/2', { step: 'one', value: {} })
  const came = taking()
  await flush()
  expect(came.map((fact) => fact.body['procedure'])).toEqual(['by this', undefined])
  whenAskedByWhat(() => undefined)
})

test('what is recorded while the clock is known to be off carries the right time, and by how much it was corrected', async () => {
  heard(new Headers({ 'X-Server-Time': String(Date.now() - 7_200_000) }), Date.now())
  await record('subjects/joint/1', { step: 'one', value: {} })
  const came = taking()
  await flush()
  expect(came[0]!.body['clock_off_s']).toBe(7_200)
  expect(Math.abs(Date.parse(String(came[0]!.body['recorded_at'])) - (Date.now() - 7_200_000))).toBeLessThan(5_000)
})

test('a reading that contradicts another is kept by the server: it leaves the device, and the page is told', async () => {
  let told = 0
  whenContested(() => told++)
  await record('subjects/joint/1', { step: 'one', value: {} })
  taking(202, { contested: { id: 'x', why: 'It was recorded already.' } })
  await flush()
  expect(await store.waiting.count()).toBe(0)
  expect(told).toBe(1)
})

test('a seal goes out after all that waits, at once or not at all, and its password is kept nowhere', async () => {
  await record('subjects/joint/1', { step: 'one', value: {} })
  await expect(seal('subjects/joint/1', 'id', { step: 'accept', value: { signed: true } }, 'heron-and-gravel')).rejects.toThrow(
    'has not reached the server yet',
  )
  const came = taking()
  await seal('subjects/joint/1', 'id', { step: 'accept', value: { signed: true } }, 'heron-and-gravel')
  expect(came.map((c) => c.body['step'])).toEqual(['one', 'accept'])
  expect(came[1]!.body['password']).toBe('heron-and-gravel')
  expect(JSON.stringify([await store.waiting.toArray(), { ...localStorage }])).not.toContain('heron')
  // Nothing of it waits where it was refused.
  taking(422, { title: 'That is not your password.', errors: [{ field: 'password', message: 'That is not your password.' }] })
  await expect(seal('subjects/joint/1', 'id', { step: 'accept', value: { signed: true } }, 'wrong')).rejects.toThrow('not your password')
  expect(await store.waiting.count()).toBe(0)
})

test('what the device cannot keep is said, and nothing of it is half there', async () => {
  const full = new DOMException('The device is full.', 'QuotaExceededError')
  const adding = vi.spyOn(store.waiting, 'bulkAdd').mockRejectedValue(full)
  const photo = vi.spyOn(store.photos, 'add').mockRejectedValue(full)
  await expect(record('subjects/joint/1', { step: 'one', value: {} })).rejects.toThrow('This was NOT recorded')
  await expect(keepPhoto('subjects/joint/1', 'one', new Blob(['x']))).rejects.toThrow('This was NOT recorded')
  adding.mockRestore()
  photo.mockRestore()
  expect((await store.waiting.count()) + (await store.photos.count())).toBe(0)
})
