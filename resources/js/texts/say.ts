import { i18n, type Messages } from '@lingui/core'
import type english from './en.json'
import first from './en.json?first'
import { languageOf } from './languageOf'

export type MessageId = keyof typeof english

export type Values = Record<string, string | number | null | undefined>

/** Every file beside this one is a language; each is loaded only where it is read. */
const catalogues = import.meta.glob<Messages>(['./*.json', '!./en.json', '!./bench.en.json'], { import: 'default' })

export const language = languageOf(navigator.languages, [
  'en',
  ...Object.keys(catalogues).map((file) => file.slice('./'.length, -'.json'.length)),
])

// What a language has no words for yet is said in English.
const spoken = language === 'en' ? {} : await catalogues[`./${language}.json`]!()
i18n.loadAndActivate({ locale: language, messages: { ...first, ...spoken } })
document.documentElement.lang = language

/** A text of the interface in the reader's language. */
export const say = (id: MessageId, values?: Values): string => i18n._(id, values)

let more: Promise<void> | undefined

/** What is said on other pages than the first: loaded before any of them. */
export function moreTexts(): Promise<void> {
  more ??= import('./en.json?more').then(
    ({ default: texts }) => i18n.load(language, { ...texts, ...spoken }),
    (fault: unknown) => {
      // Without network, perhaps: whoever goes on tries again.
      more = undefined
      throw fault
    },
  )
  return more
}
