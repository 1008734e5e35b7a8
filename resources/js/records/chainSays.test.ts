import { expect, test } from 'vitest'
import type { Register } from '../api/client'
import { chainSays } from './chainSays'

const HEAD = { seals: 900, hash: 'ab', public_key: null }
const said = (more: Partial<Register>): string =>
  chainSays({ chain_broken: [], chain_head: HEAD, chain_held: { at: null, seals: 900, waits: false }, ...more } as Register)

test('what was never held is not called unbroken', () => {
  expect(said({})).toMatch(/unbroken/)
  expect(said({ chain_head: null })).toBe('Nothing is sealed yet.')
  expect(said({ chain_held: { at: null, seals: 0, waits: true } })).toMatch(/being held against the record/)
  const before = { at: '2026-05-04T08:00:00Z', seals: 890, waits: true }
  expect(said({ chain_held: before })).toMatch(/unbroken/)
  expect(said({ chain_held: before, chain_broken: ['Seal 3 …'] })).toMatch(/broken/)
  expect(said({ chain_held: before, chain_broken: ['Seal 3 …'] })).not.toMatch(/unbroken/)
})
