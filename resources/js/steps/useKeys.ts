import { useRef } from 'react'
import { textOf, type Prefix } from './prefix'

/** The keys that made a figure, while nothing else has changed it. */
interface Tapped {
  keys: string
  text: string
}

interface Keys {
  /** what stands there after one more tap */
  tap: (id: string, text: string, key: string, prefix: Prefix | null) => string
  /** what stands there when the last tap is taken back, with what had come by itself */
  back: (id: string, text: string, prefix: Prefix | null) => string
}

/** Taps on the pad, by what is being typed. What came from the keyboard or from before is gone on with as it stands. */
export function useKeys(): Keys {
  const all = useRef<Record<string, Tapped>>({})
  const to = (id: string, keys: string, prefix: Prefix | null): string => {
    const text = textOf(keys, prefix)
    all.current[id] = { keys, text }
    return text
  }
  const keysOf = (id: string, text: string): string | null => {
    const known = all.current[id]
    return text === '' ? '' : known?.text === text ? known.keys : null
  }
  return {
    tap: (id, text, key, prefix) => {
      const keys = keysOf(id, text)
      return keys === null ? text + key : to(id, keys + key, prefix)
    },
    back: (id, text, prefix) => {
      const keys = keysOf(id, text)
      return keys === null ? text.slice(0, -1) : to(id, keys.slice(0, -1), prefix)
    },
  }
}
