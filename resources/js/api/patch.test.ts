import { QueryClient } from '@tanstack/react-query'
import { beforeEach, expect, test } from 'vitest'
import type { LineFull, Recorded, Subject } from './client'
import { patch } from './patch'

const fact = (id: string) => ({
  id,
  seq: 1,
  step: 'one',
  value: {},
  typed: {},
  recorded_at: '2026-05-04T10:00:00+02:00',
  by: 'Bram',
  role: 'joiner',
  supersedes: null,
  reason: null,
})
const recorded = (more: Partial<Recorded> = {}): Recorded =>
  ({
    judgement: { verdict: 'good' },
    state: 'begun',
    stored: true,
    fact: fact('b'),
    facts: 2,
    closed: null,
    line_id: 'l',
    rows: [{ id: '1', verdict: 'good', done: 2 }],
    ...more,
  }) as unknown as Recorded
let known: QueryClient
const stale = (...key: string[]): boolean | undefined => known.getQueryState(key)?.isInvalidated

beforeEach(() => {
  known = new QueryClient()
  known.setQueryData<Subject>(['subjects', 'joint', '1'], {
    id: '1',
    facts: [fact('a')],
    judgement: { verdict: 'open' },
    state: 'planned',
    closed: null,
  } as unknown as Subject)
  known.setQueryData<LineFull>(['lines', 'l'], {
    id: 'l',
    joints: [
      { id: '1', verdict: 'open', done: 1 },
      { id: '2', verdict: 'open' },
    ],
    stretches: [],
    sections: [{ tests: [{ id: 't', verdict: 'open' }] }],
  } as unknown as LineFull)
  known.setQueryData(['lines'], [])
})

test('the joint and its row in the line change, and neither is read anew', () => {
  patch(known, 'subjects/joint/1', recorded())
  expect(known.getQueryData<Subject>(['subjects', 'joint', '1'])).toMatchObject({
    judgement: { verdict: 'good' },
    state: 'begun',
    facts: [{ id: 'a' }, { id: 'b', by: 'Bram' }],
  })
  expect(known.getQueryData<LineFull>(['lines', 'l'])!.joints).toEqual([
    { id: '1', verdict: 'good', done: 2 },
    { id: '2', verdict: 'open' },
  ])
  expect([stale('subjects', 'joint', '1'), stale('lines', 'l'), stale('lines')]).toEqual([false, false, true])
})

test('the same answer twice adds nothing', () => {
  patch(known, 'subjects/joint/1', recorded())
  patch(known, 'subjects/joint/1', recorded({ stored: false }))
  expect(known.getQueryData<Subject>(['subjects', 'joint', '1'])!.facts).toHaveLength(2)
})

test('facts of others, and a seal, are read anew', () => {
  patch(known, 'subjects/joint/1', recorded({ facts: 3 }))
  expect(stale('subjects', 'joint', '1')).toBe(true)
  known.setQueryData(['subjects', 'joint', '1'], known.getQueryData(['subjects', 'joint', '1']))
  patch(known, 'subjects/joint/1', recorded({ closed: 'Joint 1 is signed and sealed.' }))
  expect(stale('subjects', 'joint', '1')).toBe(true)
})

test('a test stands in its section, and the joint that a restraint holds is read anew', () => {
  known.setQueryData<Subject>(['subjects', 'joint', '2'], { id: '2', facts: [] } as unknown as Subject)
  patch(
    known,
    'subjects/test/t',
    recorded({
      rows: [
        { id: 't', verdict: 'bad' },
        { id: '2', verdict: 'close' },
      ] as unknown as Recorded['rows'],
    }),
  )
  const line = known.getQueryData<LineFull>(['lines', 'l'])!
  expect(line.sections[0]!.tests[0]).toEqual({ id: 't', verdict: 'bad' })
  expect(line.joints[1]).toEqual({ id: '2', verdict: 'close' })
  expect(stale('subjects', 'joint', '2')).toBe(true)
})

test('what is not known yet is not made up', () => {
  known = new QueryClient()
  patch(known, 'subjects/joint/9', recorded())
  expect(known.getQueryData(['subjects', 'joint', '9'])).toBeUndefined()
})
