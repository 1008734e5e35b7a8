import { expect, it } from 'vitest'
import type { StepState } from '../api/client'
import { stagesOf } from './stages'

const step = (key: string, stage: string | null | undefined, more: Partial<StepState> = {}): StepState =>
  ({ key, stage, status: 'todo', verdict: 'open', optional: false, ...more }) as StepState
const DONE = { status: 'done', verdict: 'good' } as const

it('puts steps that follow each other in one part of the work together, and counts what must be done', () => {
  const stages = stagesOf([
    step('kit', 'look', DONE),
    step('codes', 'look', { optional: true }),
    step('peel@a', 'prepare', DONE),
    step('peel@b', 'prepare', { status: 'done', verdict: 'bad' }),
    step('clamp', 'join'),
    step('again', 'prepare'),
  ])
  expect(stages.map((s) => [s.name, s.done, s.all, s.verdict])).toEqual([
    ['look', 1, 1, 'good'],
    ['prepare', 2, 2, 'bad'],
    ['join', 0, 1, 'good'],
    ['prepare', 0, 1, 'good'],
  ])
})

it('says of a stage with one open step among good ones that it is open', () =>
  expect(stagesOf([step('a', 'look', DONE), step('b', 'look', { status: 'done', verdict: 'open' })])[0]!.verdict).toBe('open'))

it.each([null, undefined])('leaves a text of older days in one piece', (none) =>
  expect(stagesOf([step('kit', none), step('peel', none), step('look', 'look')])).toHaveLength(1),
)
