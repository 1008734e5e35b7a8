/** Where the ring sits: in the socket's groove, rolling on the spigot, in a groove of it, in a valley, or as a strip between the faces. */
export type Ring = 'socket' | 'rolling' | 'groove' | 'valley' | 'strip'

/** What a check looks at. */
export type Part = 'ring' | 'mark' | 'feeler' | 'gap' | 'lock'

export interface Layout {
  /** px of one mm along the pipe */
  px: number
  /** whether the depth is known: else the drawing shows the kind and no lengths */
  toScale: boolean
  od: number
  depth: number
  /** along the pipe, mm; 0 at the face of the socket, minus inside */
  left: number
  right: number
  end: number
  mark: number | null
  ringAt: number
  ringWide: number
  feeler: number | null
  thick: number
  ring: Ring
  sleeve: boolean
  locks: boolean
  points: Part | null
}

export const WIDTH = 440
const MARGIN = 14
const LEAST_WALL = 12
const MOST_WALL = 30
/** Of a socket of unknown depth, against the diameter. */
const USUAL_DEPTH = 0.45

const RINGS: readonly string[] = ['socket', 'rolling', 'groove', 'valley', 'strip']
const PARTS: readonly string[] = ['ring', 'mark', 'feeler', 'gap', 'lock']

const num = (v: unknown): number | null => (typeof v === 'number' && Number.isFinite(v) ? v : null)

/** Where everything of a joint lies, from what is known of it; null where not even its size is known. */
export function layoutOf(of: Record<string, unknown>): Layout | null {
  const od = num(of['od_mm'])
  const wall = num(of['wall_mm'])
  if (!od || !wall) return null
  const known = num(of['depth_mm'])
  const depth = known ?? USUAL_DEPTH * od
  const ring = RINGS.includes(String(of['ring'])) ? (of['ring'] as Ring) : 'socket'
  const sleeve = of['form'] === 'sleeve'
  const locks = of['form'] === 'locked'
  const markFromEnd = num(of['mark_mm'])
  const visible = num(of['visible_mm'])
  const gap = num(of['gap_mm'])
  const feelers = [num(of['feeler_min_mm']), num(of['feeler_max_mm'])].filter((v) => v !== null)
  const feeler = feelers.length > 0 ? feelers.reduce((a, b) => a + b, 0) / feelers.length : null
  const mark = markFromEnd === null || known === null ? null : (visible ?? 0)
  const end = mark !== null ? mark - markFromEnd! : gap !== null && known !== null ? gap - depth : -0.92 * depth
  const ringWide = 0.15 * depth
  const onSpigot = ring === 'rolling' || ring === 'groove' || ring === 'valley'
  const ringAt = onSpigot
    ? end + 0.3 * depth
    : feeler !== null && known !== null
      ? -feeler - ringWide
      : locks
        ? -0.68 * depth
        : -0.45 * depth
  const tail = 0.55 * depth
  const left = (sleeve ? -2 : -1) * depth - tail
  // A pipe that is only begun to be pushed in lies far out.
  const right = Math.max(tail, end + 1.2 * depth)
  const px = (WIDTH - 2 * MARGIN) / (right - left)
  return {
    px,
    toScale: known !== null,
    od,
    depth,
    left,
    right,
    end: Math.max(end, -depth),
    mark,
    ringAt,
    ringWide,
    feeler: known === null ? null : feeler,
    thick: Math.min(MOST_WALL, Math.max(LEAST_WALL, wall * px)),
    ring,
    sleeve,
    locks,
    points: PARTS.includes(String(of['points_at'])) ? (of['points_at'] as Part) : null,
  }
}

/** px from the left of the drawing. */
export const across = (l: Layout, mm: number): number => MARGIN + (mm - l.left) * l.px

/** Where on it the check points, mm along the pipe. */
export function pointOf(l: Layout): number | null {
  switch (l.points) {
    case 'ring':
      return l.ring === 'strip' ? -l.depth : l.ringAt + l.ringWide / 2
    case 'mark':
      return l.mark
    case 'feeler':
      return l.feeler === null ? l.ringAt + l.ringWide : -l.feeler
    case 'gap':
      return l.ring === 'socket' && !l.sleeve ? (l.mark ?? 0) : (l.end - l.depth) / 2
    case 'lock':
      return -0.26 * l.depth
    case null:
      return null
  }
}
