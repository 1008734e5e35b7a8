import { QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactElement, ReactNode } from 'react'
import { expect, test, vi } from 'vitest'
import { Refusal } from './client'
import { queries } from './queries'
import { useVerb } from './useVerb'

const around = ({ children }: { children: ReactNode }): ReactElement => (
  <QueryClientProvider client={queries}>{children}</QueryClientProvider>
)

test('taps while it is on its way are not sent again; afterwards it may be done again', async () => {
  let answer = (_: string): void => undefined
  const send = vi.fn(() => new Promise<string>((resolve) => (answer = resolve)))
  const done = vi.fn()
  const { result } = renderHook(() => useVerb(send, done), { wrapper: around })
  act(() => {
    result.current.run()
    result.current.run()
  })
  await waitFor(() => expect(result.current.busy).toBe(true))
  act(() => result.current.run())
  expect(send).toHaveBeenCalledTimes(1)
  await act(async () => answer('made'))
  await waitFor(() => expect(done).toHaveBeenCalledWith('made'))
  await waitFor(() => expect(result.current.busy).toBe(false))
  act(() => result.current.run())
  await waitFor(() => expect(send).toHaveBeenCalledTimes(2))
})

test('what the server refuses is said by field and in order, and may be tried again', async () => {
  const refused = new Refusal('two things', 422, [
    { field: 'name', message: 'Give a name.' },
    { field: 'name', message: 'Shorter.' },
    { field: 'to_m', message: 'Beyond the end.' },
  ])
  const send = vi
    .fn<() => Promise<void>>()
    .mockRejectedValueOnce(refused)
    .mockRejectedValueOnce(new Error('No connection'))
    .mockResolvedValue()
  const failed = vi.fn()
  const { result } = renderHook(() => useVerb(send, undefined, failed), { wrapper: around })
  act(() => result.current.run())
  await waitFor(() => expect(result.current.said).toEqual(['Give a name.', 'Shorter.', 'Beyond the end.']))
  expect(failed).toHaveBeenCalledWith({ name: 'Give a name.', to_m: 'Beyond the end.' })
  act(() => result.current.run())
  await waitFor(() => expect(result.current.faults).toEqual({ all: 'No connection' }))
  act(() => result.current.run())
  await waitFor(() => expect(result.current.fault).toBeNull())
  expect(send).toHaveBeenCalledTimes(3)
})
