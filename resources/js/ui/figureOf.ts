import { say } from '../texts/say'
/**
 * What a person typed as a plain figure, by the grammar of the core: ASCII digits and one decimal mark. Text with two
 * readings (1,234 is 1234 or 1.234) is no figure, and neither is anything else.
 */
export function figureOf(text: string): number | null {
  const typed = text.trim()
  return PLAIN.test(typed) && !hasTwoReadings(typed) ? Number(typed.replace(',', '.')) : null
}

const PLAIN = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/

/** One comma before exactly three digits: a decimal comma or a group of thousands. */
export const hasTwoReadings = (text: string): boolean => /^[+-]?(?!0,)\d{1,3},\d{3}$/.test(text.trim())

/** Why this is no figure, as a sentence; null when it is one. */
export function noFigure(text: string): string | null {
  const typed = text.trim()
  if (typed === '') return say('ui.aFigureIsWanted')
  if (hasTwoReadings(typed))
    return say('ui.couldBeOrWriteItWithout', { typed, without: typed.replace(',', ''), point: typed.replace(',', '.') })
  return figureOf(typed) === null ? say('ui.isNoNumber', { typed }) : null
}
