import type { StepState, StepText } from '../api/client'

/** Part of a log: from one time to another, minutes of the log. */
export interface Phase {
  name: string
  from_min: number | null
  to_min: number | null
}

/** What the pressure was held against from one minute to another: one figure, or one for each reading. */
export interface CourseLimit {
  name: string
  from_min: number
  to_min: number
  /** [minute of the log, kPa] */
  line: [number, number][]
}

export interface Course {
  bands: Phase[]
  limits: CourseLimit[]
}

const number = (value: unknown): number | null => (typeof value === 'number' ? value : null)
const list = (value: unknown): Record<string, unknown>[] => (Array.isArray(value) ? (value as Record<string, unknown>[]) : [])

/** The course that a later step has drawn over the trace of this one; null while nobody has. */
export const courseOver = (steps: StepState[], traceKey: string): Course | null =>
  courseOf(steps.find((s) => s.figure?.['shape'] === 'course' && s.figure['of'] === traceKey)?.figure)

/** Phases whose times are known, and limits whose figures are. */
export function courseOf(figure: Record<string, unknown> | null | undefined): Course | null {
  if (figure?.['shape'] !== 'course') return null
  const bands = list(figure['bands']).map((p) => ({
    name: String(p['name']),
    from_min: number(p['from_min']),
    to_min: number(p['to_min']),
  }))
  const limits = list(figure['limits']).flatMap((l): CourseLimit[] => {
    const [from, to, kpa] = [number(l['from_min']), number(l['to_min']), number(l['kpa'])]
    if (from === null || to === null) return []
    const points = Array.isArray(l['points'])
      ? (l['points'] as [number, number][]).map(([min, p]): [number, number] => [from + min, p])
      : []
    const line: [number, number][] =
      kpa === null
        ? points
        : [
            [from, kpa],
            [to, kpa],
          ]
    return line.length === 0 ? [] : [{ name: String(l['name']), from_min: from, to_min: to, line }]
  })
  return { bands, limits }
}

/** The times between the phases: where a phase begins or ends, by the field that holds it. */
export function boundariesOf(text: StepText): { of: string; fields: { key: string; name: string }[] } | null {
  const figure = text.figure
  if (figure?.shape !== 'course') return null
  const phases = list(figure.in['bands'])
  const keys = [...new Set(phases.flatMap((p) => [p['from_min'], p['to_min']]))]
    .filter((path): path is string => typeof path === 'string' && path.startsWith('$fact.'))
    .map((path) => path.slice('$fact.'.length))
  const begins = (key: string): string => String(phases.find((p) => p['from_min'] === `$fact.${key}`)?.['name'] ?? '')
  return { of: String(figure.in['of']), fields: keys.map((key) => ({ key, name: begins(key) })) }
}

/** The phases as they stand while their times are being entered. */
export function phasesBy(text: StepText, minuteOf: (field: string) => number | null): Phase[] {
  const at = (path: unknown): number | null =>
    typeof path === 'string' && path.startsWith('$fact.') ? minuteOf(path.slice('$fact.'.length)) : null
  return list(text.figure?.in['bands']).map((p) => ({ name: String(p['name']), from_min: at(p['from_min']), to_min: at(p['to_min']) }))
}
