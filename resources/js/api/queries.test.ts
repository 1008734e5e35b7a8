import { expect, test } from 'vitest'
import type { Subject } from './client'
import { notOlder } from './queries'

const subject = (...ids: string[]): Subject => ({ facts: ids.map((id) => ({ id })) }) as unknown as Subject

test('an answer that lacks a known fact is older than what is known', () => {
  const known = subject('a', 'b')
  expect(notOlder(known, subject('a'))).toBe(known)
  expect(notOlder(known, subject())).toBe(known)
})

test('an answer with all that is known, or more, counts', () => {
  const more = subject('a', 'b', 'c')
  expect(notOlder(subject('a', 'b'), more)).toBe(more)
  expect(notOlder(undefined, more)).toBe(more)
  expect(notOlder(subject('b', 'a'), more)).toBe(more)
})
