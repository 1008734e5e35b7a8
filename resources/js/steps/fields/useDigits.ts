import { useEffect } from 'react'

/** A digit typed anywhere on the page goes where `take` leads the focus; null: no figure is left to type. */
export function useDigits(take: (() => void) | null): void {
  useEffect(() => {
    const typed = (e: KeyboardEvent): void => {
      const isInText = ['INPUT', 'TEXTAREA'].includes((e.target as HTMLElement).tagName)
      if (/^[0-9]$/.test(e.key) && !e.ctrlKey && !e.metaKey && !isInText) take?.()
    }
    window.addEventListener('keydown', typed)
    return () => window.removeEventListener('keydown', typed)
  }, [take])
}
