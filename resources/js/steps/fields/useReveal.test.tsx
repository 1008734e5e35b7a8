import { act, cleanup, render, screen } from '@testing-library/react'
import { useRef, type ReactElement } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import { useReveal } from './useReveal'

const shown = vi.fn()
Element.prototype.scrollIntoView = shown
afterEach(() => {
  cleanup()
  shown.mockClear()
})

function Page(): ReactElement {
  const foot = useRef<HTMLDivElement>(null)
  const reveal = useReveal(foot)
  return (
    <>
      <form>
        <input aria-label="Gap" onFocus={(e) => reveal(e.target)} />
        <div ref={foot} />
      </form>
      <input aria-label="Elsewhere" />
    </>
  )
}

const turn = (): void => act(() => void window.dispatchEvent(new Event('resize')))

test('the figure at hand is brought back above the pad when the screen is turned', () => {
  render(<Page />)
  turn()
  expect(shown).not.toHaveBeenCalled()
  act(() => screen.getByLabelText('Gap').focus())
  expect(shown).toHaveBeenCalledTimes(1)
  turn()
  expect(shown).toHaveBeenCalledTimes(2)
})

test('nothing moves under a thumb that types elsewhere', () => {
  render(<Page />)
  act(() => screen.getByLabelText('Elsewhere').focus())
  turn()
  expect(shown).not.toHaveBeenCalled()
})

/** How far above the lower edge of the screen the figure is brought, px: a pad of 250 px, the figure down to 700, its form to `end`. */
function broughtUp(end: number): string {
  vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockImplementation(() => 250)
  vi.spyOn(Element.prototype, 'getBoundingClientRect').mockImplementation(function (this: Element) {
    return { bottom: this.tagName === 'FORM' ? end : 700 } as DOMRect
  })
  render(<Page />)
  act(() => screen.getByLabelText('Gap').focus())
  vi.restoreAllMocks()
  return screen.getByLabelText('Gap').style.scrollMarginBottom
}

test('it is brought above the pad with some room, and no farther than its form goes', () => {
  expect(broughtUp(2000)).toBe('286px')
  cleanup()
  expect(broughtUp(960)).toBe('260px')
  cleanup()
  expect(broughtUp(720)).toBe('250px')
})
