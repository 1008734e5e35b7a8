import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactElement } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import { useDigits } from './useDigits'

afterEach(cleanup)

function Page({ take }: { take: (() => void) | null }): ReactElement {
  useDigits(take)
  return (
    <>
      <button>Elsewhere</button>
      <input aria-label="Note" />
    </>
  )
}

test('a digit typed anywhere leads to the figure that is to be typed; in a text it belongs to the text', () => {
  const take = vi.fn()
  render(<Page take={take} />)
  fireEvent.keyDown(screen.getByRole('button'), { key: '4' })
  expect(take).toHaveBeenCalledTimes(1)
  fireEvent.keyDown(screen.getByLabelText('Note'), { key: '4' })
  for (const other of [{ key: 'a' }, { key: 'F5' }, { key: '4', ctrlKey: true }, { key: '4', metaKey: true }])
    fireEvent.keyDown(screen.getByRole('button'), other)
  expect(take).toHaveBeenCalledTimes(1)
})

test('where no figure is left a digit leads nowhere', () => {
  render(<Page take={null} />)
  expect(() => fireEvent.keyDown(screen.getByRole('button'), { key: '4' })).not.toThrow()
})
