import { expect, test } from 'vitest'
import { duration } from './ClockOff'

test.each([
  [61_000, '1 min'],
  [59 * 60_000, '59 min'],
  [2 * 3_600_000, '2 h 0 min'],
  [-1 + 25 * 3_600_000, '25 h 0 min'],
  [48 * 3_600_000, '2 days'],
  [400 * 24 * 3_600_000, '400 days'],
])('%d ms are %s', (ms, said) => {
  expect(duration(ms)).toBe(said)
})
