import 'fake-indexeddb/auto'
import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { createElement, type ReactElement } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { FieldSpec } from '../api/client'
import { queries } from '../api/queries'
import { LookProvider } from '../ui/settings'
import { FieldsEntry, type Offered } from './FieldsEntry'
import type { End } from './fields/slots'

const FIELDS = [
  { key: 'depth_mm', label: 'Depth', quantity: 'length', min: 0, max: 5 },
  { key: 'clean', label: 'Clean', type: 'yesno', want: true },
  { key: 'wet', label: 'Wet', type: 'yesno', should: false },
] as FieldSpec[]

let recorded: unknown[][]
const shown = (more: { ends?: End[]; offers?: Offered[]; scanned?: Record<string, unknown> } = {}): ReactElement =>
  createElement(
    QueryClientProvider,
    { client: queries },
    createElement(
      LookProvider,
      null,
      createElement(
        MemoryRouter,
        null,
        <FieldsEntry step={{ fields: FIELDS }} project={1} onRecord={(...values) => recorded.push(values)} {...more} />,
      ),
    ),
  )
const all = async (): Promise<HTMLElement> => {
  const button = await screen.findByRole('button', { name: 'All as it should be' })
  await waitFor(() => expect(button.getAttribute('aria-disabled')).toBe('false'))
  return button
}

beforeEach(() => {
  recorded = []
  // The page of the tests has no height.
  Element.prototype.scrollIntoView = () => undefined
  localStorage.clear()
  queries.clear()
  queries.setQueryData(['me'], { id: 7, name: 'Bram Ivesley', units: 'metric', projects: [{ id: 1, role: 'joiner' }] })
  queries.setQueryData(['units'], { length: { mm: { symbol: 'mm', factor: 0.001, offset: 0 } } })
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network')
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

test('one tap answers what a sound joint answers; Enter, as a caliper types it, answers nothing', async () => {
  render(shown())
  const depth = screen.getByLabelText('Depth, mm')
  fireEvent.change(depth, { target: { value: '0.3' } })
  fireEvent.keyDown(depth, { key: 'Enter' })
  expect(recorded).toEqual([])
  fireEvent.click(await all())
  expect(recorded).toEqual([[{ depth_mm: 0.3, clean: true, wet: false }]])
})

test('an answer that was given stays, and only the rest is answered', async () => {
  render(shown())
  fireEvent.change(screen.getByLabelText('Depth, mm'), { target: { value: '0.3' } })
  fireEvent.click(screen.getByLabelText('Wet: Yes'))
  const rest = await screen.findByRole('button', { name: 'The rest as it should be' })
  await waitFor(() => expect(rest.getAttribute('aria-disabled')).toBe('false'))
  fireEvent.click(rest)
  expect(recorded).toEqual([[{ depth_mm: 0.3, clean: true, wet: true }]])
})

test('both ends are two values, and a figure that is missing at one of them is said there', async () => {
  const ends = ['a', 'b'].map((side) => ({ key: `peel@${side}`, name: `pipe 00${side}` }))
  render(shown({ ends }))
  fireEvent.change(screen.getByLabelText('Depth, mm, pipe 00a'), { target: { value: '0.3' } })
  fireEvent.click(screen.getByLabelText('Wet: No', { selector: '[name="peel@a/wet"]' }))
  const rest = await screen.findByRole('button', { name: 'The rest as it should be' })
  await waitFor(() => expect(rest.getAttribute('aria-disabled')).toBe('false'))
  fireEvent.click(rest)
  expect(screen.getByRole('alert').textContent).toBe('Depth is missing.')
  expect(screen.getByRole('group', { name: 'pipe 00b' }).contains(screen.getByRole('alert'))).toBe(true)
  expect(recorded).toEqual([])
  fireEvent.change(screen.getByLabelText('Depth, mm, pipe 00b'), { target: { value: '0.25' } })
  fireEvent.click(screen.getByRole('button', { name: 'Record' }))
  expect(recorded).toEqual([
    [
      { depth_mm: 0.3, clean: true, wet: false },
      { depth_mm: 0.25, clean: true, wet: false },
    ],
  ])
})

test('what another joint has recorded is taken over with one tap, and the record says from where', () => {
  const offers = [
    { says: 'As at Joint 4, 20 min ago:', value: { depth_mm: 0.3, clean: true, wet: false }, remark: 'Taken over from Joint 4.' },
  ]
  render(shown({ offers }))
  fireEvent.click(screen.getByRole('button', { name: 'As at Joint 4, 20 min ago: depth 0.3 mm, clean: yes, wet: no' }))
  expect(recorded).toEqual([[{ depth_mm: 0.3, clean: true, wet: false, remark: 'Taken over from Joint 4.' }]])
})

test('what is changed after it was taken over is the own reading of this joint', async () => {
  const offers = [{ says: 'As at Joint 4:', value: { depth_mm: 0.3 }, remark: 'Taken over from Joint 4.' }]
  render(shown({ offers }))
  fireEvent.click(screen.getByRole('button', { name: /^As at Joint 4/ }))
  expect(recorded).toEqual([])
  fireEvent.change(screen.getByLabelText('Depth, mm'), { target: { value: '0.4' } })
  fireEvent.click(await all())
  expect(recorded).toEqual([[{ depth_mm: 0.4, clean: true, wet: false }]])
})

test('what was confirmed as scanned says so, whatever is typed beside it', async () => {
  render(shown({ scanned: { depth_mm: 0.3 } }))
  fireEvent.click(screen.getByRole('button', { name: 'The label says what was scanned: depth 0.3 mm' }))
  fireEvent.click(screen.getByLabelText('Wet: No'))
  const rest = await screen.findByRole('button', { name: 'The rest as it should be' })
  await waitFor(() => expect(rest.getAttribute('aria-disabled')).toBe('false'))
  fireEvent.click(rest)
  expect(recorded).toEqual([[{ depth_mm: 0.3, clean: true, wet: false, remark: 'Read off the label as scanned, with one tap.' }]])
})

test('what is known comes later than the page: it stands where nobody has typed, and a figure typed there takes its place', () => {
  const ends = (known?: Record<string, unknown>): End[] => ['a', 'b'].map((side) => ({ key: side, name: `pipe ${side}`, known }))
  const { rerender } = render(shown({ ends: ends() }))
  const [a, b] = ['a', 'b'].map((side) => screen.getByLabelText<HTMLInputElement>(`Depth, mm, pipe ${side}`))
  fireEvent.change(a!, { target: { value: '0.2' } })
  rerender(shown({ ends: ends({ depth_mm: 0.4 }) }))
  expect([a!.value, b!.value]).toEqual(['0.2', '0.4'])
  // Put right since: what nobody has touched goes along.
  rerender(shown({ ends: ends({ depth_mm: 0.5 }) }))
  expect([a!.value, b!.value]).toEqual(['0.2', '0.5'])
  fireEvent.focus(b!)
  fireEvent.click(screen.getByRole('button', { name: '1' }))
  expect(b!.value).toBe('1')
  rerender(shown({ ends: ends({ depth_mm: 0.6 }) }))
  expect([a!.value, b!.value]).toEqual(['0.2', '1'])
})

test('a figure typed after one that was refused takes its place', () => {
  render(shown())
  const depth = screen.getByLabelText<HTMLInputElement>('Depth, mm')
  const key = (name: string): boolean => fireEvent.click(screen.getByRole('button', { name }))
  for (const digit of '50') key(digit)
  fireEvent.keyDown(depth, { key: 'Enter' })
  expect(screen.getByRole('alert').textContent).toBe('Depth: 50 mm is outside 0 to 5 mm.')
  key('4')
  expect(depth.value).toBe('4')
  expect(screen.queryByRole('alert')).toBeNull()
})

test('a figure that cannot be holds one where it is', () => {
  const ends = ['a', 'b'].map((side) => ({ key: `peel@${side}`, name: `pipe 00${side}` }))
  render(shown({ ends }))
  const first = screen.getByLabelText('Depth, mm, pipe 00a')
  fireEvent.change(first, { target: { value: '50' } })
  fireEvent.click(screen.getByRole('button', { name: 'Next' }))
  expect(screen.getByRole('alert').textContent).toBe('Depth: 50 mm is outside 0 to 5 mm.')
  expect(document.activeElement).toBe(first)
  fireEvent.change(first, { target: { value: '0.3' } })
  expect(screen.queryByRole('alert')).toBeNull()
})

test('nor is it left behind by reading on', async () => {
  vi.stubGlobal(
    'IntersectionObserver',
    class {
      constructor(private readonly tell: (entries: never[]) => void) {}
      observe = (): void => this.tell([])
      disconnect = (): void => undefined
    },
  )
  render(shown())
  const depth = screen.getByLabelText('Depth, mm')
  fireEvent.change(depth, { target: { value: '50' } })
  fireEvent.click(await screen.findByRole('button', { name: 'Read on' }))
  expect(screen.getByRole('alert').textContent).toBe('Depth: 50 mm is outside 0 to 5 mm.')
  expect(document.activeElement).toBe(depth)
})
