import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import { api, type StepState } from '../api/client'
import { askCore } from '../core/core'
import { useDeviceNow } from '../ui/useNow'

export type Live = NonNullable<StepState['live']>

/** What the crew at the gauge does now; pressures in kPa, times in minutes of the log. */
export interface HoldNow {
  act: 'raise' | 'add-water' | 'let-down' | 'leave' | 'fell' | 'enough' | 'over-most' | 'too-fast'
  p_kpa: number
  target_kpa: number
  least_kpa: number
  /** left out: the hold has no upper border */
  most_kpa?: number
  need_kpa: number
  off_kpa: number
  /** where the method says how fast it may rise */
  rise_kpa_min?: number
  held_min: number
  to_go_min?: number
  looks?: 'tight' | 'rising' | 'leak' | 'stabilising' | 'creep' | 'temperature' | 'cannot-tell'
}

/** A fast stand-in brings hundreds of readings a second: nobody reads more often than that. */
const ASKED_EVERY_MS = 1_000

/** So long an answer stands while the next one is on its way, ms. */
const STANDS_MS = 3_000

/** More readings than that say nothing more of what to do now. */
const MOST_ROWS = 600

const thinned = (rows: number[][]): number[][] => {
  const every = Math.ceil(rows.length / MOST_ROWS)
  return rows.filter((_, i) => i % every === 0 || i === rows.length - 1)
}

/** By the server, or without network by the core on the device: nothing is stored, so either may answer. */
async function ask(live: Live, rows: number[][]): Promise<HoldNow | null> {
  const input = { ...live.in, [live.series]: thinned(rows) }
  try {
    return await api.post<HoldNow>(`/calculations/${live.calc}`, input)
  } catch {
    return askCore<HoldNow>(['calc', live.calc], input)
  }
}

/** What is to be done, asked again as the readings come; null while nothing says it. */
export function useHoldNow(key: string, live: Live | null, rows: number[][]): HoldNow | null {
  const now = useDeviceNow(live ? ASKED_EVERY_MS : null)
  const asked = useRef({ at: 0, rows })
  if (now - asked.current.at >= ASKED_EVERY_MS || asked.current.rows.length > rows.length) asked.current = { at: now, rows }
  const known = asked.current.rows
  const answer = useQuery({
    queryKey: ['at-the-gauge', key, known.length],
    enabled: live !== null && known.length > 0,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: false,
    networkMode: 'always',
    placeholderData: keepPreviousData,
    queryFn: () => ask(live!, known),
  })
  const answeredAt = useRef(0)
  if (!answer.isPlaceholderData) answeredAt.current = answer.dataUpdatedAt
  // What was said of an earlier reading is no word on this one: while an answer is long in coming, nothing is said.
  return answer.isPlaceholderData && now - answeredAt.current > STANDS_MS ? null : (answer.data ?? null)
}
