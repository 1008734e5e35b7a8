import { expect, test } from 'vitest'
import { waitAfter } from './backOff'

test('each try that fails is followed by a longer wait, up to a minute', () => {
  expect([0, 1, 2, 3, 4, 5, 50].map((failed) => waitAfter(failed, 1))).toEqual([2_000, 4_000, 8_000, 16_000, 32_000, 60_000, 60_000])
})

test('devices that lost the server together do not come back together', () => {
  expect(waitAfter(5, 0)).toBe(30_000)
  expect(waitAfter(5, 0.5)).toBe(45_000)
})
