import { useEffect, useState } from 'react'
import { rightNow } from '../api/serverClock'
import { hourMinute } from './clock'
import { say } from '../texts/say'

/** The time by the clock of the server, renewed every so many ms; with null nothing waits for it, and the page rests. */
export const useNow = (every: number | null = 1000): number => useClock(rightNow, every)

/** The same by the clock of this device, right or wrong: by it is measured how long something runs here. */
export const useDeviceNow = (every: number | null = 1000): number => useClock(deviceNow, every)

const deviceNow = (): number => Date.now()

function useClock(read: () => number, every: number | null): number {
  const [now, setNow] = useState(read)
  useEffect(() => {
    if (every === null) return
    setNow(read())
    const timer = window.setInterval(() => setNow(read()), every)
    return () => window.clearInterval(timer)
  }, [read, every])
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
