import { keepPreviousData, useQuery, type UseQueryResult } from '@tanstack/react-query'
import { api, type DayAsked, type DayPage } from '../api/client'
import { useRested } from '../ui/useRested'

/** Work goes on meanwhile, and so does the clock: it is planned anew, ms. */
const ANEW_MS = 60_000

/** The days to come with what is asked; those before stay until the next are there. */
export function useTried(line: string, asked: DayAsked): UseQueryResult<DayPage> {
  const rested = useRested(asked)
  return useQuery<DayPage>({
    queryKey: ['lines', line, 'day', 'tried', JSON.stringify(rested)],
    queryFn: () => api.post<DayPage>(`/lines/${line}/day/try`, rested),
    placeholderData: keepPreviousData,
    staleTime: 5_000,
    refetchInterval: ANEW_MS,
    retry: false,
  })
}
