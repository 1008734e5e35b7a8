import catalogue from '../texts/bench.en.json'
import type { InputSchema } from '../api/queries'

const inputs = catalogue.in as Record<string, string[]>
const outputs = catalogue.out as Record<string, string>
const codes = catalogue.words as Record<string, string>
const columns = catalogue.columns as Record<string, string>

/** A name that nobody has written words for yet, as it is: it is seen that they are missing. */
const asIs = (key: string): string => key.replace(/_/g, ' ')

/** What an input is called, and what it is or where it is read. */
export function inputWords(calculation: string, key: string, schema: InputSchema): { name: string; about: string } {
  const bare = schema['x-name'] ?? key
  const [name, about = ''] = inputs[`${calculation}/${bare}`] ?? inputs[bare] ?? [asIs(key)]
  return { name: name!, about }
}

/** What a result is called; of a table inside a result its column. */
export const outputWords = (calculation: string, key: string): string =>
  outputs[`${calculation}/${key}`] ?? outputs[key] ?? columns[key] ?? inputs[key]?.[0] ?? inputs[bareOf(key)]?.[0] ?? asIs(key)

const bareOf = (key: string): string => key.replace(/_[a-z0-9]+$/, '')

/** A code or an answer in words: "missed-bolt:7" is "bolt missed: 7". Where a calculation means something else by it, its own. */
export function codeWords(code: string, calculation = ''): string {
  const own = codes[`${calculation}/${code}`]
  if (own !== undefined) return own
  const [kind, ...rest] = code.split(':')
  const known = codes[code] ?? codes[`${kind}:*`]
  return known === undefined ? asIs(code.replace(/-/g, ' ')) : codes[code] === undefined ? `${known}: ${rest.join(':')}` : known
}

/** What a column of a series is called, with its unit. */
export const columnWords = (column: string): string => columns[column] ?? asIs(column)
