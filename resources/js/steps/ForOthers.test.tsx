import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { StepText } from '../api/client'
import { queries } from '../api/queries'
import { ForOthers } from './ForOthers'

const signed = { id: 'verdict', kind: 'hold', title: 'Engineer signs', roles: ['engineer'] } as unknown as StepText

let asked = 0
beforeEach(() => {
  asked = 0
  vi.useFakeTimers()
  vi.stubGlobal('fetch', async () => {
    asked++
    return Response.json({ facts: [] })
  })
})
afterEach(() => {
  cleanup()
  queries.clear()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

/** How often the server was asked in a minute in which somebody of this role looks at it. */
async function inAMinute(role: string | undefined): Promise<number> {
  render(
    <QueryClientProvider client={queries}>
      <ForOthers path="subjects/test/1" text={signed} role={role}>
        Sign here
      </ForOthers>
    </QueryClientProvider>,
  )
  await act(() => vi.advanceTimersByTimeAsync(60_000))
  return asked
}

test('what somebody else signs is looked at again while one waits for it', async () => {
  expect(await inAMinute('inspector')).toBeGreaterThanOrEqual(5)
  expect(screen.getByText('This is signed by engineer. You are signed in as inspector.')).toBeTruthy()
})

test('whoever takes the step is left in peace', async () => {
  expect(await inAMinute('engineer')).toBe(0)
  expect(screen.getByText('Sign here')).toBeTruthy()
})

test('before it is known who one is, nothing is said of others', async () => {
  expect(await inAMinute(undefined)).toBe(0)
  expect(screen.queryByText(/You are signed in/)).toBeNull()
})
