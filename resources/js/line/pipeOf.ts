import type { LineFull } from '../api/client'

/** What a procedure must suit: the pipe of a line and what it carries, as far as they are known. */
export function pipeOf(line: LineFull): Record<string, string | number> {
  const pipe = line.pipe as Record<string, unknown>
  const known = ['material', 'dn_mm', 'sdr'].flatMap((key) => {
    const value = pipe[key]
    return typeof value === 'string' || typeof value === 'number' ? [[key, value] as const] : []
  })
  return { service: line.service, ...Object.fromEntries(known) }
}
