import 'fake-indexeddb/auto'
import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { createElement, type ReactElement } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Fact, ProcedureText, StepState, Subject } from '../api/client'
import { queries } from '../api/queries'
import { store } from '../outbox/db'
import { tell } from '../outbox/outbox'
import { LookProvider } from '../ui/settings'
import { StepRunner } from './StepRunner'

vi.mock('../core/core', () => ({ askCore: async () => null, keepCore: async () => undefined, keeping: async () => undefined }))

const step = (id: string, kind: string, more: Record<string, unknown> = {}): ProcedureText['steps'][number] =>
  ({
    id,
    kind,
    title: id,
    fields: [{ key: 'gap_mm', label: 'Gap', quantity: 'length', min: 0, max: 20 }],
    ...more,
  }) as ProcedureText['steps'][number]
const procedure: ProcedureText = {
  id: 'p',
  title: 'Procedure',
  version: '1',
  hash: 'h',
  parameters: {},
  steps: [step('one', 'number'), step('two', 'number', { after: ['one'], needs_good: ['one'] })],
}
const state = (key: string, more: Partial<StepState> = {}): StepState =>
  ({
    key,
    id: key,
    side: null,
    kind: 'number',
    title: key === 'one' ? 'First gap' : 'Second gap',
    status: 'todo',
    verdict: 'open',
    optional: false,
    locked: null,
    lock: null,
    needs_good: [],
    opens_at: null,
    again: false,
    figure: null,
    cautions: [],
    summary: null,
    guide: [],
    reasons: [],
    results: {},
    suggested: {},
    device: null,
    fact_id: null,
    by: null,
    at: null,
    ...more,
  }) as StepState
/** What the server says of a step that comes after the first and wants it good. */
const afterOne: Partial<StepState> = {
  locked: '"First gap" comes first.',
  lock: { code: 'after', protects: false, waits: [{ step: 'one', code: 'after', text: '"First gap" comes first.' }] },
  needs_good: ['one'],
}
const fact = (id: string, stepKey: string): Fact =>
  ({
    id,
    seq: 1,
    step: stepKey,
    value: { gap_mm: 1 },
    recorded_at: '2026-05-04T10:00:00+02:00',
    by: 'Bram',
    role: 'joiner',
    supersedes: null,
    reason: null,
  }) as Fact

function subject(steps: StepState[], more: Partial<Subject> = {}): Subject {
  const next = steps.find((s) => s.status === 'todo')?.key ?? null
  return {
    kind: 'joint',
    id: '1',
    name: 'Joint 1',
    state: 'begun',
    number: '1',
    procedure_hash: 'h',
    facts: [],
    context: {},
    closed: null,
    line: { id: 'l', name: 'Line', service: 'water', time_zone: 'Europe/Vienna' },
    judgement: {
      verdict: 'open',
      done: 0,
      total: 2,
      next,
      ready_for_signature: false,
      steps,
      reasons: [],
      clocks: [],
      left_face: false,
      tag: { head: null, lines: [] },
      procedure: {},
      judged_at: '2026-05-04T10:00:00Z',
    },
    ...more,
  } as unknown as Subject
}

const page = (data: Subject, role = 'joiner'): ReactElement =>
  createElement(
    QueryClientProvider,
    { client: queries },
    createElement(
      LookProvider,
      null,
      createElement(MemoryRouter, null, createElement(StepRunner, { path: 'subjects/joint/1', data, procedure, role })),
    ),
  )

// No layout here, and so nothing to scroll.
Element.prototype.scrollIntoView = () => undefined

beforeEach(async () => {
  await store.waiting.clear()
  tell()
  queries.clear()
  queries.setQueryData(['me'], { id: 3, name: 'Bram', units: 'metric', projects: [] })
  queries.setQueryData(['units'], { length: { mm: { symbol: 'mm', factor: 0.001, offset: 0 } } })
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network')
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

test('the first open step is at hand, with its field', () => {
  render(page(subject([state('one'), state('two', afterOne)])))
  expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('First gap')
  expect(screen.getByRole('textbox', { name: 'Gap, mm' })).toBeTruthy()
  expect(screen.getByText(/next is "First gap"/)).toBeTruthy()
})

test('a figure out of range is said and goes nowhere; a right one goes into the outbox and the next step is at hand', async () => {
  render(page(subject([state('one'), state('two', afterOne)])))
  fireEvent.change(screen.getByRole('textbox', { name: 'Gap, mm' }), { target: { value: '90' } })
  fireEvent.click(screen.getByRole('button', { name: 'Record' }))
  expect(screen.getByRole('alert').textContent).toBe('Gap: 90 mm is outside 0 to 20 mm.')
  expect(await store.waiting.count()).toBe(0)
  fireEvent.change(screen.getByRole('textbox', { name: 'Gap, mm' }), { target: { value: '1,5' } })
  fireEvent.click(screen.getByRole('button', { name: 'Record' }))
  await waitFor(() => expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Second gap'))
  expect((await store.waiting.toArray()).map((w) => w.body.value)).toEqual([{ gap_mm: 1.5 }])
  // Without a judgement the second step, which wants the first to be good, waits.
  expect(screen.getByText('"First gap" must be good first: its judgement waits for the server.')).toBeTruthy()
  expect(screen.getByText(/One entry is not yet sent/)).toBeTruthy()
})

test('a thumb that taps twice in the same instant has recorded once', async () => {
  render(page(subject([state('one'), state('two', afterOne)])))
  fireEvent.change(await screen.findByRole('textbox', { name: 'Gap, mm' }), { target: { value: '1.5' } })
  const tapped = screen.getByRole('button', { name: 'Record' })
  fireEvent.click(tapped)
  fireEvent.click(tapped)
  await waitFor(() => expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Second gap'))
  expect((await store.waiting.toArray()).map((w) => w.body.value)).toEqual([{ gap_mm: 1.5 }])
})

test('a bad step stays at hand and asks to be measured again, with a reason', async () => {
  const bad = state('one', {
    status: 'done',
    verdict: 'bad',
    fact_id: 'f1',
    reasons: [{ verdict: 'bad', text: 'Too wide.', do: 'Close it.', limit: null }],
    by: 'Bram',
    at: '2026-05-04T10:00:00+02:00',
  })
  const data = subject([bad, state('two')], { facts: [fact('f1', 'one')] })
  data.judgement.next = 'one'
  data.judgement.verdict = 'bad'
  data.judgement.reasons = [{ step: 'one', verdict: 'bad', text: 'Too wide.', do: 'Close it.', limit: null }]
  render(page(data))
  expect(screen.getAllByText(/Too wide\./).length).toBeGreaterThan(0)
  fireEvent.click(await screen.findByRole('button', { name: 'Measure again' }))
  fireEvent.change(screen.getByLabelText('Why does the earlier entry not count?'), { target: { value: 'pushed home' } })
  fireEvent.change(screen.getByRole('textbox', { name: 'Gap, mm' }), { target: { value: '2' } })
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Record' })))
  await waitFor(async () =>
    expect((await store.waiting.toArray())[0]?.body).toMatchObject({
      step: 'one',
      value: { gap_mm: 2 },
      supersedes: 'f1',
      reason: 'pushed home',
    }),
  )
})

test('a refused entry says why and can be entered again', async () => {
  await store.waiting.add({
    id: 'w',
    subject: 'subjects/joint/1',
    since: 0,
    refused: 'Gap: 90 mm is outside 0 to 20 mm.',
    body: { id: 'w', step: 'one', value: { gap_mm: 90 }, recorded_at: '2026-05-04T10:00:00+02:00' },
  })
  render(page(subject([state('one'), state('two')])))
  fireEvent.click(await screen.findByRole('button', { name: /First gap/ }))
  expect(await screen.findByText('Refused: Gap: 90 mm is outside 0 to 20 mm.')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Enter it again' }))
  await waitFor(async () => expect(await store.waiting.count()).toBe(0))
})

test('what another person recorded on this device is theirs to take back', async () => {
  await store.waiting.add({
    id: 'w',
    subject: 'subjects/joint/1',
    since: 0,
    refused: 'Gap: 90 mm is outside 0 to 20 mm.',
    by: { id: 8, name: 'Odile Fenner' },
    body: { id: 'w', step: 'one', value: { gap_mm: 90 }, recorded_at: '2026-05-04T10:00:00+02:00' },
  })
  render(page(subject([state('one'), state('two')])))
  fireEvent.click(await screen.findByRole('button', { name: /First gap/ }))
  expect(await screen.findByText('Odile Fenner recorded it and can take it back, signed in here.')).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'Enter it again' })).toBeNull()
})

test('a closed joint takes nothing', () => {
  render(page(subject([state('one')], { closed: 'Joint 1 is cut out; nothing more is recorded on it.' })))
  expect(screen.queryByRole('textbox')).toBeNull()
  expect(screen.getAllByText('Joint 1 is cut out; nothing more is recorded on it.').length).toBeGreaterThan(0)
})

test('nothing is typed before it is known whose it is', async () => {
  let answer: (response: Response) => void = () => undefined
  vi.stubGlobal('fetch', async () => new Promise<Response>((come) => (answer = come)))
  queries.removeQueries({ queryKey: ['me'] })
  localStorage.setItem('draft/3/subjects/joint/1/one#values', JSON.stringify({ at: Date.now(), value: {} }))
  render(page(subject([state('one'), state('two', afterOne)])))
  await vi.waitFor(() => expect(answer.length).toBe(1))
  expect(screen.queryByRole('textbox', { name: 'Gap, mm' })).toBeNull()
  await act(async () => answer(Response.json({ id: 3, name: 'Bram', units: 'metric', projects: [] })))
  expect(await screen.findByRole('textbox', { name: 'Gap, mm' })).toBeTruthy()
  localStorage.clear()
})

test('where nobody can tell whose it is, what is typed stands when it becomes known', async () => {
  queries.removeQueries({ queryKey: ['me'] })
  render(page(subject([state('one'), state('two', afterOne)])))
  const gap = await screen.findByRole<HTMLInputElement>('textbox', { name: 'Gap, mm' })
  fireEvent.change(gap, { target: { value: '1.2' } })
  await act(async () => {
    queries.setQueryData(['me'], { id: 3, name: 'Bram', units: 'metric', projects: [] })
    // The page is told in a turn of its own.
    await new Promise((told) => setTimeout(told, 50))
  })
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Gap, mm' }).value).toBe('1.2')
})
