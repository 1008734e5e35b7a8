import { expect, test } from 'vitest'
import { spansOf, stretchAbout } from './stretch'

test('a picture goes about the figure, inside what is allowed', () => {
  expect(stretchAbout(50, { minimum: 0, maximum: 60 })).toEqual([25, 60])
  expect(stretchAbout(0, {})).toEqual([-1, 1])
  expect(stretchAbout(0, { minimum: 0 })).toEqual([0, 1])
  expect(stretchAbout(50, { maximum: 60 }, '', 0.1)).toEqual([47.5, 52.5])
  expect(stretchAbout(-2, { minimum: -50 }, 'air_c')).toEqual([-12, 8])
})

test('points of one verdict are one span; where the sum is refused it ends', () => {
  const points = ['good', 'good', 'bad', null, 'bad', 'good'].map((verdict, at) => ({ at, verdict }))
  expect(spansOf(points)).toEqual([
    { verdict: 'good', from: 0, to: 1 },
    { verdict: 'bad', from: 2, to: 2 },
    { verdict: 'bad', from: 4, to: 4 },
    { verdict: 'good', from: 5, to: 5 },
  ])
})
