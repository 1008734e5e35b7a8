import type { LayingAsked } from '../api/client'

/** What a plan is asked to keep to, as it is held while somebody changes it. */
export type Asked = LayingAsked

export const MOST_LENGTHS = 6

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

/** How many pipes of a length a plan takes, cut ones among them. */
export const taken = (rows: { length_m: number; cut_from_m: number | null }[], length_m: number): number =>
  rows.filter((row) => Math.abs((row.cut_from_m ?? row.length_m) - length_m) < 1e-6).length
