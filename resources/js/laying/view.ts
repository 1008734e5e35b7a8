/** A part of the line that is looked at, chainages in m. */
export interface View {
  from: number
  to: number
}

/** Nearer than this nothing is drawn larger: a joint and half a pipe to both sides, m. */
const LEAST_M = 8

export const wholeOf = (from: number, to: number): View => ({ from, to })

/** Larger or smaller about a place, within the line. */
export function zoomed(view: View, by: number, about: number, whole: View): View {
  const length = Math.min(whole.to - whole.from, Math.max(Math.min(LEAST_M, whole.to - whole.from), (view.to - view.from) / by))
  const share = (about - view.from) / (view.to - view.from)
  return shifted({ from: about - share * length, to: about + (1 - share) * length }, 0, whole)
}

/** Along the line by so many metres, as far as it goes. */
export function shifted(view: View, by: number, whole: View): View {
  const length = view.to - view.from
  const from = Math.min(Math.max(whole.from, view.from + by), whole.to - length)
  return { from, to: from + length }
}

/** So that a place is in it. */
export const showing = (view: View, place: number, whole: View): View =>
  place >= view.from && place <= view.to ? view : shifted(view, place - (view.from + view.to) / 2, whole)

interface Placed {
  from_m: number
  to_m: number
}

/** Which of the rows, in order, touch the view: [first, behind the last]. Found by halving: a line may have thousands. */
export function rowsIn(rows: Placed[], view: View): [number, number] {
  const first = firstWhere(rows.length, (i) => rows[i]!.to_m >= view.from)
  return [first, firstWhere(rows.length, (i) => rows[i]!.from_m > view.to)]
}

function firstWhere(count: number, holds: (i: number) => boolean): number {
  let [low, high] = [0, count]
  while (low < high) {
    const middle = (low + high) >> 1
    if (holds(middle)) high = middle
    else low = middle + 1
  }
  return low
}

export interface Bar {
  /** the row whose joint it stands for: of several in one place that with the largest */
  row: number
  at: number
  share: number
}

/** One bar for each joint, or where they are too close for that the largest of each few. */
export function bars(rows: (Placed & { angle_share: number | null })[], view: View, most: number): Bar[] {
  const [first, behind] = rowsIn(rows, view)
  const group = Math.max(1, Math.ceil((behind - first) / most))
  const found: Bar[] = []
  for (let i = first; i < behind; i += group) {
    let best: Bar | null = null
    for (let k = i; k < Math.min(i + group, behind); k++) {
      const { angle_share: share, from_m: at } = rows[k]!
      if (share !== null && at >= view.from && (best === null || share > best.share)) best = { row: k, at, share }
    }
    if (best) found.push(best)
  }
  return found
}

/** The largest round figure by which heights or widths can be drawn larger than lengths. */
export function timesLarger(room: number): number {
  const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000]
  return steps.filter((s) => s <= room).at(-1) ?? 1
}

/** Rows of bars that stand so far apart, m: of those that lie side by side the one that uses more of the limit. */
export function apart(bars: Bar[], least: number): number[] {
  const kept: Bar[] = []
  for (const bar of bars) {
    const before = kept.at(-1)
    if (!before || bar.at - before.at >= least) kept.push(bar)
    else if (bar.share > before.share) kept[kept.length - 1] = bar
  }
  return kept.map((bar) => bar.row)
}
