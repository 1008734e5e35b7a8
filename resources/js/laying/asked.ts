import type { BendRow, LaidRow, LayingAsked } from '../api/client'
import type { Shown } from '../ui/units'

/** What a plan is asked to keep to, as it is held while somebody changes it. */
export type Asked = LayingAsked

export const MOST_LENGTHS = 6

/** Corners that are nearer to each other are one, m. */
const SAME_CORNER_M = 0.05

/** Length at a joint is read in the small unit: mm, or inch. */
export const smallUnit = (unit: Shown): { symbol: string; per: number } =>
  unit.suffix === 'm' ? { symbol: 'mm', per: 1000 } : { symbol: 'in', per: 1 / 0.0254 }

/** One pipe more or fewer of a length; fewer than none are not to hand. */
export const counted = (asked: Asked, i: number, by: number): Asked => ({
  ...asked,
  stock: asked.stock.map((row, k) => (k === i ? { ...row, count: Math.max(0, (row.count ?? 0) + by) } : row)),
})

export const withCount = (asked: Asked, i: number, count: number | null): Asked => ({
  ...asked,
  stock: asked.stock.map((row, k) => (k === i ? { ...row, count } : row)),
})

/** So many pipes more of a length that is there. */
export const withMore = (asked: Asked, length_m: number, by: number): Asked => ({
  ...asked,
  stock: asked.stock.map((row) =>
    Math.abs(row.length_m - length_m) < 1e-6 && row.count !== null ? { ...row, count: row.count + by } : row,
  ),
})

/** Another length, longest first; one that is there already is not there twice. */
export const withLength = (asked: Asked, length_m: number, count: number | null): Asked =>
  asked.stock.some((row) => Math.abs(row.length_m - length_m) < 1e-6)
    ? asked
    : { ...asked, stock: [...asked.stock, { length_m, count }].sort((a, b) => b.length_m - a.length_m) }

export const withoutLength = (asked: Asked, i: number): Asked =>
  asked.stock.length === 1 ? asked : { ...asked, stock: asked.stock.filter((_, k) => k !== i) }

/** A bend in a corner, in the order of the line; another one in the same corner takes the place of the first. */
export const withBend = (asked: Asked, bend: BendRow): Asked => ({
  ...asked,
  bends: [...(asked.bends ?? []).filter((one) => Math.abs(one.at_m - bend.at_m) > SAME_CORNER_M), bend].sort((a, b) => a.at_m - b.at_m),
})

export const withLeg = (asked: Asked, i: number, leg_m: number): Asked => ({
  ...asked,
  bends: (asked.bends ?? []).map((bend, k) => (k === i ? { ...bend, leg_m } : bend)),
})

export const withoutBend = (asked: Asked, i: number): Asked => ({ ...asked, bends: (asked.bends ?? []).filter((_, k) => k !== i) })

/** How many pipes of a length a plan takes, cut ones among them; a bend is none. */
export const taken = (rows: Pick<LaidRow, 'length_m' | 'cut_from_m' | 'bend'>[], length_m: number): number =>
  rows.filter((row) => row.bend === null && Math.abs((row.cut_from_m ?? row.length_m) - length_m) < 1e-6).length
