import { useEffect, useRef, type RefObject } from 'react'

/**
 * A pad stands at the foot of the screen and stays there, whatever comes and goes above it: a key that moves between two taps is
 * another key. In the cabin, with a mouse, it follows what is typed.
 */
export const padRoom = {
  display: 'flex',
  flexDirection: 'column',
  minHeight: { xs: '100dvh', md: 0 },
  '@media (pointer: coarse)': { minHeight: '100dvh' },
} as const

/** The pad itself, with the figure at hand where that stands above it; the last part of {@see padRoom}. */
export const padFoot = { position: 'sticky', bottom: 0, mt: 'auto', bgcolor: 'background.default', pb: 1, zIndex: 2 } as const

/**
 * What is a screen high or higher, as {@see padRoom} is on a phone, gets no lower again while it is there: a sentence that goes
 * away does not take the pad along. Turning the screen begins anew.
 */
export function useSteady<T extends HTMLElement>(): RefObject<T | null> {
  const room = useRef<T>(null)
  useEffect(() => {
    const element = room.current
    if (!element || typeof ResizeObserver === 'undefined') return
    const hold = (): void => {
      if (element.offsetHeight >= window.innerHeight) element.style.minHeight = `${element.offsetHeight}px`
    }
    const anew = (): void => {
      element.style.minHeight = ''
      hold()
    }
    const watch = new ResizeObserver(hold)
    watch.observe(element)
    window.addEventListener('resize', anew)
    return () => {
      watch.disconnect()
      window.removeEventListener('resize', anew)
    }
  }, [])
  return room
}
