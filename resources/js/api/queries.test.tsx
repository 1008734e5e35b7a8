import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import type { Subject } from './client'
import { notOlder, queries, useLine, useSubject } from './queries'

afterEach(() => {
  cleanup()
  queries.clear()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

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

/** What the page has of a line after a minute, where the server answers the first `many` times that it cannot. */
async function afterAMinute(many: number, status: number): Promise<{ name: string | undefined; asked: number }> {
  vi.useFakeTimers()
  let asked = 0
  vi.stubGlobal('fetch', async () =>
    ++asked <= many ? Response.json({ title: 'Not now.' }, { status }) : Response.json({ name: 'Kelder Lane main' }),
  )
  const { result } = renderHook(() => useLine('7'), {
    wrapper: ({ children }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>,
  })
  await vi.advanceTimersByTimeAsync(60_000)
  return { name: result.current.data?.name, asked }
}

test('what the server could not answer is asked for again while the page stands', async () => {
  expect((await afterAMinute(5, 500)).name).toBe('Kelder Lane main')
})

test('what it has refused is not', async () => {
  expect(await afterAMinute(1, 404)).toEqual({ name: undefined, asked: 1 })
})

test('an answer that was asked for before something was recorded, and comes after, does not take the page back', async () => {
  let answer: (response: Response) => void = () => undefined
  vi.stubGlobal('fetch', async () => new Promise<Response>((come) => (answer = come)))
  queries.setQueryData(['subjects', 'joint', '1'], subject('a'))
  const { result } = renderHook(() => useSubject('subjects/joint/1'), {
    wrapper: ({ children }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>,
  })
  const asked = queries.refetchQueries({ queryKey: ['subjects'] })
  await vi.waitFor(() => expect(answer.length).toBe(1))
  act(() => void queries.setQueryData(['subjects', 'joint', '1'], subject('a', 'b')))
  answer(Response.json(subject('a')))
  await act(async () => asked)
  const known = queries.getQueryData<Subject>(['subjects', 'joint', '1'])
  expect(known?.facts.map((f) => f.id)).toEqual(['a', 'b'])
  // The page is told in a turn of its own, after the answer.
  await vi.waitFor(() => expect(result.current.data).toBe(known))
})
