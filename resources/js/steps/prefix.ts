import type { Usual } from '../api/client'
import type { Shown } from '../ui/units'
import { say } from '../texts/say'

/** Leading digits that are known before anything is typed: of 225 mm the 22. Nobody taps what is known. */
export interface Prefix {
  digits: string
  /** what is expected, as it is read; null where only the point is known */
  near: number | null
}

/** From what is expected, as it is read; a figure of one digit before the point has none. */
export const prefixOf = (near: number | null | undefined): Prefix | null =>
  near === null || near === undefined || !(near >= 10) ? null : { digits: String(Math.floor(near + 1e-9)).slice(0, -1), near }

/** Of a gap or a chip of less than this in mm the first digit is a nought, and tenths are read. */
const FINE_MM = 4

/** What is known of a figure by what is usual for it. */
export function prefixBy(usual: Usual | undefined, shown: Shown): Prefix | null {
  if (!usual) return null
  if (usual.near !== null) return prefixOf(shown.fromKey(usual.near))
  return shown.symbol === 'mm' && usual.high !== null && shown.fromKey(usual.high) < FINE_MM ? { digits: '0.', near: null } : null
}

/** The whole number nearest to what is expected that ends in this digit: where 110 is due, a 9 is 109. */
function wholeWith(digit: number, near: number): number {
  const tens = Math.floor(near / 10) * 10
  return [tens, tens - 10, tens + 10]
    .map((t) => t + digit)
    .filter((n) => n >= 0)
    .reduce((best, n) => (Math.abs(n - near) < Math.abs(best - near) - 1e-9 ? n : best))
}

const isWhole = (text: string, near: number): boolean => /^\d+$/.test(text) && Math.abs(Number(text) - near) <= 10

/** What stands there after a tap: the known digits come first, and the point by itself. */
export function tapped(text: string, key: string, prefix: Prefix | null): string {
  if (prefix === null || !/^\d$/.test(key)) return text + key
  if (text === '') return prefix.near === null ? prefix.digits + key : String(wholeWith(Number(key), prefix.near))
  return prefix.near !== null && isWhole(text, prefix.near) ? `${text}.${key}` : text + key
}

/** The last tap taken back, with what had come by itself. */
export function untapped(text: string, prefix: Prefix | null): string {
  const left = text.slice(0, -1)
  if (prefix === null) return left
  if (prefix.near === null) return left === prefix.digits ? '' : left
  if (isWhole(text, prefix.near)) return ''
  return left.endsWith('.') && isWhole(left.slice(0, -1), prefix.near) ? left.slice(0, -1) : left
}

/** The key that lets go of the known digits: the pipe is another one. */
export const notThese = (prefix: Prefix, onTap: () => void): { says: string; onTap: () => void } => ({
  says: say('steps.notThese', { digits: prefix.digits }),
  onTap,
})
