import { expect, it } from 'vitest'
import { prefixBy, prefixOf, textOf } from './prefix'

const taps = (keys: string, near: number | null, whole = false): string => textOf(keys, prefixOf(near, whole))

it.each([
  ['54', 225, '225.4'],
  ['5', 225, '225'],
  ['54', 110, '115.4'],
  ['28', 63, '62.8'],
  ['98', 110.15, '109.8'],
  ['03', 1200, '1200.3'],
  ['89', 8.86, '89'],
  ['89', null, '89'],
  // Who does not look at the digits that stand there and types all of them.
  ['225', 225, '225'],
  ['225.4', 225, '225.4'],
  ['109.8', 110, '109.8'],
  ['110.2', 110, '110.2'],
  ['62.8', 63, '62.8'],
  ['1200.3', 1200, '1200.3'],
  ['2254', 225, '225.4'],
  ['205.2', 225, '205.2'],
])('%s tapped where %s is expected is %s', (keys, near, text) => expect(taps(keys, near)).toBe(text))

it.each([
  ['0', 80, '80'],
  ['9', 80, '79'],
  ['80', 80, '80'],
  ['75', 80, '75'],
  ['5', 115, '115'],
  ['115', 115, '115'],
  ['3', 14, '13'],
  ['18', 14, '18'],
  ['8', 12, '8'],
  ['13.5', 14, '13.5'],
  ['130', 14, '130'],
])('of what is read in whole units %s where %s is expected is %s', (keys, near, text) => expect(taps(keys, near, true)).toBe(text))

it('begins what is smaller than a few millimetres with the tenths, and nothing else', () => {
  const mm = { key: 'gap_mm', suffix: 'mm', symbol: 'mm', decimals: 2, fromKey: (v: number) => v, toKey: (v: number): number => v }
  const usual = (high: number | null) => ({ near: null, low: null, high, whole: false, slips: [] })
  const tenths = prefixBy(usual(2.5), mm)
  expect(['6', '65', '0.6', '1.2'].map((keys) => textOf(keys, tenths))).toEqual(['0.6', '0.65', '0.6', '1.2'])
  expect(prefixBy(usual(40), mm)).toBeNull()
  expect(prefixBy(usual(null), mm)).toBeNull()
  expect(prefixBy(undefined, mm)).toBeNull()
  expect(prefixBy(usual(2.5), { ...mm, symbol: 'in' })).toBeNull()
})

it.each([
  [225, '22'],
  [110.15, '1'],
  [160, '1'],
  [163, '1'],
  [165, '16'],
  [63, '6'],
  [1204, '120'],
  [14, '1'],
])('where %s is expected the digits that stand there already are %s', (near, digits) => expect(prefixOf(near)?.digits).toBe(digits))

it('knows nothing of what is not expected, or has one digit', () =>
  expect([null, undefined, 8.9].map((n) => prefixOf(n))).toEqual([null, null, null]))
