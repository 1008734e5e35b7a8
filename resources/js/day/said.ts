import { say } from '../texts/say'
import { hourMinute, shortDay } from '../ui/clock'
import { dateOf } from './spells'

/** "3 h 30 min": how long, never to be read as a time of day. */
export function lasting(min: number): string {
  const whole = Math.round(min)
  if (whole < 60) return say('day.minutes', { minutes: whole })
  return whole % 60 === 0
    ? say('day.hours', { hours: whole / 60 })
    : say('day.hoursAndMinutes', { hours: Math.floor(whole / 60), minutes: whole % 60 })
}

/** "16:15" today, "Tue 1 Dec, 08:35" on another day; by the clock of the place. */
export function when(at: string, now: string, zone: string): string {
  const clock = hourMinute(at, zone)
  return dateOf(Date.parse(at), zone) === dateOf(Date.parse(now), zone) ? clock : `${shortDay(dateOf(Date.parse(at), zone))}, ${clock}`
}
