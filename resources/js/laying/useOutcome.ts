import { keepPreviousData, useQuery, type UseQueryResult } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { api, type LayingOutcome } from '../api/client'
import type { Asked } from './asked'

/** A thumb that counts up taps several times: what is asked is sent when it rests, ms. */
const REST_MS = 200

/** What comes of a plan, while it is changed; the one before stays until the next is there. Null: nothing can be asked yet. */
export function useOutcome(line: string, asked: Asked | null): UseQueryResult<LayingOutcome> {
  const [rested, setRested] = useState(asked)
  useEffect(() => {
    const later = window.setTimeout(() => setRested(asked), rested === null ? 0 : REST_MS)
    return () => window.clearTimeout(later)
  }, [asked, rested])
  return useQuery<LayingOutcome>({
    queryKey: ['laying', line, JSON.stringify(rested)],
    queryFn: () => api.post<LayingOutcome>(`/lines/${line}/laying-plan/try`, rested),
    enabled: rested !== null,
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  })
}
