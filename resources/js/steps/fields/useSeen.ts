import { useCallback, useEffect, useRef, useState } from 'react'

interface Seen {
  watch: (id: string) => (el: Element | null) => void
  /** null until the page has looked */
  unseen: string[] | null
}

/** Which of some lines have stood in view, above what covers the foot of the page. */
export function useSeen(ids: string[], covered: () => number): Seen {
  const [seen, setSeen] = useState<ReadonlySet<string> | null>(null)
  const lines = useRef(new Map<string, Element>())
  const height = covered()
  const all = ids.join(' ')
  useEffect(() => {
    const see = (found: string[]): void =>
      setSeen((before) => (before && found.every((id) => before.has(id)) ? before : new Set([...(before ?? []), ...found])))
    if (typeof IntersectionObserver === 'undefined') return see(all.split(' '))
    const idOf = new Map([...lines.current].map(([id, el]) => [el, id]))
    const watcher = new IntersectionObserver(
      (entries) => see(entries.filter((e) => e.isIntersecting).map((e) => idOf.get(e.target) ?? '')),
      { rootMargin: `0px 0px -${height}px 0px`, threshold: 0.9 },
    )
    lines.current.forEach((el) => watcher.observe(el))
    return () => watcher.disconnect()
  }, [all, height])
  const watch = useCallback((id: string) => (el: Element | null) => void (el ? lines.current.set(id, el) : lines.current.delete(id)), [])
  return { watch, unseen: seen === null ? null : ids.filter((id) => !seen.has(id)) }
}
