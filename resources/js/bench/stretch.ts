import type { InputSchema } from '../api/queries'

/** From where to where a picture goes about a figure: half of it to half as much again, or a share of that, inside what is allowed. */
export function stretchAbout(value: number, schema: InputSchema, key = '', share = 1): [number, number] {
  const whole = key.endsWith('_c') || key.endsWith('_f') ? Math.max(10, Math.abs(value) / 2) : Math.abs(value) / 2 || 1
  const half = whole * share
  const low = schema.minimum ?? schema.exclusiveMinimum ?? -Infinity
  const high = schema.maximum ?? schema.exclusiveMaximum ?? Infinity
  return [Math.max(low, value - half), Math.min(high, value + half)]
}

/** Points of one verdict, one behind the other. */
export interface Span {
  verdict: string
  from: number
  to: number
}

export function spansOf(points: { at: number; verdict: string | null }[]): Span[] {
  const spans: Span[] = []
  for (const { at, verdict } of points) {
    const last = spans.at(-1)
    if (verdict === null) continue
    if (last?.verdict === verdict && last.to === points[points.findIndex((p) => p.at === at) - 1]?.at) last.to = at
    else spans.push({ verdict, from: at, to: at })
  }
  return spans
}
