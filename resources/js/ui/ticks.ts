/** Round figures from `least` to `most`, about `many` of them: 1, 2 or 5 times a power of ten apart. */
export function ticksOf(least: number, most: number, many = 5): number[] {
  const rough = (most - least) / many
  if (!(rough > 0)) return [least]
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((n) => n * power).find((s) => s >= rough * 0.999)!
  const from = Math.ceil(least / step - 1e-9)
  const to = Math.floor(most / step + 1e-9)
  return Array.from({ length: to - from + 1 }, (_, i) => Number(((from + i) * step).toPrecision(12)))
}
