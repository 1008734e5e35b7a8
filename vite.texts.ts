import { compileMessageOrThrow } from '@lingui/message-utils/compileMessage'
import { existsSync, readFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { dirname, resolve } from 'node:path'
import type { Plugin } from 'vite'

const MAIN = resolve(import.meta.dirname, 'resources/js/main.tsx')

/** What a module loads before it runs; what it loads when it is asked to, and types, are none of that. */
const LOADED = /^(?:import|export)(?!\s+type\b)[^'"]*?['"](\.[^'"]+)['"]/gms

/** All that runs before the first page is seen. */
function sources(file: string, found = new Map<string, string>()): Map<string, string> {
  if (found.has(file)) return found
  const text = readFileSync(file, 'utf8')
  found.set(file, text)
  for (const [, path] of text.matchAll(LOADED)) {
    const at = ['', '.ts', '.tsx'].map((end) => resolve(dirname(file), path!) + end).find((f) => /\.tsx?$/.test(f) && existsSync(f))
    if (at) sources(at, found)
  }
  return found
}

/** The texts that may be said before another page is loaded. */
export function saidFirst(ids: string[]): Set<string> {
  const written = [...sources(MAIN).values()].join('\n')
  return new Set(ids.filter((id) => written.includes(`'${id}'`) || written.includes(`"${id}"`)))
}

/**
 * The catalogues of texts, read once when the pages are built: what has a brace too many does not build. Of one, `?first` is what is
 * said before another page is loaded, `?more` the rest; in tests, which load any page by itself, `?first` is all of it.
 */
export function texts(): Plugin {
  return {
    name: 'texts',
    enforce: 'pre',
    async load(id) {
      const [file, part] = id.split('?')
      if (!/\/resources\/js\/texts\/[\w-]+\.json$/.test(file!)) return null
      const messages = Object.entries(JSON.parse(await readFile(file!, 'utf8')) as Record<string, string>)
      const first = part === 'first' || part === 'more' ? saidFirst(messages.map(([name]) => name)) : null
      const isTest = process.env['VITEST'] !== undefined
      const isHere = (name: string): boolean => first === null || (isTest ? part === 'first' : first.has(name) === (part === 'first'))
      const compiled = messages.filter(([name]) => isHere(name)).map(([name, text]) => [name, compileMessageOrThrow(text)])
      return { code: `export default ${JSON.stringify(Object.fromEntries(compiled))}`, moduleType: 'js' }
    },
  }
}
