import type { Usual } from '../api/client'
import type { Shown } from '../ui/units'
import { say } from '../texts/say'

/** Leading digits that are known before anything is typed: of 225 mm the 22. Nobody taps what is known. */
export interface Prefix {
  digits: string
  /** what is expected, as it is read; null where only the point is known */
  near: number | null
  /** it is read in whole units: a second digit says that all of them are typed */
  whole: boolean
}

/** From what is expected, as it is read; a figure of one digit before the point has none. */
export function prefixOf(near: number | null | undefined, whole = false): Prefix | null {
  if (near === null || near === undefined || !(near >= 10)) return null
  // Only what is the same whichever digit comes next is shown: near 110 it may be 109 or 111.
  const outcomes = [...'0123456789'].map((digit) => wholeWith(digit, near))
  return { digits: common(outcomes) || String(Math.floor(near + 1e-9)).slice(0, -1), near, whole }
}

/** What some numbers begin with alike, short of their last digit. */
function common(texts: string[]): string {
  let alike = texts[0]!.slice(0, -1)
  while (!texts.every((text) => text.slice(0, -1).startsWith(alike))) alike = alike.slice(0, -1)
  return alike
}

/** Of a gap or a chip of less than this in mm the first digit is a nought, and tenths are read. */
const FINE_MM = 4

/** What is known of a figure by what is usual for it. */
export function prefixBy(usual: Usual | undefined, shown: Shown): Prefix | null {
  if (!usual) return null
  if (usual.near !== null) return prefixOf(shown.fromKey(usual.near), usual.whole)
  return shown.symbol === 'mm' && usual.high !== null && shown.fromKey(usual.high) < FINE_MM
    ? { digits: '0.', near: null, whole: false }
    : null
}

/** The whole number nearest to what is expected that ends in this digit: where 110 is due, a 9 is 109. */
function wholeWith(digit: string, near: number): string {
  const tens = Math.floor(near / 10) * 10
  const best = [tens, tens - 10, tens + 10]
    .map((t) => t + Number(digit))
    .filter((n) => n >= 0)
    .reduce((best, n) => (Math.abs(n - near) < Math.abs(best - near) - 1e-9 ? n : best))
  return String(best)
}

const decimal = (whole: string, rest: string): string => (rest === '' ? whole : `${whole}.${rest}`)

/**
 * What stands there after these keys: the known digits come first, and the point by itself. Who does not look at them and types
 * every digit means the figure that comes out so.
 */
export function textOf(keys: string, prefix: Prefix | null): string {
  if (prefix === null || keys === '' || !/^\d/.test(keys)) return keys
  const { near } = prefix
  const [before = '', after] = keys.split('.')
  if (near === null) return after === undefined ? prefix.digits + keys : keys
  const length = String(Math.floor(near + 1e-9)).length
  if (after !== undefined) return before.length < length && before.length === 1 ? `${wholeWith(before, near)}.${after}` : keys
  if (prefix.whole) return keys.length === 1 ? wholeWith(keys, near) : keys
  const known = (some: string): string => decimal(wholeWith(some.charAt(0), near), some.slice(1))
  const first = keys.slice(0, length)
  const isFull = first.length === length && Math.abs(Number(first) - near) <= Math.abs(Number(known(first)) - near)
  return isFull && length > 1 ? decimal(first, keys.slice(length)) : known(keys)
}

/** The key that lets go of the known digits: the pipe is another one. */
export const notThese = (prefix: Prefix, onTap: () => void): { says: string; onTap: () => void } => ({
  says: say('steps.notThese', { digits: prefix.digits }),
  onTap,
})
