import { keepPreviousData, useQuery, type UseQueryResult } from '@tanstack/react-query'
import { api, type LayingOutcome } from '../api/client'
import { useRested } from '../ui/useRested'
import type { Asked } from './asked'

/** What comes of a plan, while it is changed; the one before stays until the next is there. Null: nothing can be asked yet. */
export function useOutcome(line: string, asked: Asked | null): UseQueryResult<LayingOutcome> {
  const rested = useRested(asked)
  return useQuery<LayingOutcome>({
    queryKey: ['laying', line, JSON.stringify(rested)],
    queryFn: () => api.post<LayingOutcome>(`/lines/${line}/laying-plan/try`, rested),
    enabled: rested !== null,
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  })
}
