import type { LayingAsked } from '../api/client'
import { say } from '../texts/say'
import { figureOf, noFigure } from '../ui/figureOf'
import type { Shown } from '../ui/units'

export type GroundPoint = NonNullable<LayingAsked['ground']>[number]

const shown = (value: number): string => String(Number(value.toPrecision(9)))

/** As it is typed: a place a row, chainage and level. */
export const groundText = (ground: GroundPoint[], unit: Shown): string =>
  ground.map(({ at_m, level_m }) => `${shown(unit.fromKey(at_m))} ${shown(unit.fromKey(level_m))}`).join('\n')

/** Two figures of a row: parted by a semicolon, a tab or blanks; by a comma where nothing else parts them. */
const figuresIn = (row: string): string[] => {
  const parts = row.split(/[;\t ]+/).filter((part) => part !== '')
  return parts.length === 1 ? row.split(',').map((part) => part.trim()) : parts
}

/** What a table of places says, or why it is none. A first row without a figure is its heading. */
export function groundOf(text: string, unit: Shown): { ground: GroundPoint[]; wrong: string | null } {
  const ground: GroundPoint[] = []
  const rows = text.split(/\r?\n/).map((row) => row.trim())
  for (const [i, row] of rows.entries()) {
    if (row === '' || (i === 0 && !/\d/.test(row))) continue
    const parts = figuresIn(row)
    if (parts.length !== 2) return { ground: [], wrong: say('laying.groundRowOfTwo', { row: i + 1, typed: row }) }
    const wrong = parts.map(noFigure).find((why) => why !== null)
    if (wrong) return { ground: [], wrong: say('laying.groundRow', { row: i + 1, why: wrong }) }
    const [at, level] = parts.map((part) => Number(unit.toKey(figureOf(part)!).toPrecision(12))) as [number, number]
    if (ground.length > 0 && at <= ground[ground.length - 1]!.at_m)
      return { ground: [], wrong: say('laying.groundRowRises', { row: i + 1 }) }
    ground.push({ at_m: at, level_m: level })
  }
  return ground.length === 1 ? { ground: [], wrong: say('laying.groundWantsTwo') } : { ground, wrong: null }
}

/** Level of the ground at a place; null where nobody knows it. */
export function groundAt(ground: GroundPoint[], at: number): number | null {
  const behind = ground.findIndex((point) => point.at_m >= at)
  if (behind < 0 || ground.length === 0) return null
  const [a, b] = [ground[Math.max(0, behind - 1)]!, ground[behind]!]
  if (behind === 0) return b.at_m === at ? b.level_m : null
  return a.level_m + ((b.level_m - a.level_m) * (at - a.at_m)) / (b.at_m - a.at_m)
}

/** The ground within a view, with its level at both edges where it is known there. */
export function groundIn(ground: GroundPoint[], view: { from: number; to: number }): GroundPoint[] {
  const edge = (at_m: number): GroundPoint[] => {
    const level_m = groundAt(ground, at_m)
    return level_m === null ? [] : [{ at_m, level_m }]
  }
  return [...edge(view.from), ...ground.filter(({ at_m }) => at_m > view.from && at_m < view.to), ...edge(view.to)]
}
