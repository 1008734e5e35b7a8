import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, expect, test } from 'vitest'
import type { JointShort } from '../api/client'
import { LookProvider } from '../ui/settings'
import { JointList } from './JointList'

const joints = (count: number): JointShort[] =>
  Array.from({ length: count }, (_, i) => ({ id: `j${i}`, number: String(i + 1), verdict: 'bad' }) as JointShort)

const show = (count: number): void => {
  render(
    <LookProvider>
      <MemoryRouter>
        <JointList title="Bad" joints={joints(count)} note={() => 'of the gap'} />
      </MemoryRouter>
    </LookProvider>,
  )
}

const shown = (): number => screen.getAllByRole('link').length

afterEach(cleanup)

test('a long list shows its first, says how many more there are, and shows them when asked', () => {
  show(200)
  expect(shown()).toBe(6)
  fireEvent.click(screen.getByRole('button', { name: 'Show 194 more' }))
  expect(shown()).toBe(200)
  expect(screen.queryByRole('button')).toBeNull()
})

test.each([1, 6, 7])('%i are all shown: no button for a single one', (count) => {
  show(count)
  expect(shown()).toBe(count)
  expect(screen.queryByRole('button')).toBeNull()
})
