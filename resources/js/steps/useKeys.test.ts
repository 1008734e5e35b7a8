import { renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { prefixOf } from './prefix'
import { useKeys } from './useKeys'

const prefix = prefixOf(225)
const keysOf = (): ReturnType<typeof useKeys> => renderHook(() => useKeys()).result.current

it('takes back what came by itself with the tap that brought it', () => {
  const keys = keysOf()
  const seen = [...'541'].reduce<string[]>((all, key) => [...all, keys.tap('a', all.at(-1) ?? '', key, prefix)], [])
  expect(seen).toEqual(['225', '225.4', '225.41'])
  expect(keys.back('a', '225.41', prefix)).toBe('225.4')
  expect(keys.back('a', '225.4', prefix)).toBe('225')
  expect(keys.back('a', '225', prefix)).toBe('')
})

it('goes on with what came from the keyboard as it stands', () => {
  const keys = keysOf()
  keys.tap('a', '', '5', prefix)
  expect(keys.tap('a', '224', '1', prefix)).toBe('2241')
  expect(keys.back('a', '219.8', prefix)).toBe('219.')
})

it('keeps the figures of two fields apart', () => {
  const keys = keysOf()
  expect(keys.tap('a', '', '5', prefix)).toBe('225')
  expect(keys.tap('b', '', '3', prefix)).toBe('223')
  expect(keys.tap('a', '225', '4', prefix)).toBe('225.4')
})

it('begins anew over what stood there already, or was refused; what is taken back is put right as it stands', () => {
  const keys = keysOf()
  keys.anew('a', '63.2')
  expect(keys.tap('a', '63.2', '6', null)).toBe('6')
  expect(keys.tap('a', '6', '2', null)).toBe('62')
  keys.anew('a', '62')
  expect(keys.back('a', '62', null)).toBe('6')
  expect(keys.tap('a', '6', '3', null)).toBe('63')
  // Typed over on a keyboard meanwhile: that is no longer what was refused.
  keys.anew('a', '63')
  expect(keys.tap('a', '64', '1', null)).toBe('641')
})
