import { expect, it } from 'vitest'
import { placeAt, placesIn } from './placed'

/** East for 100 m, then north for 100 m, rising by 1 in 100. */
const bent = [
  [0, 0, 0, 10],
  [100, 100, 0, 11],
  [200, 100, 100, 12],
]

it('lies off the straight between the ends of the view: to the right where it is drawn downwards', () => {
  const [, off, level] = placeAt(bent, { from: 0, to: 200 }, 100)
  expect(off).toBeCloseTo(Math.SQRT1_2 * 100)
  expect(level).toBe(11)
  expect(placeAt(bent, { from: 0, to: 100 }, 60)).toEqual([60, 0, 10.6])
})

it('holds both ends and each corner, and no more places than can be told apart', () => {
  expect(placesIn(bent, { from: 0, to: 200 }).map(([m]) => m)).toEqual([0, 100, 200])
  const fine = Array.from({ length: 20_000 }, (_, i) => [i, i, 0, 0])
  expect(placesIn(fine, { from: 0, to: 19_999 }).length).toBeLessThanOrEqual(242)
})
