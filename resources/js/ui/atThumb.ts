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
 * The ref of {@see padRoom}: what is a screen high or higher, as it is on a phone, gets no lower again while it is there: a sentence
 * that goes away does not take the pad along. Turning the screen begins anew.
 */
export function steady(room: HTMLElement | null): (() => void) | undefined {
  if (!room || typeof ResizeObserver === 'undefined') return undefined
  const hold = (): void => {
    if (room.offsetHeight >= window.innerHeight) room.style.minHeight = `${room.offsetHeight}px`
  }
  const anew = (): void => {
    room.style.minHeight = ''
    hold()
  }
  const watch = new ResizeObserver(hold)
  watch.observe(room)
  window.addEventListener('resize', anew)
  return () => {
    watch.disconnect()
    window.removeEventListener('resize', anew)
  }
}
