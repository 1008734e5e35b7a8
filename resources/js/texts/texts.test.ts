import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { compileMessageOrThrow } from '@lingui/message-utils/compileMessage'
import { expect, test } from 'vitest'
import { saidFirst } from '../../../vite.texts'
import english from './en.json'
import { languageOf } from './languageOf'
import { listed, oneOf } from './listed'
import { say } from './say'
import { stateWord } from './words'

/* All that the pages say stands in one catalogue: a second language is a second file beside it. */

const ROOT = join(import.meta.dirname, '..')
const catalogue = JSON.parse(readFileSync(join(ROOT, 'texts/en.json'), 'utf8')) as Record<string, string>
const sources = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.|schema\.d|core\//.test(f))
  .map((f) => {
    const text = readFileSync(join(ROOT, f), 'utf8')
    return ts.createSourceFile(f, text, ts.ScriptTarget.Latest, true, f.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS)
  })

const at = (node: ts.Node): string => {
  const file = node.getSourceFile()
  return `${file.fileName}:${file.getLineAndCharacterOfPosition(node.getStart()).line + 1}`
}

function everyNode(visit: (node: ts.Node) => void): void {
  const walk = (node: ts.Node): void => {
    visit(node)
    ts.forEachChild(node, walk)
  }
  sources.forEach((file) => ts.forEachChild(file, walk))
}

/** Names of the places in a text, those inside of plurals too. */
function places(message: ReturnType<typeof compileMessageOrThrow>): Set<string> {
  const found = new Set<string>()
  for (const token of message) {
    if (typeof token === 'string') continue
    found.add(token[0])
    const choices = typeof token[2] === 'object' && token[2] !== null ? Object.values(token[2]) : []
    for (const choice of choices) if (Array.isArray(choice)) places(choice).forEach((p) => found.add(p))
  }
  found.delete('#')
  return found
}

/** The ids that a call may say: one, or one of two. */
function idsOf(node: ts.Expression | undefined): string[] {
  if (node && ts.isStringLiteral(node)) return [node.text]
  return node && ts.isConditionalExpression(node) ? [...idsOf(node.whenTrue), ...idsOf(node.whenFalse)] : []
}

function keysOf(node: ts.Expression | undefined): string[] | null {
  if (!node) return []
  if (!ts.isObjectLiteralExpression(node)) return null
  return node.properties.map((p) => p.name?.getText() ?? '')
}

test('every text is read: nothing is left over in the catalogue', () => {
  const written = sources.map((s) => s.text).join('\n')
  expect(Object.keys(catalogue).filter((id) => !written.includes(`'${id}'`) && !written.includes(`"${id}"`))).toEqual([])
})

test('each place of a text is filled, and nothing is handed over that the text does not say', () => {
  const wrong: string[] = []
  let calls = 0
  const hold = (node: ts.Node, ids: string[], given: string[] | null): void => {
    for (const id of ids) {
      calls++
      const wanted = places(compileMessageOrThrow(catalogue[id] ?? ''))
      if (given === null) continue
      const missing = [...wanted].filter((w) => !given.includes(w))
      const idle = given.filter((g) => !wanted.has(g))
      if (missing.length + idle.length > 0) wrong.push(`${at(node)} ${id}: missing ${missing.join()}, idle ${idle.join()}`)
    }
  }
  everyNode((node) => {
    if (ts.isCallExpression(node) && node.expression.getText() === 'say') hold(node, idsOf(node.arguments[0]), keysOf(node.arguments[1]))
    if (ts.isJsxSelfClosingElement(node) && node.tagName.getText() === 'Message') {
      const attribute = (name: string): ts.Node | undefined =>
        node.attributes.properties.filter(ts.isJsxAttribute).find((a) => a.name.getText() === name)?.initializer
      const values = attribute('values')
      const id = attribute('id')
      hold(
        node,
        id && ts.isStringLiteral(id) ? [id.text] : [],
        keysOf(values && ts.isJsxExpression(values) ? values.expression : undefined),
      )
    }
  })
  expect(wrong).toEqual([])
  expect(calls).toBeGreaterThan(500)
})

/** A template with its places left open. */
const flat = (node: ts.TemplateExpression): string => node.head.text + node.templateSpans.map((s) => `…${s.literal.text}`).join('')

test('no page says a thing that is not in the catalogue', () => {
  const SAYS = ['label', 'title', 'placeholder', 'helperText', 'aria-label', 'alt', 'note']
  const isText = (text: string): boolean =>
    /[A-Za-z]{2,}[,.:;!?]? +[A-Za-z(…]|… +[A-Za-z]{2,}/.test(text) || /^[A-Z][a-z]{2,}[.:]?$/.test(text.trim())
  const NO_TEXT = [
    /px|^\d+fr|solid|^\(hover|^@media|Atkinson|minmax|^(Enter|Escape|Tab|Esc)$|seq, &id|id, subject|<\?php/,
    /^& \.u-|^"(headline|pane)|translate|scale\(|^\/|\/…|^data:/,
  ]
  const left: string[] = []
  everyNode((node) => {
    if (ts.isJsxText(node) && /[A-Za-z]{2,}/.test(node.text.replace('&nbsp;', ''))) left.push(`${at(node)} ${node.text.trim()}`)
    const text = ts.isStringLiteralLike(node) ? node.text : ts.isTemplateExpression(node) ? flat(node) : null
    const parent = node.parent
    if (text === null || ts.isImportDeclaration(parent) || ts.isLiteralTypeNode(parent) || NO_TEXT.some((n) => n.test(text))) return
    const spoken = ts.isJsxAttribute(parent) && SAYS.includes(parent.name.getText()) && /[A-Za-z]{2,}/.test(text)
    if (spoken || isText(text)) left.push(`${at(node)} ${text}`)
  })
  expect(left).toEqual([])
})

test('the language is the first one wished for that there is, whatever its country', () => {
  expect(languageOf(['de-AT', 'en'], ['en', 'de'])).toBe('de')
  expect(languageOf(['pt-BR', 'de'], ['en', 'pt', 'pt-BR'])).toBe('pt-BR')
  expect(languageOf(['fr', 'it'], ['en', 'de'])).toBe('en')
  expect(languageOf([], ['en'])).toBe('en')
})

test('numbers, lists and codes stand in a sentence as one says them', () => {
  expect(say('line.jointsMade', { made: 1, total: 1 })).toBe('1 of 1 joint made')
  expect(say('line.jointsMade', { made: 0, total: 12 })).toBe('0 of 12 joints made')
  expect(listed(['41', '42'])).toBe('41 and 42')
  expect(oneOf(['foreman', 'engineer'])).toBe('foreman or engineer')
  expect(stateWord('cut-out')).toBe('cut out')
  expect(stateWord('later')).toBe('later')
  expect(Object.keys(english)).toEqual(Object.keys(catalogue))
})

test('what is said before another page is loaded comes first, and the rest later', () => {
  const first = saidFirst(Object.keys(catalogue))
  for (const id of ['signIn.signIn', 'app.aMoment', 'ui.tryAgain', 'outbox.itWasMe']) expect(first, id).toContain(id)
  for (const id of ['laying.title', 'day.toHand', 'steps.allAsItShouldBe']) expect(first, id).not.toContain(id)
  expect(first.size).toBeLessThan(Object.keys(catalogue).length / 3)
})
