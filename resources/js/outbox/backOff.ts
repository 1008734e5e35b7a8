const FIRST_MS = 2_000
const LONGEST_MS = 60_000

/** How long to wait before the next try: longer after each that failed, and never at the same moment as other devices. */
export function waitAfter(failed: number, chance = Math.random()): number {
  const longest = Math.min(LONGEST_MS, FIRST_MS * 2 ** failed)
  return Math.round(longest / 2 + (chance * longest) / 2)
}
