import { compileMessageOrThrow } from '@lingui/message-utils/compileMessage'
import { readFile } from 'node:fs/promises'
import type { Plugin } from 'vite'

/** The catalogues of texts, read once when the pages are built: what has a brace too many does not build. */
export function texts(): Plugin {
  return {
    name: 'texts',
    enforce: 'pre',
    async load(id) {
      const [file] = id.split('?')
      if (!/\/resources\/js\/texts\/[\w-]+\.json$/.test(file!)) return null
      const messages = JSON.parse(await readFile(file!, 'utf8')) as Record<string, string>
      const compiled = Object.entries(messages).map(([name, text]) => [name, compileMessageOrThrow(text)])
      return { code: `export default ${JSON.stringify(Object.fromEntries(compiled))}`, moduleType: 'js' }
    },
  }
}
