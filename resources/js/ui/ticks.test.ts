import { expect, test } from 'vitest'
import { ticksOf } from './ticks'

test('ticks are round figures inside their ends', () => {
  expect(ticksOf(0, 10)).toEqual([0, 2, 4, 6, 8, 10])
  expect(ticksOf(0.1, 0.52)).toEqual([0.1, 0.2, 0.3, 0.4, 0.5])
  expect(ticksOf(-13, 27)).toEqual([-10, 0, 10, 20])
  expect(ticksOf(998_000, 1_002_000)).toEqual([998_000, 999_000, 1_000_000, 1_001_000, 1_002_000])
})

test('where nothing lies between the ends there is one', () => {
  expect(ticksOf(5, 5)).toEqual([5])
})
