import type { InputSchema } from '../api/queries'
import { figureOf } from '../ui/figureOf'
import type { Shown } from '../ui/units'
import { fromLines, isLines, toLines, type Lines } from './lines'

/** As it is typed: texts, and lists and objects of them. */
export type Typed = string | Typed[] | { [key: string]: Typed }

/** In which unit a key is typed. */
export type ShownOf = (key: string, schema: InputSchema) => Shown

export type Kind =
  | ('figure' | 'text' | 'choice' | 'flag' | 'time' | 'day' | 'round' | 'table' | 'series' | 'list' | 'part' | 'layout' | 'signs' | 'file')
  | Lines

/** A text that is longer than a person types comes out of a file. */
const LONGEST_TYPED = 5000

/** How an input is asked for. */
export function kindOf(schema: InputSchema & { maxLength?: number }): Kind {
  if (schema['x-edit']) return schema['x-edit'] === 'numbers' ? 'list' : schema['x-edit']
  if (schema.enum) return 'choice'
  if (schema['x-round']) return 'round'
  if (schema.type === 'boolean') return 'flag'
  if (schema.type === 'array') return schema.items?.type === 'object' ? 'table' : schema.items?.type === 'array' ? 'series' : 'list'
  if (schema.properties) return 'part'
  if (schema.format === 'date-time') return 'time'
  if (schema.format === 'date') return 'day'
  if (schema.type === 'string') return (schema.maxLength ?? 0) > LONGEST_TYPED ? 'file' : 'text'
  return schema.type === 'number' || schema.type === 'integer' ? 'figure' : 'text'
}

export const columnsOf = (schema: InputSchema): string[] => (schema.items?.description ?? '').split(', ')

const isEmpty = (typed: Typed | undefined): boolean =>
  typed === undefined ||
  (typeof typed === 'string' ? typed.trim() === '' : Object.values(typed as Record<string, Typed>).every((part) => isEmpty(part)))

/** What goes to the core: figures as numbers under the key of their unit; what was left empty does not go. */
export function toInput(properties: Record<string, InputSchema>, typed: Record<string, Typed>, shown: ShownOf): Record<string, unknown> {
  const input: Record<string, unknown> = {}
  for (const [key, schema] of Object.entries(properties)) {
    const value = typed[key]
    if (value === undefined || isEmpty(value)) continue
    input[kindOf(schema) === 'figure' ? shown(key, schema).key : key] = valueOf(schema, value, shown)
  }
  return input
}

const numberOr = (text: string): unknown => figureOf(text) ?? text.trim()

function valueOf(schema: InputSchema, value: Typed, shown: ShownOf): unknown {
  const rows = Array.isArray(value) ? value.filter((row) => !isEmpty(row)) : []
  const kind = kindOf(schema)
  if (isLines(kind)) return fromLines(kind, value as string)
  switch (kind) {
    case 'figure':
      return numberOr(value as string)
    case 'flag':
      return value === 'true'
    case 'time': {
      const at = new Date(value as string)
      return Number.isNaN(at.getTime()) ? value : at.toISOString()
    }
    case 'table':
      return rows.map((row) => toInput(schema.items!.properties ?? {}, row as Record<string, Typed>, shown))
    case 'series':
      return rows.map((row) => {
        const cells = [...(row as string[])]
        while (cells.length > 0 && isEmpty(cells.at(-1))) cells.pop()
        return cells.map(numberOr)
      })
    case 'round':
      return rows
        .filter((row) => !isEmpty((row as Record<string, Typed>)['value']))
        .map((row) => {
          const { clock, value: read } = row as Record<string, string>
          return { clock, [roundUnit(schema, shown).key]: numberOr(read!) }
        })
    case 'list':
      return (value as string)
        .split(/[,;\s]+/)
        .filter((part) => part !== '')
        .map((part) => (schema.items?.type === 'string' ? part : numberOr(part)))
    case 'part':
      return toInput(schema.properties ?? {}, value as Record<string, Typed>, shown)
    case 'signs':
      return Object.fromEntries(
        Object.entries(value as Record<string, string>)
          .filter(([, said]) => said !== '')
          .map(([sign, said]) => [sign, said === 'n/a' ? said : said === 'true']),
      )
    case 'layout':
      return JSON.parse(value as string) as unknown
    default:
      return value
  }
}

/** In which unit a reading of a round is typed. */
export const roundUnit = (schema: InputSchema, shown: ShownOf): Shown => {
  const key = Object.keys(schema['x-round'] ?? {}).find((k) => k !== 'clock') ?? 'value_mm'
  return shown(key, { type: 'number', 'x-quantity': 'length', 'x-unit': 'mm' })
}

/** Short enough to be read, exact enough to be the same. */
export const written = (value: number): string => String(Number(value.toPrecision(12)))

/** An example as somebody would have typed it in these units. */
export function fromExample(
  properties: Record<string, InputSchema>,
  example: Record<string, unknown>,
  shown: ShownOf,
): Record<string, Typed> {
  return Object.fromEntries(
    Object.entries(properties)
      .filter(([key]) => example[key] !== undefined && example[key] !== null)
      .map(([key, schema]) => [key, typedOf(key, schema, example[key], shown)]),
  )
}

function typedOf(key: string, schema: InputSchema, value: unknown, shown: ShownOf): Typed {
  const list = Array.isArray(value) ? (value as unknown[]) : []
  const kind = kindOf(schema)
  if (isLines(kind)) return toLines(kind, value)
  switch (kind) {
    case 'figure':
      return typeof value === 'number' ? written(shown(key, schema).fromKey(value)) : String(value)
    case 'table':
      return list.map((row) => fromExample(schema.items!.properties ?? {}, row as Record<string, unknown>, shown))
    case 'series':
      return list.map((row) => (row as number[]).map(written))
    case 'round':
      return list.map((row) => {
        const { clock, ...rest } = row as Record<string, unknown>
        return { clock: String(clock), value: written(roundUnit(schema, shown).fromKey(Number(Object.values(rest)[0]))) }
      })
    case 'list':
      return list.map(String).join(', ')
    case 'part':
      return fromExample(schema.properties ?? {}, value as Record<string, unknown>, shown)
    case 'signs':
      return Object.fromEntries(
        Object.entries(value as Record<string, unknown>).map(([sign, said]) => [sign, said === null ? '' : String(said)]),
      )
    case 'layout':
      return JSON.stringify(value)
    case 'time':
      return localTime(String(value))
    default:
      return String(value)
  }
}

/** As a field for day and time wants it, by the clock of the device. */
function localTime(iso: string): string {
  const at = new Date(iso)
  if (Number.isNaN(at.getTime())) return ''
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}

/** "0.5 to 50 mm", "over 0", "at least 1": what is allowed, in the unit in which it is typed. */
export function rangeOf(key: string, schema: InputSchema, shown: ShownOf): { least: string | null; most: string | null; strict: boolean } {
  const { fromKey } = shown(key, schema)
  const low = schema.minimum ?? schema.exclusiveMinimum
  const high = schema.maximum ?? schema.exclusiveMaximum
  return {
    least: low === undefined ? null : written(Number(fromKey(low).toPrecision(4))),
    most: high === undefined ? null : written(Number(fromKey(high).toPrecision(4))),
    strict: schema.minimum === undefined && low !== undefined,
  }
}
