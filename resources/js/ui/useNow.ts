import { useEffect, useState } from 'react'
import { hourMinute } from './clock'
import { say } from '../texts/say'

/** The time of the device, renewed every so many ms; with null nothing waits for it, and the page rests. */
export function useNow(every: number | null = 1000): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (every === null) return
    setNow(Date.now())
    const timer = window.setInterval(() => setNow(Date.now()), every)
    return () => window.clearInterval(timer)
  }, [every])
  return now
}

/** "14:52 (in 18 min)" */
export function clockAndCountdown(iso: string, now: number, zone: string): string {
  const at = Date.parse(iso)
  const clock = hourMinute(at, zone)
  const left = Math.ceil((at - now) / 60_000)
  if (left <= 0) return say('ui.free', { clock })
  return left > 90
    ? say('ui.inHMin', { clock, hours: Math.floor(left / 60), minutes: left % 60 })
    : left > 1
      ? say('ui.inMin', { clock, minutes: left })
      : say('ui.inS', { clock, seconds: Math.max(0, Math.ceil((at - now) / 1000)) })
}
