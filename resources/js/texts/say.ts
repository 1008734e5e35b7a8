import { i18n, type Messages } from '@lingui/core'
import english from './en.json'
import { languageOf } from './languageOf'

export type MessageId = keyof typeof english

export type Values = Record<string, string | number | null | undefined>

/** Every file beside this one is a language; each is loaded only where it is read. */
const catalogues = import.meta.glob<Messages>('./*.json', { import: 'default' })

export const language = languageOf(
  navigator.languages,
  Object.keys(catalogues).map((file) => file.slice('./'.length, -'.json'.length)),
)

// What a language has no words for yet is said in English.
const spoken = language === 'en' ? {} : await catalogues[`./${language}.json`]!()
i18n.loadAndActivate({ locale: language, messages: { ...(english as unknown as Messages), ...spoken } })
document.documentElement.lang = language

/** A text of the interface in the reader's language. */
export const say = (id: MessageId, values?: Values): string => i18n._(id, values)
