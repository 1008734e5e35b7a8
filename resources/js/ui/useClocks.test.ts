// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { JointShort } from '../api/client'
import { runningClocks, useRinging, type RunningClock } from './useClocks'

const NOW = Date.parse('2026-10-25T00:30:00Z') // half past two in the night in which the clocks go back
const at = (minutes: number): string => new Date(NOW + minutes * 60_000).toISOString()
const joint = (number: string, clocks: Record<string, string>, more: Partial<JointShort> = {}): JointShort =>
  ({
    id: number,
    number,
    state: 'begun',
    verdict: 'open',
    clocks: Object.entries(clocks).map(([name, at]) => ({ name, label: name, at, until: null, meanwhile: null, free: null })),
    ...more,
  }) as JointShort

test('of each joint the clock that runs out next, the soonest first', () => {
  const clocks = runningClocks(
    [
      joint('1', { clamps_off: at(-2), handle_from: at(9), test_from: at(60) }),
      joint('2', { clamps_off: at(4), test_from: at(80) }),
      joint('3', { clamps_off: at(-90), test_from: at(-1) }),
      joint('4', { clamps_off: at(1) }, { verdict: 'bad' }),
      joint('5', { clamps_off: at(1) }, { state: 'cut-out' }),
      joint('6', { test_from: at(30) }, { state: 'made' }),
      joint('7', {}, { clocks: null }),
    ],
    NOW,
  )
  expect(clocks.map((k) => [k.joint.number, k.name])).toEqual([
    ['2', 'clamps_off'],
    ['1', 'handle_from'],
    ['6', 'test_from'],
  ])
})

test('a clock is a moment, not a time on a dial: the hour that comes twice makes no difference', () => {
  const [before, after] = [joint('1', { clamps_off: '2026-10-25T02:50:00+02:00' }), joint('2', { clamps_off: '2026-10-25T02:05:00+01:00' })]
  expect(runningClocks([after, before], NOW).map((k) => [k.joint.number, (k.at - NOW) / 60_000])).toEqual([
    ['1', 20],
    ['2', 35],
  ])
})

let tones = 0
beforeEach(() => {
  tones = 0
  localStorage.clear()
  const node = {
    connect: () => node,
    frequency: { value: 0 },
    gain: { setValueAtTime: () => 0, exponentialRampToValueAtTime: () => 0 },
    start: () => 0,
    stop: () => 0,
  }
  vi.stubGlobal(
    'AudioContext',
    class {
      currentTime = 0
      destination = {}
      resume = (): Promise<void> => Promise.resolve()
      createGain = (): unknown => node
      createOscillator = (): unknown => {
        tones++
        return node
      }
    },
  )
})
afterEach(() => vi.unstubAllGlobals())

test('it rings once when a clock runs out, if this device is set to, and says which', () => {
  const all = [joint('8', { clamps_off: at(1) }), joint('9', { clamps_off: at(5) })]
  const shown = renderHook(({ now }: { now: number }) => useRinging(runningClocks(all, now), now), { initialProps: { now: NOW } })
  shown.rerender({ now: NOW + 61_000 })
  expect(shown.result.current.rung?.joint.number).toBe('8')
  expect(tones).toBe(0) // silent until it is asked to ring
  act(() => shown.result.current.set(true))
  expect(tones).toBe(3) // tried out by the touch that browsers want
  expect(localStorage.getItem('ring-when-free')).toBe('yes')
  shown.rerender({ now: NOW + 62_000 })
  expect(tones).toBe(3)
  shown.rerender({ now: NOW + 301_000 })
  expect((shown.result.current.rung as RunningClock).joint.number).toBe('9')
  expect(tones).toBe(6)
})
