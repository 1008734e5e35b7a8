import { figureOf } from '../ui/figureOf'

/** Rows of a centre line as they are typed: chainage, easting, northing, level; NaN where no figure stands. */
export const rowsOf = (text: string): number[][] =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
    .map((l) => l.split(/[;\t]|,\s+/).map((c) => figureOf(c) ?? NaN))

/** The same, or null where a row is not whole. */
export function pointsOf(text: string): number[][] | null {
  const rows = rowsOf(text)
  return rows.every((p) => p.length === 4 && p.every((n) => Number.isFinite(n))) ? rows : null
}
