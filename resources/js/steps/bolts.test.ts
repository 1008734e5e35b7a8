import { expect, test } from 'vitest'
import type { Fact, StepState } from '../api/client'
import type { Waiting } from '../outbox/db'
import { badBolts, progressOf, readingsOf } from './bolts'

const plan = [
  [1, 1],
  [1, 3],
  [1, 2],
  [1, 4],
  [2, 1],
  [2, 2],
  [2, 3],
  [2, 4],
].map(([pass, bolt], i) => ({ seq: i + 1, pass: pass!, bolt: bolt!, torque_nm: pass === 1 ? 33 : 110 }))
const fact = (id: string, pass: number, bolt: number, torque_nm: number, supersedes: string | null = null): Fact =>
  ({ id, step: 'bolts', value: { pass, bolt, torque_nm }, supersedes }) as unknown as Fact
const unsent = (id: string, pass: number, bolt: number, more: Record<string, unknown> = {}, refused?: string): Waiting =>
  ({
    subject: 'subjects/joint/1',
    body: { id, step: 'bolts', value: { pass, bolt, torque_nm: 33, ...more } },
    refused,
  }) as unknown as Waiting

test('nothing read: the plan begins with its first bolt', () => {
  expect(progressOf(plan, [])).toMatchObject({ next: { bolt: 1, pass: 1 }, then: { bolt: 3 }, pass: 1, passes: 2, bolts: 4, inPass: 0 })
})

test('the next bolt is the first of the plan that was not read, also one that was missed', () => {
  const read = readingsOf('bolts', [fact('a', 1, 1, 33), fact('b', 1, 2, 33)], [])
  expect(progressOf(plan, read)).toMatchObject({ next: { bolt: 3 }, then: { bolt: 4 }, inPass: 2 })
})

test('what waits on this device counts once, what was refused or superseded does not', () => {
  const facts = [fact('a', 1, 1, 33), fact('b', 1, 3, 20), fact('c', 1, 3, 33, 'b')]
  const read = readingsOf('bolts', facts, [unsent('c', 1, 3), unsent('d', 1, 2), unsent('e', 1, 4, {}, 'No.')])
  expect(read.map((r) => r.id)).toEqual(['a', 'c', 'd'])
  expect(progressOf(plan, read).next).toMatchObject({ bolt: 4, pass: 1 })
})

test('all read: nothing is next, and the last pass is shown', () => {
  const all = plan.map((s, i) => fact(`f${i}`, s.pass, s.bolt, s.torque_nm))
  expect(progressOf(plan, readingsOf('bolts', all, []))).toMatchObject({ next: null, then: null, pass: 2, inPass: 4 })
})

test('a reading that is not sent yet in the unit in which it was typed is read, its figure not shown', () => {
  const read = readingsOf('bolts', [], [unsent('a', 1, 1, { torque_nm: undefined, torque_ftlb: 24 })])
  expect(progressOf(plan, read).next).toMatchObject({ bolt: 3 })
  expect(read[0]!.torque_nm).toBeNaN()
})

test('the codes of the judgement name the bolts that are bad', () => {
  const state = {
    results: { plan: { steps: [] }, check: { reasons: ['low:3', 'over-pass:1/4', 'over-max:12', 'missed-bolt:2/1', 'uneven', 'order:7'] } },
  } as unknown as StepState
  expect([...badBolts(state)]).toEqual([3, 4, 12])
})
