import { useMe, useUnits } from '../api/queries'
import { say } from '../texts/say'
import { figure, quantityOf, shownAs } from '../ui/units'

type Value = string | number | boolean

/** In which unit a limit is written down, by the end of its name; empty where it has none. */
export function useOwnUnit(): (name: string) => string {
  const units = useUnits()
  return (name) => {
    if (/_pct_per_k$/.test(name)) return '%/K'
    if (/_(pct|percent)$/.test(name)) return '%'
    const quantity = quantityOf(name, units.data ?? {})
    const suffix = Object.keys(units.data?.[quantity ?? ''] ?? {})
      .filter((s) => name.endsWith(`_${s}`))
      .sort((a, b) => b.length - a.length)[0]
    return suffix === undefined ? '' : units.data![quantity!]![suffix]!.symbol
  }
}

/** A limit as this person reads it: its unit stands at the end of its name. */
export function useLimit(): (name: string, value: Value) => string {
  const me = useMe()
  const units = useUnits()
  return (name, value) => {
    if (typeof value === 'boolean') return say(value ? 'common.yes' : 'common.no').toLowerCase()
    if (typeof value === 'string') return value
    if (/_pct_per_k$/.test(name)) return `${value} %/K`
    if (/_(pct|percent)$/.test(name)) return `${value} %`
    const quantity = quantityOf(name, units.data ?? {})
    if (quantity === null) return String(value)
    const shown = shownAs(name, quantity, me.data?.units ?? 'metric', units.data)
    const own = shown.key === name
    // As it was written down; turned into another unit as that is read.
    return `${own ? String(value) : figure(shown.fromKey(value), shown.decimals)} ${shown.symbol}`
  }
}
