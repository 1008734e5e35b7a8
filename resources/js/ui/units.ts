import type { Me } from '../api/client'
import { useMe, useUnits, type Units } from '../api/queries'

/** In which units a person reads and types: metric with kPa, metric with bar, US customary. */
export type System = Me['units']

export interface Shown {
  key: string
  suffix: string
  symbol: string
  /** of a figure in it, where nothing else is asked */
  decimals: number
  fromKey: (value: number) => number
  /** what was typed, in the unit of the key */
  toKey: (value: number) => number
}

function suffixOf(key: string, units: Record<string, unknown>): string | undefined {
  return Object.keys(units)
    .filter((s) => key.endsWith(`_${s}`))
    .sort((a, b) => b.length - a.length)[0]
}

/** Where the server has not said it. */
const DECIMALS = 2

/** How a quantity of a given key is typed and read by this person; what a unit is read as, the server says. */
export function shownAs(key: string, quantity: string, system: System, all: Units | undefined): Shown {
  const units = all?.[quantity]
  const own = units && suffixOf(key, units)
  if (!units || !own) return { key, suffix: '', symbol: '', decimals: DECIMALS, fromKey: (v) => v, toKey: (v) => v }
  const from = units[own]!
  const named = from.shown?.[system] ?? own
  const wanted = units[named] ? named : own
  const to = units[wanted]!
  return {
    key: key.slice(0, -own.length) + wanted,
    suffix: wanted,
    symbol: to.symbol,
    decimals: to.decimals ?? DECIMALS,
    fromKey: (value) => (wanted === own ? value : (from.offset + from.factor * value - to.offset) / to.factor),
    toKey: (value) => (wanted === own ? value : (to.offset + to.factor * value - from.offset) / from.factor),
  }
}

export function figure(value: number, decimals: number): string {
  const text = value.toFixed(decimals)
  return /^-0(\.0+)?$/.test(text) ? text.slice(1) : text
}

/** Of which kind the unit at the end of a key is; the longest one counts. */
export function quantityOf(key: string, units: Units): string | null {
  const found = Object.entries(units).flatMap(([quantity, of]) =>
    Object.keys(of)
      .filter((suffix) => key.endsWith(`_${suffix}`))
      .map((suffix) => ({ quantity, suffix })),
  )
  return found.sort((a, b) => b.suffix.length - a.suffix.length)[0]?.quantity ?? null
}

/** Formats values in the reader's units: `show('x_kpa', 'pressure', 1300)`. */
export function useShow(): (key: string, quantity: string, value: number | null | undefined, decimals?: number) => string {
  const me = useMe()
  const units = useUnits()
  return (key, quantity, value, decimals) => {
    if (value === null || value === undefined) return '–'
    const shown = shownAs(key, quantity, me.data?.units ?? 'metric', units.data)
    const own = shown.key === key
    return `${figure(shown.fromKey(value), own && decimals !== undefined ? decimals : shown.decimals)} ${shown.symbol}`.trim()
  }
}
