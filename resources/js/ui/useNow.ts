import { useEffect, useState } from 'react'
import { hourMinute } from './clock'

/** The time of the device, renewed every so many ms. */
export function useNow(every = 1000): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
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
  if (left <= 0) return `${clock}, free`
  return left > 90
    ? `${clock} (in ${Math.floor(left / 60)} h ${left % 60} min)`
    : left > 1
      ? `${clock} (in ${left} min)`
      : `${clock} (in ${Math.max(0, Math.ceil((at - now) / 1000))} s)`
}
