import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { steady } from './atThumb'

let grown: () => void
let high = 0

beforeEach(() => {
  window.innerHeight = 800
  vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockImplementation(() => high)
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(told: () => void) {
        grown = told
      }
      observe(): void {}
      disconnect(): void {}
    },
  )
})
afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const room = <div ref={steady} data-testid="room" />

/** How low it may get after it was so high. */
function least(px: number): string {
  high = px
  grown()
  return screen.getByTestId('room').style.minHeight
}

test('what is lower than the screen may come and go', () => {
  render(room)
  expect(least(799)).toBe('')
})

test('what is as high as the screen gets higher and no lower, until the screen is turned', () => {
  render(room)
  expect(least(800)).toBe('800px')
  expect(least(900)).toBe('900px')
  // A browser gives back at least what it was told to be: it is never measured lower.
  high = 700
  window.dispatchEvent(new Event('resize'))
  expect(screen.getByTestId('room').style.minHeight).toBe('')
})
