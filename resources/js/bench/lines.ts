/** What is typed line by line: "first < then", "step: part, part", "yes" or "no". */
export type Lines = 'order' | 'parts' | 'flags'

export const isLines = (kind: string): kind is Lines => kind === 'order' || kind === 'parts' || kind === 'flags'

const words = (text: string, between: RegExp): string[] =>
  text
    .split(between)
    .map((word) => word.trim())
    .filter((word) => word !== '')

const FLAGS: Record<string, boolean> = { yes: true, true: true, no: false, false: false }

/** A line that cannot be read goes to the core as it is, which says what is wanted. */
export function fromLines(kind: Lines, text: string): unknown {
  const lines = words(text, /\n/)
  switch (kind) {
    case 'order':
      return lines.map((line) => words(line, /</))
    case 'parts':
      return Object.fromEntries(lines.map((line) => [words(line, /:/)[0] ?? '', words(line.split(':').slice(1).join(':'), /,/)]))
    case 'flags':
      return words(text, /[\n,;\s]/).map((word) => FLAGS[word.toLowerCase()] ?? word)
  }
}

export function toLines(kind: Lines, value: unknown): string {
  switch (kind) {
    case 'order':
      return (value as string[][]).map((pair) => pair.join(' < ')).join('\n')
    case 'parts':
      return Object.entries(value as Record<string, string[]>)
        .map(([step, parts]) => `${step}: ${parts.join(', ')}`)
        .join('\n')
    case 'flags':
      return (value as boolean[]).map((flag) => (flag ? 'yes' : 'no')).join(', ')
  }
}
