import { api, Refusal, Unreachable, type NewFact, type Recorded } from '../api/client'
import { store, type Waiting } from './db'

/**
 * Facts are written to the device's own database first and sent in order, each until the server says it is stored.
 * The id is made here, so a fact sent twice is stored once.
 */
type Listener = () => void
const listeners = new Set<Listener>()
let sending: Promise<void> | null = null
let onSent: (subject: string, fact: NewFact, recorded: Recorded) => void = () => undefined

export const tell = (): void => listeners.forEach((l) => l())

export function subscribe(listener: Listener): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Called while the fact is still in the outbox, so that no page sees it in neither place. */
export function whenSent(callback: typeof onSent): void {
  onSent = callback
}

/** Time of the device with its offset, as facts carry it. */
export function deviceTime(at = new Date()): string {
  const two = (n: number): string => String(n).padStart(2, '0')
  const minutes = -at.getTimezoneOffset()
  const sign = minutes < 0 ? '-' : '+'
  const offset = `${sign}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}:${two(at.getSeconds())}${offset}`
}

export function newId(): string {
  return crypto.randomUUID ? crypto.randomUUID() : '10000000-1000-4000-8000-100000000000'.replace(/[018]/g, (c) => (Number(c) ^ (crypto.getRandomValues(new Uint8Array(1))[0]! & (15 >> (Number(c) / 4)))).toString(16))
}

/** Puts a fact into the outbox and tries to send. Resolves when it is safely on the device. `title`: how a person calls the step. */
export async function record(subject: string, fact: Omit<NewFact, 'id' | 'recorded_at'> & { recorded_at?: string }, title?: string): Promise<string> {
  const id = newId()
  await store.waiting.add({ id, subject, since: Date.now(), ...(title ? { title } : {}), body: { ...fact, id, recorded_at: fact.recorded_at ?? deviceTime() } })
  tell()
  void flush()
  return id
}

export async function drop(seq: number): Promise<void> {
  await store.waiting.delete(seq)
  tell()
}

export async function dropPhoto(id: string): Promise<void> {
  await store.photos.delete(id)
  tell()
}

/** Sends what waits, oldest first. A refused fact is set aside with its sentence and does not hold up others. */
export function flush(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = null
  })
  return sending
}

async function sendAll(): Promise<void> {
  for (;;) {
    const next = await store.waiting.filter((w) => w.refused === undefined).first()
    if (!next) return sendPhotos()
    const outcome = await sendOne(next)
    tell()
    if (outcome === 'stop') return
  }
}

/** Pictures follow the facts: they are large, and a judgement does not wait for them. */
async function sendPhotos(): Promise<void> {
  for (const photo of await store.photos.filter((p) => p.refused === undefined).toArray()) {
    const form = new FormData()
    form.append('id', photo.id)
    form.append('step', photo.step)
    form.append('taken_at', photo.takenAt)
    form.append('file', photo.picture, 'photo.jpg')
    try {
      await api.post(`/${photo.subject}/photos`, form)
      await store.photos.delete(photo.id)
      tell()
    } catch (error) {
      if (error instanceof Unreachable) return
      if (!(error instanceof Refusal)) throw error
      if ([401, 419, 429].includes(error.status) || error.status >= 500) return
      await store.photos.update(photo.id, { refused: error.message })
      tell()
    }
  }
}

/** Keeps a picture on the device under an id of its own and sends it when it can. */
export async function keepPhoto(subject: string, step: string, picture: Blob): Promise<string> {
  const id = newId()
  await store.photos.add({ id, subject, step, takenAt: deviceTime(), picture })
  tell()
  void flush()
  return id
}

async function sendOne(waiting: Waiting): Promise<'next' | 'stop'> {
  try {
    const recorded = await api.post<Recorded>(`/${waiting.subject}/facts`, waiting.body)
    onSent(waiting.subject, waiting.body, recorded)
    await store.waiting.delete(waiting.seq!)
    return 'next'
  } catch (error) {
    if (error instanceof Unreachable) return 'stop'
    if (error instanceof Refusal) {
      // Signed out, too many tries, a fault of the server: what was recorded can wait.
      if ([401, 419, 429].includes(error.status) || error.status >= 500) return 'stop'
      await store.waiting.update(waiting.seq!, { refused: error.errors.map((e) => e.message).join(' ') || error.message })
      return 'next'
    }
    throw error
  }
}

/** Tries again when the network comes back, when the page is looked at again, and now and then. */
export function keepSending(): () => void {
  const again = (): void => void flush()
  window.addEventListener('online', again)
  document.addEventListener('visibilitychange', again)
  const timer = window.setInterval(again, 4_000)
  again()
  return () => {
    window.removeEventListener('online', again)
    document.removeEventListener('visibilitychange', again)
    window.clearInterval(timer)
  }
}
