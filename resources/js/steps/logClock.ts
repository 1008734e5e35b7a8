import { hourMinute } from '../ui/clock'

/** Between minutes of a log and times of day. */
export interface Clock {
  /** "62" where 10:42 is that minute of the log; null where no time of day was typed */
  minuteOf: (typed: string) => string | null
  /** "10:42" of minute 62; null where that is no minute */
  timeOf: (minute: string) => string | null
}

const MINUTE_MS = 60_000
const DAY_MIN = 24 * 60

/** Of a log that began at a time; a time of day before that is one of the next day. */
export function logClock(began: string | null, zone: string): Clock | null {
  const start = began === null ? NaN : Date.parse(began)
  if (Number.isNaN(start)) return null
  return {
    minuteOf: (typed) => {
      const [, hours, minutes] = /^\s*(\d{1,2}):(\d{2})\s*$/.exec(typed) ?? []
      if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return null
      const [startHours, startMinutes] = hourMinute(start, zone).split(':').map(Number)
      const seconds = (start % MINUTE_MS) / MINUTE_MS
      const later = Number(hours) * 60 + Number(minutes) - (startHours! * 60 + startMinutes!) - seconds
      return String(Math.round((later < -1 ? later + DAY_MIN : Math.max(0, later)) * 100) / 100)
    },
    timeOf: (minute) =>
      minute.trim() === '' || !Number.isFinite(Number(minute)) ? null : hourMinute(start + Number(minute) * MINUTE_MS, zone),
  }
}
