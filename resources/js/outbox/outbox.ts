import { api, Refusal, Unreachable, type NewFact, type Recorded } from '../api/client'
import { store, type Person, type Waiting, type WaitingPhoto } from './db'
import { say } from '../texts/say'
import { clockAhead } from '../api/serverClock'
import { waitAfter } from './backOff'
import { deviceId } from './device'
import { deviceTime } from './deviceTime'
import { newId } from './id'
import { kept } from './kept'
import { keepRoom } from './room'

/**
 * Facts are written to the device's own database first and sent in order, each until the server says it is stored.
 * The id is made here, so a fact sent twice is stored once. Each belongs to the person who recorded it: on a device that
 * is shared it waits until that person is signed in again, and the server is told whose it is.
 */
type Listener = () => void
const listeners = new Set<Listener>()
let sending: Promise<void> | null = null
let wanted = false
let onSent: (subject: string, recorded: Recorded) => void = () => undefined

let onContested: () => void = () => undefined

/** The server keeps it beside the record: another reading counts there until somebody decides. */
interface Contested {
  contested: { id: string; why: string }
}

let here: Person | null = null
let onStranger: () => void = () => undefined
let shownProcedure: (subject: string) => string | undefined = () => undefined

/** Who is signed in on this device, as far as it knows. */
export const personHere = (): Person | null => here

export function setPerson(person: Person | null): void {
  if (person?.id === here?.id) return
  here = person
  tell()
  void flush()
}

const isTheirs = (row: { by?: Person }): boolean => here !== null && row.by?.id === here.id

/** Called when the server knows somebody else as signed in than this page does. */
export function whenStranger(callback: () => void): void {
  onStranger = callback
}

/** Asked for the hash of the procedure that the page of a subject shows: what was begun by it goes on by it. */
export function whenAskedByWhat(callback: typeof shownProcedure): void {
  shownProcedure = callback
}

/** What nobody was known for is taken over by who says so. */
export async function claim(row: Waiting | WaitingPhoto): Promise<void> {
  if (here === null) return
  if ('picture' in row) await store.photos.update(row.id, { by: here })
  else await store.waiting.update(row.seq!, { by: here })
  tell()
  void flush()
}

export const tell = (): void => listeners.forEach((l) => l())

export function subscribe(listener: Listener): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Called while the fact is still in the outbox, so that no page sees it in neither place. */
export function whenSent(callback: typeof onSent): void {
  onSent = callback
}

/** Called when what was sent contradicts what is recorded there. */
export function whenContested(callback: typeof onContested): void {
  onContested = callback
}

/** What is stamped at this moment of the device, by the clock of the server as far as it is known. */
export const stamp = (ms = Date.now(), ahead = clockAhead()): string => deviceTime(new Date(ms - ahead))

/** What goes with each fact: on which device, and by how much its clock was ahead where its times are corrected by that. */
export const ofDevice = (ahead = clockAhead()): { device: string; clock_off_s?: number } => ({
  device: deviceId(),
  ...(ahead === 0 ? {} : { clock_off_s: Math.round(ahead / 1000) }),
})

const ofText = (subject: string): { procedure?: string } => {
  const procedure = shownProcedure(subject)
  return procedure === undefined ? {} : { procedure }
}

type Recordable = Omit<NewFact, 'id' | 'recorded_at'> & { recorded_at?: string }

/**
 * Puts a fact into the outbox and tries to send. Resolves when it is safely on the device.
 * `title`: how a person calls joint or test and step.
 */
export async function record(subject: string, fact: Recordable, title?: string): Promise<string> {
  return (await recordAll(subject, [{ fact, title }]))[0]!
}

/** Several facts that one tap records: all of them are on the device, or none. */
export async function recordAll(subject: string, all: { fact: Recordable; title?: string | undefined }[]): Promise<string[]> {
  const rows = all.map(({ fact, title }): Waiting => {
    const id = newId()
    return {
      id,
      subject,
      since: Date.now(),
      ...(here ? { by: here } : {}),
      ...(title ? { title } : {}),
      body: { ...fact, id, recorded_at: fact.recorded_at ?? stamp(), ...ofDevice(), ...ofText(subject) },
    }
  })
  void keepRoom()
  await kept(store.transaction('rw', store.waiting, () => store.waiting.bulkAdd(rows)))
  tell()
  void flush()
  return rows.map((row) => row.id)
}

/**
 * A signature that seals is set by the server, which asks for the password: it goes at once or not at all, and only after
 * all that was recorded here. The password is kept nowhere.
 *
 * @param id the same when it is tried again: a seal whose answer was lost is not set twice
 */
export async function seal(subject: string, id: string, fact: Recordable, password: string): Promise<void> {
  await flush()
  if ((await store.waiting.where('subject').equals(subject).count()) > 0) throw new Error(say('outbox.notAllHasArrived'))
  const body = { ...fact, id, recorded_at: fact.recorded_at ?? stamp(), ...ofDevice(), ...ofText(subject), password }
  onSent(subject, await api.post<Recorded>(`/${subject}/facts`, body, named(here ?? undefined)))
}

/** Thrown away only by who recorded it, or where nobody is known to have. */
export async function drop(seq: number): Promise<void> {
  const row = await store.waiting.get(seq)
  if (row === undefined || (row.by !== undefined && !isTheirs(row))) return
  await store.waiting.delete(seq)
  tell()
}

export async function dropPhoto(id: string): Promise<void> {
  const row = await store.photos.get(id)
  if (row === undefined || (row.by !== undefined && !isTheirs(row))) return
  await store.photos.delete(id)
  tell()
}

/** Sends what waits of the person who is here, oldest first. A refused fact is set aside with its sentence and does not hold up others. */
export function flush(): Promise<void> {
  wanted = true
  sending ??= sendWhileWanted().finally(() => {
    sending = null
  })
  return sending
}

/** Who asks while something is being sent may mean what was not there when that began, or another person. */
async function sendWhileWanted(): Promise<void> {
  while (wanted) {
    wanted = false
    await sendAll()
  }
}

async function sendAll(): Promise<void> {
  // Where the server stumbles over one joint or test, its facts wait in their order; those of others go on.
  const stumbled = new Set<string>()
  for (;;) {
    const next = await store.waiting.filter((w) => w.refused === undefined && isTheirs(w) && !stumbled.has(w.subject)).first()
    if (!next) return sendPhotos()
    const outcome = await sendOne(next)
    tell()
    if (outcome === 'stop') return
    if (outcome === 'stumbled') stumbled.add(next.subject)
  }
}

/** What the server said is about who, when and whether, not about the reading: it can wait. */
function canWait(refusal: Refusal): boolean {
  if (refusal.errors.some((e) => e.field === 'recorded_by')) {
    // Somebody else signed in, in another window: what is known here is old.
    onStranger()
    return true
  }
  return [401, 419, 429].includes(refusal.status) || refusal.status >= 500
}

/** Whose it is, and what time it is here. */
const named = (by: Person | undefined): Record<string, string> => ({
  'X-Device-Clock': String(Date.now()),
  ...(by ? { 'X-Recorded-By': String(by.id) } : {}),
})

/** Pictures follow the facts: they are large, and a judgement does not wait for them. */
async function sendPhotos(): Promise<void> {
  for (const photo of await store.photos.filter((p) => p.refused === undefined && isTheirs(p)).toArray()) {
    if (!(photo.picture instanceof Blob)) {
      // A database that lost the bytes must not hold up what comes after.
      await store.photos.update(photo.id, { refused: say('outbox.thePictureCannotBeReadOn') })
      tell()
      continue
    }
    const form = new FormData()
    form.append('id', photo.id)
    form.append('step', photo.step)
    form.append('taken_at', photo.takenAt)
    form.append('file', photo.picture, 'photo.jpg')
    try {
      await api.post(`/${photo.subject}/photos`, form, named(photo.by))
      await store.photos.delete(photo.id)
      tell()
    } catch (error) {
      if (error instanceof Unreachable) return
      if (!(error instanceof Refusal)) throw error
      if (error.status === 500) continue
      if (canWait(error)) return
      await store.photos.update(photo.id, { refused: error.message })
      tell()
    }
  }
}

/** Keeps a picture on the device under an id of its own and sends it when it can. */
export async function keepPhoto(subject: string, step: string, picture: Blob, title?: string): Promise<string> {
  const id = newId()
  void keepRoom()
  await kept(store.photos.add({ id, subject, step, takenAt: stamp(), picture, ...(here ? { by: here } : {}), ...(title ? { title } : {}) }))
  tell()
  void flush()
  return id
}

async function sendOne(waiting: Waiting): Promise<'next' | 'stop' | 'stumbled'> {
  try {
    const recorded = await api.post<Recorded | Contested>(`/${waiting.subject}/facts`, waiting.body, named(waiting.by))
    try {
      if ('contested' in recorded) onContested()
      else onSent(waiting.subject, recorded)
    } finally {
      // Stored it is, whatever a page makes of it.
      await store.waiting.delete(waiting.seq!)
    }
    return 'next'
  } catch (error) {
    if (error instanceof Unreachable) return 'stop'
    if (error instanceof Refusal) {
      if (error.status === 500) return 'stumbled'
      if (canWait(error)) return 'stop'
      await store.waiting.update(waiting.seq!, { refused: error.errors.map((e) => e.message).join(' ') || error.message })
      return 'next'
    }
    throw error
  }
}

/** Tries again when the network comes back, when the page is looked at again, and now and then: less often while it fails. */
export function keepSending(): () => void {
  let failed = 0
  let timer = 0
  const later = (): void => {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => void again(), waitAfter(failed))
  }
  const again = async (): Promise<void> => {
    const before = await store.waiting.count()
    await flush()
    const left = await store.waiting.filter((w) => w.refused === undefined && isTheirs(w)).count()
    failed = left > 0 && left >= before ? failed + 1 : 0
    later()
  }
  const now = (): void => {
    failed = 0
    void again()
  }
  window.addEventListener('online', now)
  document.addEventListener('visibilitychange', now)
  now()
  return () => {
    window.removeEventListener('online', now)
    document.removeEventListener('visibilitychange', now)
    window.clearTimeout(timer)
  }
}
