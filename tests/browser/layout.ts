import type { Page } from '@playwright/test'

/** What does not fit: text on text, what stands beyond the edge, and what cannot be tapped because something lies on it. */
export const misfits = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    interface Box {
      text: string
      of: Element
      left: number
      top: number
      right: number
      bottom: number
    }
    const ENOUGH = 3
    const found: string[] = []
    const short = (text: string): string => text.trim().replace(/\s+/g, ' ').slice(0, 40)
    /** What floats over the page lies on it on purpose. */
    const floats = (el: Element): boolean => {
      for (let at: Element | null = el; at; at = at.parentElement)
        if (['fixed', 'sticky'].includes(getComputedStyle(at).position)) return true
      return false
    }
    /** For those who hear the page. */
    const isHeard = (el: Element): boolean => {
      for (let at: Element | null = el; at; at = at.parentElement) {
        const style = getComputedStyle(at)
        if (style.clip !== 'auto' || style.clipPath !== 'none') return true
      }
      return false
    }
    /** What of a box is seen through all that it scrolls in. */
    const seen = (box: Box): Box | null => {
      const cut = { ...box }
      for (let at: Element | null = box.of; at && at !== document.body; at = at.parentElement) {
        if (getComputedStyle(at).overflow === 'visible') continue
        const frame = at.getBoundingClientRect()
        cut.left = Math.max(cut.left, frame.left)
        cut.right = Math.min(cut.right, frame.right)
        cut.top = Math.max(cut.top, frame.top)
        cut.bottom = Math.min(cut.bottom, frame.bottom)
      }
      return cut.right - cut.left > 1 && cut.bottom - cut.top > 1 ? cut : null
    }
    window.scrollTo(0, 0)
    const wide = document.documentElement.scrollWidth
    if (wide > window.innerWidth) found.push(`the page is ${wide} wide`)
    const boxes: Box[] = []
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const of = node.parentElement!
      const text = node.textContent ?? ''
      if (text.trim() === '' || ['SCRIPT', 'STYLE', 'NOSCRIPT', 'OPTION', 'LEGEND', 'TITLE'].includes(of.tagName) || of.closest('legend'))
        continue
      if (!of.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true }) || floats(of) || isHeard(of)) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const r of range.getClientRects()) {
        const box = seen({ text: short(text), of, left: r.left, top: r.top, right: r.right, bottom: r.bottom })
        // What is moved far off the page is heard, not seen.
        if (box && box.right > -1000) boxes.push(box)
      }
    }
    boxes.forEach((a, i) => {
      if (a.right > window.innerWidth + 1 || a.left < -1) found.push(`"${a.text}" stands beyond the edge`)
      for (const b of boxes.slice(i + 1)) {
        if (a.of === b.of) continue
        const [w, h] = [Math.min(a.right, b.right) - Math.max(a.left, b.left), Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)]
        // The box of a line is higher than its letters.
        if (w > ENOUGH && h > ENOUGH + 0.25 * Math.max(a.bottom - a.top, b.bottom - b.top)) found.push(`"${a.text}" lies on "${b.text}"`)
      }
    })
    for (const el of document.querySelectorAll('main button, main a, main [role=button], header button, header a')) {
      if (!el.checkVisibility({ checkVisibilityCSS: true }) || el.getBoundingClientRect().width < 2) continue
      // Behind the pad it can be brought up.
      const isReached = (['center', 'start'] as const).some((block) => {
        el.scrollIntoView({ block, inline: 'center' })
        const r = el.getClientRects()[0]!
        const top = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2)
        return top !== null && (el === top || el.contains(top) || top.contains(el))
      })
      if (!isReached) found.push(`"${short(el.textContent || el.getAttribute('aria-label') || el.tagName)}" cannot be tapped`)
    }
    window.scrollTo(0, 0)
    return [...new Set(found)]
  })
