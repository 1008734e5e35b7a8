import { expect, it } from 'vitest'
import { prefixOf, tapped, untapped } from './prefix'

const taps = (keys: string, near: number | null): string => [...keys].reduce((text, key) => tapped(text, key, prefixOf(near)), '')

it.each([
  ['54', 225, '225.4'],
  ['5', 225, '225'],
  ['54', 110, '115.4'],
  ['28', 63, '62.8'],
  ['03', 1200, '1200.3'],
  ['89', 8.86, '89'],
  ['89', null, '89'],
  ['5.4', 225, '225.4'],
])('%s tapped where %s is expected is %s', (keys, near, text) => expect(taps(keys, near)).toBe(text))

it('takes back what came by itself with the tap that brought it', () => {
  const prefix = prefixOf(225)
  expect(untapped('225.4', prefix)).toBe('225')
  expect(untapped('225', prefix)).toBe('')
  expect(untapped('225.41', prefix)).toBe('225.4')
  expect(untapped('219.8', prefix)).toBe('219')
  expect(untapped('12', null)).toBe('1')
})

it('leaves a whole figure as it was typed on keys', () => expect(tapped('225.4', '1', prefixOf(225))).toBe('225.41'))
