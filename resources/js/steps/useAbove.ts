import { useEffect, type RefObject } from 'react'

/** What is read before a figure is typed stands above the pad: when it comes or grows, and when the pad does. */
export function useAbove(part: RefObject<HTMLElement | null>, foot: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    if (typeof ResizeObserver === 'undefined' || !part.current || !foot.current) return
    const [above, pad] = [part.current, foot.current]
    const watch = new ResizeObserver(() => {
      // Who has gone on to what stands below is not called back.
      if (pad.getBoundingClientRect().bottom > window.innerHeight || pad.getBoundingClientRect().top < 0) return
      above.style.scrollMarginBottom = `${pad.offsetHeight}px`
      above.scrollIntoView({ block: 'nearest' })
    })
    watch.observe(above)
    watch.observe(pad)
    return () => watch.disconnect()
  }, [part, foot])
}
