import { say } from '../texts/say'

/** Leading digits that are known before anything is typed: of 225 mm the 22. Nobody taps what is known. */
export interface Prefix {
  digits: string
  /** how many digits stand before the point */
  whole: number
}

/** From what is expected, as it is read; a figure of one digit before the point has none. */
export function prefixOf(near: number | null | undefined): Prefix | null {
  if (near === null || near === undefined || !(near >= 10)) return null
  const whole = String(Math.floor(near + 1e-9))
  return { digits: whole.slice(0, -1), whole: whole.length }
}

/** What stands there after a tap: the known digits come first, and the point by itself. */
export function tapped(text: string, key: string, prefix: Prefix | null): string {
  if (prefix === null || !/^\d$/.test(key)) return text + key
  const begun = text === '' ? prefix.digits : text
  const isWhole = /^\d+$/.test(begun) && begun.length >= prefix.whole
  return `${begun}${isWhole ? '.' : ''}${key}`
}

/** The last tap taken back, with what had come by itself. */
export function untapped(text: string, prefix: Prefix | null): string {
  const left = text.slice(0, -1)
  if (prefix === null) return left
  if (left === prefix.digits) return ''
  return left.endsWith('.') && left.length === prefix.whole + 1 ? left.slice(0, -1) : left
}

/** The key that lets go of the known digits: the pipe is another one. */
export const notThese = (prefix: Prefix, onTap: () => void): { says: string; onTap: () => void } => ({
  says: say('steps.notThese', { digits: prefix.digits }),
  onTap,
})
