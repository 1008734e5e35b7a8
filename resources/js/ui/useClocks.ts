import { useEffect, useRef, useState } from 'react'
import type { JointShort } from '../api/client'

export interface RunningClock {
  joint: JointShort
  name: string
  label: string
  at: number
}

/** Of each joint the clock that runs out next; the soonest first. */
export function runningClocks(joints: JointShort[], now: number): RunningClock[] {
  return joints
    .filter((j) => (j.state === 'begun' || j.state === 'made') && j.verdict !== 'bad')
    .flatMap((joint) => {
      const next = (joint.clocks ?? [])
        .map(({ name, label, at }) => ({ joint, name, label, at: Date.parse(at) }))
        .filter((k) => k.at > now)
        .sort((a, b) => a.at - b.at)[0]
      return next ? [next] : []
    })
    .sort((a, b) => a.at - b.at)
}

let sound: AudioContext | null = null

/** Three tones that carry over a generator. Browsers allow sound only after a touch: the switch is that touch. */
export function ring(): void {
  sound ??= new AudioContext()
  const context = sound
  void context.resume()
  for (let i = 0; i < 3; i++) {
    const tone = context.createOscillator()
    const loud = context.createGain()
    tone.frequency.value = 880
    tone.connect(loud).connect(context.destination)
    const from = context.currentTime + i * 0.45
    loud.gain.setValueAtTime(0.0001, from)
    loud.gain.exponentialRampToValueAtTime(0.6, from + 0.03)
    loud.gain.exponentialRampToValueAtTime(0.0001, from + 0.32)
    tone.start(from)
    tone.stop(from + 0.35)
  }
}

const KEY = 'ring-when-free'

/** Rings when a clock runs out while the page is open, if this device is set to. Kept over closing and reloading. */
export function useRinging(clocks: RunningClock[], now: number): { on: boolean; set: (on: boolean) => void; rung: RunningClock | null } {
  const [on, setOn] = useState(() => localStorage.getItem(KEY) === 'yes')
  const [rung, setRung] = useState<RunningClock | null>(null)
  const before = useRef<RunningClock[]>([])
  useEffect(() => {
    const over = before.current.filter((k) => k.at <= now)
    before.current = clocks
    if (over.length === 0) return
    setRung(over[over.length - 1]!)
    if (on) ring()
  }, [clocks, now, on])
  return {
    on,
    rung,
    set: (next) => {
      localStorage.setItem(KEY, next ? 'yes' : 'no')
      setOn(next)
      if (next) ring()
    },
  }
}
