import { createContext, useContext, useLayoutEffect, type ReactElement, type ReactNode } from 'react'
import { createPortal } from 'react-dom'

interface Place {
  element: HTMLElement | null
  /** takes it, until what it returns is called */
  take: () => () => void
}

/** Where a page has room for a chart across its whole width; null: a chart stands inside its step. */
export const ChartPlace = createContext<Place | null>(null)

/** A chart that belongs to the step at hand, large where the page has a place for it. */
export function InChartPlace({ children }: { children: ReactNode }): ReactElement {
  const place = useContext(ChartPlace)
  const take = place?.take
  useLayoutEffect(() => {
    return take?.()
  }, [take])
  return place ? <>{place.element && createPortal(children, place.element)}</> : <>{children}</>
}
