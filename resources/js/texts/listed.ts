import { language } from './say'

/** "A, B and C" as the language has it. */
export const listed = (all: string[]): string => new Intl.ListFormat(language, { type: 'conjunction' }).format(all)

/** "A, B or C". */
export const oneOf = (all: string[]): string => new Intl.ListFormat(language, { type: 'disjunction' }).format(all)
