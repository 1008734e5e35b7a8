import { act, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { DraftOf, dropDraft, dropOldDrafts, useDraft } from './drafts'

beforeEach(() => localStorage.clear())
afterEach(() => vi.useRealTimers())

const at = (of: string | null) => {
  const wrapper = ({ children }: { children: ReactNode }) => <DraftOf.Provider value={of}>{children}</DraftOf.Provider>
  return renderHook(() => useDraft<string[]>('round', () => ['', '']), { wrapper })
}
const type = (typing: ReturnType<typeof at>, value: string[]): void => act(() => typing.result.current[1](value))

it('goes on with what was typed when the page comes back', () => {
  const first = at('1/joints/7/od@a')
  type(first, ['225.4', ''])
  first.unmount()
  expect(at('1/joints/7/od@a').result.current[0]).toEqual(['225.4', ''])
})

it('is of one person at one step, and of nobody where none is named', () => {
  type(at('1/joints/7/od@a'), ['225.4', ''])
  expect(at('2/joints/7/od@a').result.current[0]).toEqual(['', ''])
  expect(at('1/joints/7/od@b').result.current[0]).toEqual(['', ''])
  type(at(null), ['1', '2'])
  expect(Object.keys(localStorage)).toHaveLength(1)
})

it('is gone once the step is recorded, and those of other steps are not', () => {
  type(at('1/joints/7/od'), ['225.4', ''])
  type(at('1/joints/7/od@a'), ['225.6', ''])
  dropDraft('1/joints/7/od')
  expect(at('1/joints/7/od').result.current[0]).toEqual(['', ''])
  expect(at('1/joints/7/od@a').result.current[0]).toEqual(['225.6', ''])
})

it('is not gone on with a day later', () => {
  vi.useFakeTimers({ now: new Date('2026-05-04T08:00:00Z') })
  type(at('1/joints/7/od@a'), ['225.4', ''])
  vi.setSystemTime(new Date('2026-05-05T08:00:01Z'))
  expect(at('1/joints/7/od@a').result.current[0]).toEqual(['', ''])
  dropOldDrafts()
  expect(localStorage).toHaveLength(0)
})

it('begins anew where what was kept cannot be read', () => {
  localStorage.setItem('draft/1/joints/7/od@a#round', '{"at":')
  expect(at('1/joints/7/od@a').result.current[0]).toEqual(['', ''])
})

it('keeps nothing of what stands there by itself', () => {
  const typing = at('1/joints/7/od@a')
  act(() => typing.result.current[2](() => ['the tape used last', '']))
  expect(typing.result.current[0]).toEqual(['the tape used last', ''])
  typing.unmount()
  expect(localStorage).toHaveLength(0)
})
