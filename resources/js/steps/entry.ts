import type { FieldSpec } from '../api/client'
import type { Units } from '../api/queries'
import { deviceTime } from '../outbox/deviceTime'
import { figureOf, hasTwoReadings, noFigure } from '../ui/figureOf'
import { shownAs, type Shown, type System } from '../ui/units'
import { say } from '../texts/say'

/** As entered: text, an answer, or something out of the stores. */
export type Entered = string | boolean | Record<string, unknown> | null

/** What goes to the server for one field: a number under the key of its unit, or the text as typed. */
export function toValue(field: FieldSpec, entered: Entered, shown: Shown): Record<string, unknown> {
  if (entered === null || entered === '') return {}
  if (typeof entered !== 'string') return { [field.key]: entered }
  if (field.quantity || (field.type ?? 'number') === 'number') {
    const figure = figureOf(entered)
    return figure === null ? { [field.key]: entered.trim() } : { [shown.key]: figure }
  }
  if (field.type === 'time' && !Number.isNaN(Date.parse(entered))) return { [field.key]: deviceTime(new Date(entered)) }
  return { [field.key]: entered }
}

/** A moment as a calendar on the device has it: "2026-05-04T10:22". */
const onTheWall = (moment: string): string => deviceTime(new Date(moment)).slice(0, 16)

/** Echoes the range that the procedure states, before anything is stored; the server decides. */
export function complaint(field: FieldSpec, entered: Entered, shown: Shown): string | null {
  if (entered === null || entered === '') return field.optional ? null : say('steps.isMissing', { label: field.label })
  if (typeof entered !== 'string' || (field.type && !['quantity', 'number'].includes(field.type))) return null
  const text = entered.trim()
  const number = figureOf(text)
  if (number === null) return field.quantity && /\d/.test(text) && !hasTwoReadings(text) ? null : `${field.label}: ${noFigure(text)}`
  const low = field.min === undefined ? -Infinity : shown.fromKey(field.min)
  const high = field.max === undefined ? Infinity : shown.fromKey(field.max)
  if (number < low - 1e-9 || number > high + 1e-9) {
    const round = (n: number): string => (Number.isFinite(n) ? String(Math.round(n * 100) / 100) : say('steps.anyValue'))
    const unit = shown.symbol === '' ? '' : ` ${shown.symbol}`
    return say('steps.isOutsideTo', { label: field.label, text, unit, low: round(low), high: round(high) })
  }
  return null
}

/** A stored value as it would have been typed; a figure that cannot be turned into the reader's unit yet is left out. */
export function asEntered(field: FieldSpec, stored: unknown, shown: Shown, canTurn: boolean): Entered | undefined {
  if (field.type === 'time' && typeof stored === 'string' && !Number.isNaN(Date.parse(stored))) return onTheWall(stored)
  if (typeof stored !== 'number') return stored === null || stored === undefined ? undefined : (stored as Entered)
  if (field.quantity && !canTurn) return undefined
  // A minute and its hundredths tell the second.
  const figure = shown.fromKey(stored)
  return String(Number(field.quantity === 'time' ? figure.toFixed(2) : figure.toPrecision(6)))
}

export const shownField = (field: FieldSpec, system: System, units: Units | undefined): Shown =>
  field.quantity
    ? shownAs(field.key, field.quantity, system, units)
    : { key: field.key, suffix: '', symbol: '', decimals: 2, fromKey: (v) => v, toKey: (v: number): number => v }

/** An entry in a sentence: "air 14 °C", "humidity 60 %", "rain or snow: no"; nothing where there is none. */
export function saidOf(field: FieldSpec, entered: Entered | undefined, shown: Shown): string {
  if (entered === undefined || entered === null || typeof entered === 'object') return ''
  const [name = '', unit = shown.symbol] = field.label.split(/, (?=[^ ]+$)/)
  // SDR stays SDR.
  const word = /^[A-Z][^A-Z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name
  if (typeof entered === 'boolean') return `${word}: ${say(entered ? 'steps.yes' : 'steps.no').toLowerCase()}`
  const chosen = field.options?.find((o) => o.value === entered)?.label
  return `${word} ${chosen ?? `${entered} ${unit}`.trim()}`
}
