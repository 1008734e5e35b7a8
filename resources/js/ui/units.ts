import { useMe, useUnits, type Units } from '../api/queries'

/** Key suffix shown to somebody who reads US customary units. Conversion factors come from the server. */
const US: Record<string, string> = {
  mm: 'in',
  m: 'ft',
  c: 'f',
  kpa: 'psi',
  bar: 'psi',
  l: 'gal',
  m3: 'gal',
  kn: 'lbf',
  k: 'degf',
  ms: 'ft_s',
  l_s: 'gpm',
  kg: 'lb',
}

const DECIMALS: Record<string, number> = {
  mm: 1,
  in: 3,
  m: 1,
  ft: 1,
  c: 1,
  f: 1,
  kpa: 0,
  bar: 2,
  psi: 1,
  l: 1,
  gal: 1,
  m3: 2,
  kn: 1,
  lbf: 0,
  s: 0,
  min: 0,
  h: 1,
  l_s: 1,
  gpm: 0,
  v: 1,
  a: 1,
  ohm: 2,
}

export interface Shown {
  key: string
  suffix: string
  symbol: string
  fromKey: (value: number) => number
}

function suffixOf(key: string, units: Record<string, unknown>): string | undefined {
  return Object.keys(units)
    .filter((s) => key.endsWith(`_${s}`))
    .sort((a, b) => b.length - a.length)[0]
}

/** How a quantity of a given key is typed and read by this person. */
export function shownAs(key: string, quantity: string, system: 'metric' | 'us', all: Units | undefined): Shown {
  const units = all?.[quantity]
  const own = units && suffixOf(key, units)
  if (!units || !own) return { key, suffix: '', symbol: '', fromKey: (v) => v }
  const wanted = system === 'us' && US[own] && units[US[own]] ? US[own] : own
  const from = units[own]!
  const to = units[wanted]!
  return {
    key: key.slice(0, -own.length) + wanted,
    suffix: wanted,
    symbol: to.symbol,
    fromKey: (value) => (wanted === own ? value : (from.offset + from.factor * value - to.offset) / to.factor),
  }
}

export function figure(value: number, suffix: string, decimals?: number): string {
  const text = value.toFixed(decimals ?? DECIMALS[suffix] ?? 2)
  return /^-0(\.0+)?$/.test(text) ? text.slice(1) : text
}

/** Formats values in the reader's units: `show('x_kpa', 'pressure', 1300)`. */
export function useShow(): (key: string, quantity: string, value: number | null | undefined, decimals?: number) => string {
  const me = useMe()
  const units = useUnits()
  return (key, quantity, value, decimals) => {
    if (value === null || value === undefined) return '–'
    const shown = shownAs(key, quantity, me.data?.units ?? 'metric', units.data)
    const metric = shown.key === key
    return `${figure(shown.fromKey(value), shown.suffix, metric ? decimals : undefined)} ${shown.symbol}`.trim()
  }
}
