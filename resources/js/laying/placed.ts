import type { View } from './view'

/** A place of the line in a view: m to the right of the straight between the ends of the view is drawn downwards. */
export type Placed = [chainage: number, off: number, level: number]

/** More places than this of a line nobody tells apart. */
const MOST = 240

/** Row of the centre line before a chainage: found by halving, for a line may have thousands of points. */
function before(points: number[][], chainage: number): number {
  let [low, high] = [0, points.length - 2]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (points[middle]![0]! <= chainage) low = middle
    else high = middle - 1
  }
  return low
}

/** easting, northing, level */
function centre(points: number[][], chainage: number): [number, number, number] {
  const i = before(points, chainage)
  const [a, b] = [points[i]!, points[i + 1]!]
  const share = Math.min(1, Math.max(0, (chainage - a[0]!) / (b[0]! - a[0]!)))
  return [a[1]! + share * (b[1]! - a[1]!), a[2]! + share * (b[2]! - a[2]!), a[3]! + share * (b[3]! - a[3]!)]
}

export function placeAt(points: number[][], view: View, chainage: number): Placed {
  const [e0, n0] = centre(points, view.from)
  const [e1, n1] = centre(points, view.to)
  const [e, n, z] = centre(points, chainage)
  const length = Math.hypot(e1 - e0, n1 - n0) || 1
  return [chainage, ((e - e0) * (n1 - n0) - (n - n0) * (e1 - e0)) / length, z]
}

/** Places of the line in a view, its ends among them. */
export function placesIn(points: number[][], view: View): Placed[] {
  const step = (view.to - view.from) / MOST
  const at = [view.from]
  for (let i = before(points, view.from) + 1; i < points.length && points[i]![0]! < view.to; i++) {
    if (points[i]![0]! - at.at(-1)! > step) at.push(points[i]![0]!)
  }
  at.push(view.to)
  return at.map((m) => placeAt(points, view, m))
}
