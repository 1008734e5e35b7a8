import { expect, test } from 'vitest'
import type { StepState } from '../api/client'
import { lockHere } from './lockHere'

const state = (key: string, more: Partial<StepState> = {}): StepState =>
  ({ key, title: key.toUpperCase(), lock: null, locked: null, needs_good: [], ...more }) as StepState
const after = (step: string) => ({ step, code: 'after' as const, text: `${step} comes first.` })
const good = (step: string) => ({ step, code: 'needs-good' as const, text: `${step} must be good first.` })
const locked = (waits: (ReturnType<typeof after> | ReturnType<typeof good>)[], more: Partial<StepState> = {}): StepState =>
  state('c', { lock: { code: waits[0]!.code, protects: false, waits }, locked: waits[0]!.text, ...more })
const steps = [state('a'), state('b')]
const unsent = (...keys: string[]): Map<string, unknown> => new Map(keys.map((k) => [k, {}]))

test('without anything unsent the lock is that of the judgement', () => {
  expect(lockHere(state('c'), steps, unsent())).toBeNull()
  expect(lockHere(locked([after('a')]), steps, unsent())).toMatchObject({ code: 'after', text: 'a comes first.', goTo: { key: 'a' } })
  expect(lockHere(locked([good('a')], { needs_good: ['a'] }), steps, unsent())).toMatchObject({
    code: 'needs-good',
    text: 'a must be good first.',
    goTo: { key: 'a' },
  })
})

test('what is recorded here and not yet sent counts as done; what must be good waits for its judgement', () => {
  expect(lockHere(locked([after('a')]), steps, unsent('a'))).toBeNull()
  expect(lockHere(locked([after('a'), after('b')]), steps, unsent('a'))).toMatchObject({ text: 'b comes first.', goTo: { key: 'b' } })
  expect(lockHere(locked([good('a')], { needs_good: ['a'] }), steps, unsent('a'))).toMatchObject({
    code: 'waits-here',
    text: '"A" must be good first: its judgement waits for the server.',
    goTo: undefined,
  })
})

test('a step that was good and is measured again here shuts what it guards until it is judged', () => {
  expect(lockHere(state('c', { needs_good: ['a'] }), steps, unsent('a'))).toMatchObject({ code: 'waits-here' })
  expect(lockHere(state('c', { needs_good: ['a'] }), steps, unsent('b'))).toBeNull()
})

test('a time, a text that cannot be read and the protection of people stay, whatever is unsent', () => {
  const early = state('c', { lock: { code: 'too-early', protects: true, waits: [] }, locked: 'Not before 10:30.' })
  expect(lockHere(early, steps, unsent('a'))).toEqual({ code: 'too-early', text: 'Not before 10:30.', protects: true, goTo: undefined })
  const unread = state('c', { lock: { code: 'unreadable', protects: false, waits: [] }, locked: 'Its text cannot be read.' })
  expect(lockHere(unread, steps, unsent())).toMatchObject({ code: 'unreadable', text: 'Its text cannot be read.' })
})

test('a judgement kept by an earlier version locks nothing wrongly open', () => {
  expect(lockHere({ ...state('c'), lock: undefined, needs_good: undefined } as unknown as StepState, steps, unsent('a'))).toBeNull()
})
