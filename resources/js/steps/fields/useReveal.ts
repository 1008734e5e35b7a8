import { useCallback, useEffect, type RefObject } from 'react'

/** Between a figure and the pad that covers the foot of the page, px. */
const GAP = 36

/**
 * The figure at hand stands above the pad, which covers the foot of the page while it is there: when it is chosen, and again
 * when the screen is turned or the pad grows by the target that came a moment later.
 */
export function useReveal(foot: RefObject<HTMLElement | null>): (input: HTMLInputElement | null | undefined) => void {
  const reveal = useCallback(
    (input: HTMLInputElement | null | undefined): void => {
      // The box of a yes or no is not seen: the page would jump under the thumb.
      if (!input || input.type === 'radio' || document.activeElement !== input) return
      const pad = foot.current?.offsetHeight ?? 0
      // With it the questions below it, as far as there is room for them.
      const under = (part: string): number =>
        (input.closest(part)?.getBoundingClientRect().bottom ?? 0) - input.getBoundingClientRect().bottom
      const room = window.innerHeight - pad - input.offsetHeight - 2 * GAP
      const below = under('[data-end]') <= room ? under('[data-end]') : under('[data-row]')
      // Beyond the end of its form the pad would leave the foot of the screen.
      const end = (foot.current?.parentElement?.getBoundingClientRect().bottom ?? 0) - input.getBoundingClientRect().bottom
      input.style.scrollMarginBottom = `${Math.max(pad, Math.min(pad + Math.max(GAP, below), end))}px`
      input.style.scrollMarginTop = `${GAP}px`
      input.scrollIntoView({ block: 'nearest' })
    },
    [foot],
  )
  useEffect(() => {
    const again = (): void => {
      const held = document.activeElement
      if (held instanceof HTMLInputElement && foot.current?.parentElement?.contains(held)) reveal(held)
    }
    window.addEventListener('resize', again)
    const watch = typeof ResizeObserver === 'undefined' ? null : new ResizeObserver(again)
    if (foot.current) watch?.observe(foot.current)
    return () => {
      window.removeEventListener('resize', again)
      watch?.disconnect()
    }
  }, [foot, reveal])
  return reveal
}
