import { language } from '../texts/say'

/** The day before the month, and hours to 24, in whatever English. */
const DATES = language === 'en' ? 'en-GB' : language

/** "14:52": the time of day in a zone. */
export const hourMinute = (at: string | number | Date, timeZone: string): string =>
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

/** "Tue 1 Dec", of a date such as 2026-12-01. */
export const shortDay = (date: string): string => named(date, { weekday: 'short', day: 'numeric', month: 'short' })

/** "Tuesday 1 December", of a date such as 2026-12-01. */
export const longDay = (date: string): string => named(date, { weekday: 'long', day: 'numeric', month: 'long' })

const named = (date: string, how: Intl.DateTimeFormatOptions): string =>
  new Date(`${date}T12:00:00Z`).toLocaleDateString(DATES, { timeZone: 'UTC', ...how })
