import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { clockAhead, forget, heard, rightNow, setPractising, whenClockChanges } from './serverClock'

const NOW = Date.parse('2026-05-04T10:00:00Z')
const said = (ms: number, more: Record<string, string> = {}): Headers => new Headers({ 'X-Server-Time': String(ms), ...more })

beforeEach(() => {
  forget()
  vi.useFakeTimers({ now: NOW })
})
afterEach(() => {
  vi.useRealTimers()
})

test('a clock that is off by two hours is known from one answer, and what is stamped is corrected', () => {
  heard(said(NOW - 7_200_000), NOW)
  expect(clockAhead()).toBe(7_200_000)
  expect(rightNow()).toBe(NOW - 7_200_000)
  heard(said(NOW + 7_200_000), NOW)
  expect(clockAhead()).toBe(-7_200_000)
})

test('a minute is not corrected: clocks agree no better', () => {
  heard(said(NOW - 60_000), NOW)
  expect(clockAhead()).toBe(0)
  heard(said(NOW - 60_001), NOW)
  expect(clockAhead()).toBe(60_001)
})

test('an answer is heard in the middle of its way', () => {
  heard(said(NOW - 7_200_000), NOW - 4_000)
  expect(clockAhead()).toBe(7_198_000)
})

test.each([
  ['that the device kept', said(NOW - 7_200_000, { 'X-Kept': '1' }), NOW],
  ['that took too long', said(NOW - 7_200_000), NOW - 10_001],
  ['that says no time', new Headers(), NOW],
  ['that says nonsense', new Headers({ 'X-Server-Time': 'noon' }), NOW],
  ['across which the clock was set back', said(NOW - 7_200_000), NOW + 1],
])('an answer %s says nothing', (_what, headers, asked) => {
  heard(headers, asked)
  expect(clockAhead()).toBe(0)
})

test('who practises sets the clock on; who comes back to real work is corrected again, and pages are told', () => {
  let told = 0
  const stop = whenClockChanges(() => told++)
  heard(said(NOW - 7_200_000), NOW)
  setPractising(true)
  expect(rightNow()).toBe(NOW)
  setPractising(false)
  expect(rightNow()).toBe(NOW - 7_200_000)
  expect(told).toBe(3)
  stop()
})
