import { expect, it } from 'vitest'
import { say } from '../texts/say'
import { blocksOf, earlyBy, leftOf } from './wait'

const words = (ms: number): string => {
  const { id, values } = leftOf(ms)
  return say(id, values).replace(/<\/?0>/g, '')
}

it.each([
  [11 * 60_000 + 57_000, '12 min left'],
  [12 * 60_000, '12 min left'],
  [60_001, '2 min left'],
  [60_000, '60 s left'],
  [1, '1 s left'],
  [0, '0 s left'],
  [-5_000, '0 s left'],
  [90 * 60_000, '90 min left'],
  [90 * 60_000 + 1, '1 h 31 min left'],
  [26 * 3_600_000, '26 h 0 min left'],
])('%i ms are said as %s, with no colon in it', (ms, said) => {
  expect(words(ms)).toBe(said)
  expect(words(ms)).not.toContain(':')
})

it('lays a wait round the dial once at the most, a block begun being a block', () => {
  expect(blocksOf(30 * 60_000)).toEqual({ blocks: 30, minutes: 1 })
  expect(blocksOf(30 * 60_000 + 1)).toEqual({ blocks: 7, minutes: 5 })
  expect(blocksOf(61_000)).toEqual({ blocks: 2, minutes: 1 })
  expect(blocksOf(-1)).toEqual({ blocks: 0, minutes: 1 })
  expect(blocksOf(100 * 3_600_000)).toEqual({ blocks: 30, minutes: 30 })
})

it('never says that something was earlier than it was', () => {
  const said = (ms: number): string => say(earlyBy(ms).id, earlyBy(ms).values)
  expect(said(8 * 60_000 + 59_000)).toBe('8 min too early')
  expect(said(119_001)).toBe('120 s too early')
  expect(said(30_000)).toBe('30 s too early')
})
