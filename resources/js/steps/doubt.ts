import type { Usual } from '../api/client'
import { figureOf } from '../ui/figureOf'
import type { Shown } from '../ui/units'

export interface Likely {
  /** as it would be typed */
  text: string
  why: 'round' | 'unit' | 'point' | 'swapped'
  unit: string | null
}

export interface Doubt {
  typed: string
  /** between what it usually lies, as it would be typed; an end that nothing says is null */
  low: string | null
  high: string | null
  likely: Likely[]
}

/** More of them would be a list to read, and not a question. */
const MOST = 2

const short = (value: number): string => String(Number(value.toPrecision(4)))

/** Is a figure so unusual that it is asked about, and which one was meant? What is usual comes from the core. */
export function doubtOf(text: string, usual: Usual | undefined, shown: Shown): Doubt | null {
  const typed = figureOf(text)
  if (typed === null || !usual) return null
  const low = usual.low === null ? null : shown.fromKey(usual.low)
  const high = usual.high === null ? null : shown.fromKey(usual.high)
  const isUsual = (value: number): boolean => (low === null || value >= low - 1e-9) && (high === null || value <= high + 1e-9)
  if (isUsual(typed)) return null
  // The way back leads through the unit in which the field is asked for.
  const zero = shown.fromKey(0)
  const asked = (typed - zero) / (shown.fromKey(1) - zero)
  const likely: Likely[] = usual.slips.map(({ factor, offset, why, unit }) => ({
    text: short(shown.fromKey(offset + factor * asked)),
    why,
    unit,
  }))
  likely.push(...swapped(text.trim()).map((other) => ({ text: other, why: 'swapped' as const, unit: null })))
  const meant = likely.filter(
    (one, i) => isUsual(Number(one.text)) && likely.findIndex((other) => Number(other.text) === Number(one.text)) === i,
  )
  return {
    typed: text.trim(),
    low: low === null ? null : short(low),
    high: high === null ? null : short(high),
    likely: meant.slice(0, MOST),
  }
}

/** Diameters of one pipe end that agree lie this close together, as a share of them; one that lies farther off is doubted. */
const AGREE = 0.03
const OFF = 0.06

/** Is a reading far from all others of its round, which agree? Of gaps and chips, which may be nought, nothing is said. */
export function doubtAmong(text: string, others: number[], slips: Usual['slips'], shown: Shown): Doubt | null {
  const sorted = [...others].sort((a, b) => a - b)
  const [least, most] = [sorted[0], sorted.at(-1)]
  if (least === undefined || most === undefined || others.length < 2 || least <= 0 || most - least > AGREE * most) return null
  const middle = shown.toKey((least + most) / 2)
  return doubtOf(text, { near: null, whole: false, low: middle * (1 - OFF), high: middle * (1 + OFF), slips }, shown)
}

/** The same figure with two digits beside each other in each other's place. */
function swapped(text: string): string[] {
  const digits = [...text].flatMap((c, i) => (/\d/.test(c) ? [i] : []))
  return digits.slice(1).map((at, i) => {
    const turned = [...text]
    ;[turned[digits[i]!], turned[at]] = [turned[at]!, turned[digits[i]!]!]
    return turned.join('')
  })
}
