import { language } from '../texts/say'

/** The day before the month, and hours to 24, in whatever English. */
const DATES = language === 'en' ? 'en-GB' : language

/** "14:52": the time of day in a zone; without one, that of the device. */
export const hourMinute = (at: string | number | Date, timeZone?: string): string =>
  new Date(at).toLocaleTimeString(DATES, { timeZone, hour: '2-digit', minute: '2-digit' })

/** "26 Nov, 20:01" in the time of the place. */
export const dayAndTime = (at: string | number | Date, timeZone: string): string =>
  new Date(at).toLocaleString(DATES, { timeZone, day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

/** "26 Nov, 20:01" by the clock of this device: of what belongs to no place. */
export const dayAndTimeHere = (at: string | number | Date): string =>
  new Date(at).toLocaleString(DATES, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

/** "Thursday 26 November" in the time of the place. */
export const dayOf = (at: string | number | Date, timeZone: string): string =>
  new Date(at).toLocaleDateString(DATES, { timeZone, weekday: 'long', day: 'numeric', month: 'long' })
