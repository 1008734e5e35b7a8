import { expect, it } from 'vitest'
import { guardsLeftOut, sent, slug, withLimit, withoutSource, withoutStep, withStep, type Draft } from './adapt'

const draft = {
  id: 'little',
  title: 'Little',
  version: '1',
  hash: 'abc',
  parameters: {
    gap_mm: { value: 2, label: 'gap', source: 'a handbook', certainty: 'memory' },
    cut_mm: { value: 3, label: 'cut', source: 'a standard', certainty: 'std' },
    both_mm: { value: 1, label: 'both', source: 'a standard', certainty: 'std' },
  },
  steps: [
    { id: 'cut', stage: 'prepare', kind: 'number', title: 'Cut', judge: [{ in: { limit_mm: '$param.cut_mm' } }] },
    { id: 'clean', stage: 'prepare', kind: 'check', title: 'Clean, {side}', each: ['a', 'b'], after: ['cut'], gate: true },
    {
      id: 'gap',
      stage: 'join',
      kind: 'round',
      title: 'Gap',
      after: ['cut', 'clean@a'],
      needs_good: ['clean'],
      judge: [{ in: { limit_mm: '$param.gap_mm' }, say: [{ text: 'over {param.both_mm}' }] }],
    },
  ],
} as unknown as Draft

it("a changed limit is the project's own, and asks for its own source until it has one", () => {
  const lower = withLimit(draft, 'gap_mm', { value: 1.5 })
  expect(lower.parameters['gap_mm']).toEqual({ value: 1.5, label: 'gap', source: 'a handbook', certainty: 'project' })
  expect(withoutSource(lower, draft)).toEqual(['gap_mm'])
  expect(withoutSource(withLimit(lower, 'gap_mm', { source: '  ' }), draft)).toEqual(['gap_mm'])
  expect(withoutSource(withLimit(lower, 'gap_mm', { source: 'trial of 3 May' }), draft)).toEqual([])
  expect(withoutSource(draft, draft)).toEqual([])
  expect(draft.parameters['gap_mm']!.value).toBe(2)
})

it('a step goes with what only it was held against, and nothing waits for it any more', () => {
  const without = withoutStep(draft, 1)
  expect(without.steps.map((s) => [s.id, s.after, s.needs_good])).toEqual([
    ['cut', undefined, undefined],
    ['gap', ['cut'], []],
  ])
  expect(Object.keys(without.parameters)).toEqual(['gap_mm', 'cut_mm', 'both_mm'])
  expect(Object.keys(withoutStep(draft, 0).parameters)).toEqual(['gap_mm', 'both_mm'])
  expect(guardsLeftOut(without, draft)).toEqual(['Clean'])
  expect(guardsLeftOut(withoutStep(draft, 0), draft)).toEqual([])
})

it('of a step that is there twice under one name one is left out', () => {
  const twice = { ...draft, steps: [...draft.steps, { ...draft.steps[0]!, title: 'Cut again' }] }
  expect(withoutStep(twice, 0).steps.map((s) => s.id)).toEqual(['clean', 'gap', 'cut'])
  expect(withoutStep(twice, 0).steps[1]!.after).toEqual(['cut', 'clean@a'])
})

it('a new step stands in the stage of the one before it, under a name of its own, each question with its key', () => {
  const more = withStep(draft, 0, {
    title: ' Cut ',
    why: '',
    asked: [
      { label: 'Guards on?', kind: 'yes' },
      { label: 'Guards on?', kind: 'no' },
    ],
  })
  expect(more.steps[1]).toEqual({
    id: 'cut-2',
    stage: 'prepare',
    kind: 'check',
    title: 'Cut',
    fields: [
      { key: 'guards_on', label: 'Guards on?', type: 'yesno', want: true },
      { key: 'guards_on_2', label: 'Guards on?', type: 'yesno', want: false },
    ],
  })
  const read = withStep(draft, 2, { title: 'Ground water', why: 'It cools.', asked: [{ label: 'Above the pipe', kind: 'length' }] })
  expect(read.steps.at(-1)).toMatchObject({
    kind: 'number',
    stage: 'join',
    why: 'It cools.',
    fields: [{ key: 'above_the_pipe_mm', label: 'Above the pipe', quantity: 'length' }],
  })
})

it('goes out without the mark of the text that it was copied from', () => {
  expect('hash' in sent(draft)).toBe(false)
  expect([slug('Größe & Tiefe'), slug('!!!'), slug('A b', '_')]).toEqual(['groe-tiefe', 'step', 'a_b'])
})
