import { expect, test } from 'vitest'
import { programOf } from './programOf'

test.each([
  ['Mozilla/5.0 (Mobile; rv:127.0) Engine/127.0', 'A phone'],
  ['Mozilla/5.0 (like a desk) Engine/537.36 Mobile/15E148', 'A phone'],
  ['Mozilla/5.0 (Tablet; rv:127.0) Engine/127.0', 'A tablet'],
  ['Mozilla/5.0 (64 bit) Engine/127.0', 'A computer'],
  ['a scanner of our own', 'Another program'],
  ['', 'Another program'],
  [null, 'Another program'],
])('%s is called as a person calls it', (agent, called) => {
  expect(programOf(agent)).toBe(called)
})
