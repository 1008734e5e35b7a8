/** The row of a line at a chainage, straight between its points: rows begin with the chainage, rising. */
export function along(rows: number[][], chainage: number): number[] {
  const i = Math.max(
    1,
    rows.findIndex((row) => row[0]! >= chainage - 1e-6),
  )
  const [a, b] = [rows[i - 1]!, rows[i]!]
  const part = (chainage - a[0]!) / (b[0]! - a[0]!)
  return a.map((value, k) => value + part * (b[k]! - value))
}
