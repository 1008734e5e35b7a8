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
  /** the next tap begins anew: this stood there already, or was refused */
  anew: (id: string, text: string) => void
}

/** Taps on the pad, by what is being typed. What came from the keyboard is gone on with as it stands. */
export function useKeys(): Keys {
  const all = useRef<Record<string, Tapped>>({})
  const replaced = useRef<Record<string, string>>({})
  const to = (id: string, keys: string, prefix: Prefix | null): string => {
    const text = textOf(keys, prefix)
    all.current[id] = { keys, text }
    return text
  }
  const keysOf = (id: string, text: string): string | null => {
    const known = all.current[id]
    return text === '' ? '' : known?.text === text ? known.keys : null
  }
  /** Whether a tap takes the place of what stands there; asked once. */
  const isReplaced = (id: string, text: string): boolean => {
    const is = text !== '' && replaced.current[id] === text
    delete replaced.current[id]
    return is
  }
  return {
    tap: (id, text, key, prefix) => {
      const standing = isReplaced(id, text) ? '' : text
      const keys = keysOf(id, standing)
      return keys === null ? standing + key : to(id, keys + key, prefix)
    },
    back: (id, text, prefix) => {
      delete replaced.current[id]
      const keys = keysOf(id, text)
      return keys === null ? text.slice(0, -1) : to(id, keys.slice(0, -1), prefix)
    },
    anew: (id, text) => {
      replaced.current[id] = text
    },
  }
}
