import { keepPreviousData, useQuery, type UseQueryResult } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { api, type DayAsked, type DayPage } from '../api/client'

/** A thumb that counts up taps several times: what is asked is sent when it rests, ms. */
const REST_MS = 200

/** Work goes on meanwhile, and so does the clock: it is planned anew, ms. */
const ANEW_MS = 60_000

/** The days to come with what is asked; those before stay until the next are there. */
export function useTried(line: string, asked: DayAsked): UseQueryResult<DayPage> {
  const [rested, setRested] = useState(asked)
  useEffect(() => {
    const later = window.setTimeout(() => setRested(asked), REST_MS)
    return () => window.clearTimeout(later)
  }, [asked])
  return useQuery<DayPage>({
    queryKey: ['lines', line, 'day', 'tried', JSON.stringify(rested)],
    queryFn: () => api.post<DayPage>(`/lines/${line}/day/try`, rested),
    placeholderData: keepPreviousData,
    staleTime: 5_000,
    refetchInterval: ANEW_MS,
    retry: false,
  })
}
