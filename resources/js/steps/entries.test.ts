import { expect, test } from 'vitest'
import type { Fact } from '../api/client'
import { entriesOf } from './entries'

const fact = (id: string, value: Record<string, unknown>, supersedes: string | null = null, step = 'list'): Fact =>
  ({ id, step, value, supersedes, reason: null, seq: 0, by: '', role: '', recorded_at: '' }) as unknown as Fact

const whats = (facts: Fact[]): unknown[] => entriesOf('list', facts).entries.map((e) => e.value['what'])

test('entries stand in their order, those of another step apart', () => {
  expect(whats([fact('1', { what: 'a' }), fact('2', { what: 'x' }, null, 'other'), fact('3', { what: 'b' })])).toEqual(['a', 'b'])
})

test('one that took the place of another stands, the other does not; what is struck out is gone', () => {
  expect(whats([fact('1', { what: 'a' }), fact('2', { what: 'b' }, '1')])).toEqual(['b'])
  expect(whats([fact('1', { what: 'a' }), fact('2', { struck: true }, '1')])).toEqual([])
})

test('what came back from the server while it waited is one entry', () => {
  expect(whats([fact('1', { what: 'a' }), fact('1', { what: 'a' })])).toEqual(['a'])
})

test('it is all when somebody said so, with or without entries', () => {
  expect(entriesOf('list', []).isAll).toBe(false)
  expect(entriesOf('list', [fact('1', { all: true })]).isAll).toBe(true)
  expect(entriesOf('list', [fact('1', { all: true }), fact('2', { what: 'later' })]).isAll).toBe(true)
})
