import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { EndButton, type Ending } from './EndButton'

afterEach(cleanup)

const tapped = (ending: Ending): HTMLElement => {
  render(<EndButton ending={ending} />)
  const button = screen.getByRole('button')
  fireEvent.click(button)
  return button
}

test('what answers all questions answers none in the moment in which it has come under the thumb', () => {
  const onTap = vi.fn()
  const button = tapped({ does: 'answer-all', isCalm: false, onTap })
  expect(button.getAttribute('aria-disabled')).toBe('true')
  expect(onTap).not.toHaveBeenCalled()
  cleanup()
  tapped({ does: 'answer-rest', isCalm: true, onTap })
  expect(screen.getByText('The rest as it should be')).toBeTruthy()
  expect(onTap).toHaveBeenCalledTimes(1)
})

test('what only leads on does so at once', () => {
  const onTap = vi.fn()
  tapped({ does: 'read-on', onTap })
  cleanup()
  tapped({ does: 'next', onTap })
  expect(onTap).toHaveBeenCalledTimes(2)
})

test('what ends the step sends its form, under the name that it was given', () => {
  expect(tapped({ does: 'record', label: undefined }).textContent).toBe('Record')
  cleanup()
  expect(tapped({ does: 'record', label: 'Add it' }).getAttribute('type')).toBe('submit')
})
