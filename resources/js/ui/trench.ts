/** A lift as it lies: its top above the trench bottom, mm, and what its last test left and right of the pipe found, %. */
export interface Lift {
  lift: number
  thick: number
  top: number
  left: number | null
  right: number | null
}

export interface Trench {
  /** mm */
  od: number
  width: number | null
  bed: number
  lifts: Lift[]
  /** %, of the pipe that was measured last; minus: it stands up */
  flat: number | null
  /** % */
  limit: number | null
}

/** Bedding under a pipe where nobody has said how much, mm: only so that the pipe does not lie on the ground. */
const SOME_BED = 100

const number = (value: unknown): number | null => (typeof value === 'number' ? value : null)
const rows = (value: unknown): Record<string, unknown>[] => (Array.isArray(value) ? (value as Record<string, unknown>[]) : [])

export const hasWidth = (trench: Trench): boolean => trench.width !== null

/** What a step hands over of its trench; null: not even the pipe is known. */
export function trenchOf(of: Record<string, unknown>): Trench | null {
  const od = number(of['od_mm'])
  if (od === null) return null
  const bed = number(of['bed_mm']) ?? SOME_BED
  const degrees = Array.isArray(of['degrees']) ? (of['degrees'] as unknown[]) : []
  const tests = rows(of['tests']).map((row, i) => ({ lift: number(row['lift']), side: row['side'], degree: number(degrees[i]) }))
  const found = (lift: number, side: string): number | null =>
    tests.filter((t) => t.lift === lift && t.side === side).at(-1)?.degree ?? null
  let top = bed
  const lifts = rows(of['lifts'])
    .flatMap((row) => {
      const [lift, thick] = [number(row['lift']), number(row['thick_mm'])]
      return lift === null || thick === null ? [] : [{ lift, thick }]
    })
    .sort((a, b) => a.lift - b.lift)
    .map(({ lift, thick }) => ({ lift, thick, top: (top += thick), left: found(lift, 'left'), right: found(lift, 'right') }))
  const flats = Array.isArray(of['deflections']) ? (of['deflections'] as unknown[]) : []
  return { od, width: number(of['width_mm']), bed, lifts, flat: number(flats.at(-1)), limit: number(of['limit_pct']) }
}
