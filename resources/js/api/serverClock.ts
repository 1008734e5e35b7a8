/**
 * The clock of the server, as far as this device knows it. A phone whose own clock is off records at the right time all the
 * same: each answer says what time it is there, and what is stamped here is corrected by the difference.
 */

/** Clocks agree no better than this, ms. */
const TOLERATED_MS = 60_000
/** An answer that took longer says too little. */
const SLOWEST_MS = 10_000

let ahead = 0
let practising = false
const listeners = new Set<() => void>()

/** @param asked when it was asked, by the clock of this device */
export function heard(headers: Headers, asked: number, now = Date.now()): void {
  const there = Number(headers.get('X-Server-Time'))
  // What the device kept says what time it was then.
  if (!there || headers.has('X-Kept') || now < asked || now - asked > SLOWEST_MS) return
  const before = clockAhead()
  ahead = Math.round((asked + now) / 2 - there)
  if (before !== clockAhead()) listeners.forEach((changed) => changed())
}

/** Who practises may set the clock on, and need not wait. */
export function setPractising(is: boolean): void {
  if (practising === is) return
  practising = is
  listeners.forEach((changed) => changed())
}

/** By how much the clock of this device is ahead of the server's, ms; nought where it is right, or nothing is known of it. */
export const clockAhead = (): number => (!practising && Math.abs(ahead) > TOLERATED_MS ? ahead : 0)

/** Now, by the clock of the server. */
export const rightNow = (): number => Date.now() - clockAhead()

export function whenClockChanges(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** For tests: nothing is known. */
export function forget(): void {
  ahead = 0
  practising = false
}
