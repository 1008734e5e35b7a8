import type { MessageId, Values } from '../texts/say'

const SECOND = 1000
const MINUTE = 60 * SECOND

/** The dial has as many blocks as half an hour has minutes. */
const BLOCKS = 30

/** Minutes that a block stands for: the least with which the wait goes round once at the most. */
const STEPS = [1, 5, 30]

/** What is left of a wait, in words: never figures that could be read as a time of day. */
export function leftOf(ms: number): { id: MessageId; values: Values } {
  const minutes = Math.ceil(ms / MINUTE)
  if (minutes > 90) return { id: 'ui.leftHours', values: { hours: Math.floor(minutes / 60), minutes: minutes % 60 } }
  if (minutes > 1) return { id: 'ui.leftMinutes', values: { minutes } }
  return { id: 'ui.leftSeconds', values: { seconds: Math.max(0, Math.ceil(ms / SECOND)) } }
}

/** How a wait fills a dial: what a block stands for, and how many are left, one begun being one. */
export function blocksOf(ms: number): { blocks: number; minutes: number } {
  const left = Math.max(0, ms) / MINUTE
  const minutes = STEPS.find((step) => left <= step * BLOCKS) ?? STEPS[STEPS.length - 1]!
  return { blocks: Math.min(BLOCKS, Math.ceil(left / minutes)), minutes }
}

/** How much too early, in words: whole minutes, or seconds below two of them. */
export function earlyBy(ms: number): { id: MessageId; values: Values } {
  return ms < 2 * MINUTE
    ? { id: 'steps.secondsTooEarly', values: { seconds: Math.ceil(ms / SECOND) } }
    : { id: 'steps.minutesTooEarly', values: { minutes: Math.floor(ms / MINUTE) } }
}
