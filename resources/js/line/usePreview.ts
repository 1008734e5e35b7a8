import { keepPreviousData, useQuery, type UseQueryResult } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { api } from '../api/client'

/** How long the fingers rest before it is asked. */
const REST_MS = 400

/** What something would be while it is typed; null: not enough is known to ask. The last answer stands until the next comes. */
export function usePreview<Answer>(path: string, body: object | null): UseQueryResult<Answer> {
  const text = body === null ? null : JSON.stringify(body)
  const [asked, setAsked] = useState<string | null>(null)
  useEffect(() => {
    const later = window.setTimeout(() => setAsked(text), REST_MS)
    return () => window.clearTimeout(later)
  }, [text])
  return useQuery<Answer>({
    queryKey: ['preview', path, asked],
    queryFn: () => api.post<Answer>(path, JSON.parse(asked!)),
    enabled: asked !== null,
    retry: false,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  })
}
