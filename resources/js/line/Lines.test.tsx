import 'fake-indexeddb/auto'
import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactElement } from 'react'
import { createMemoryRouter, RouterProvider, useLocation } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { queries } from '../api/queries'
import Lines from './Lines'
import { LookProvider } from '../ui/settings'

const ME = { id: 7, name: 'Bram Ivesley', email: 'bram@diastoma.example', units: 'metric', projects: [{ id: 1, role: 'joiner' }] }

function SignInHere(): ReactElement {
  const { state } = useLocation() as { state: { from: string } }
  return <p>back to {state.from}</p>
}

/** The page of the lines, whose answer comes when `answer` is called. */
function linesThatCome(): { answer: (with_: Response) => void } {
  let answer: (with_: Response) => void = () => undefined
  const coming = new Promise<Response>((resolve) => (answer = resolve))
  vi.stubGlobal('fetch', async (url: string) => (url.endsWith('/lines') ? coming : Response.json(ME)))
  const router = createMemoryRouter([
    { path: '/', element: <Lines /> },
    { path: '/sign-in', element: <SignInHere /> },
  ])
  render(
    <QueryClientProvider client={queries}>
      <LookProvider>
        <RouterProvider router={router} />
      </LookProvider>
    </QueryClientProvider>,
  )
  return { answer }
}

beforeEach(() => {
  queries.clear()
  queries.setQueryData(['me'], ME)
})
afterEach(() => {
  cleanup()
  queries.clear()
  vi.unstubAllGlobals()
})

test('a menu that is opened while the page comes stays open when it has come', async () => {
  const page = linesThatCome()
  fireEvent.click(await screen.findByRole('button', { name: /mm kPa/ }))
  expect(screen.getByRole('menuitem', { name: 'Sign out' })).toBeTruthy()
  page.answer(Response.json([]))
  expect(await screen.findByText(/No line yet/)).toBeTruthy()
  expect(screen.getByRole('menuitem', { name: 'Sign out' })).toBeTruthy()
})

test('who is not signed in is led to where one signs in, and from there back', async () => {
  linesThatCome().answer(Response.json({ title: 'Sign in first.' }, { status: 401 }))
  expect(await screen.findByText('back to /')).toBeTruthy()
})
