import { useQuery } from '@tanstack/react-query'
import type { Judgement, ProcedureText, Subject } from '../api/client'
import { useMe } from '../api/queries'
import { rightNow } from '../api/serverClock'
import { askCore } from '../core/core'
import type { Waiting } from '../outbox/db'
import { useDeviceNow } from '../ui/useNow'

/** How long the server is given to answer before the device judges for itself, ms. */
const PATIENCE_MS = 4_000

export interface JudgedHere {
  judgement: Judgement
  /** what would be refused, by id of the fact */
  refused: Record<string, string>
}

/**
 * While facts wait on this device, its own core judges them together with what the server has: the same rules, so the
 * work goes on. The server's word counts as soon as it comes.
 */
export function useJudgedHere(data: Subject, procedure: ProcedureText, waiting: Waiting[]): JudgedHere | null {
  const me = useMe()
  const held = waiting.filter((w) => !w.refused)
  const now = useDeviceNow(held.length > 0 ? 500 : null)
  const late = held.length > 0 && (!navigator.onLine || held.some((w) => now - (w.since ?? 0) > PATIENCE_MS))
  const answer = useQuery({
    queryKey: ['judged-here', data.id, data.facts.length, held.map((w) => w.id).join(), me.data?.units],
    enabled: late,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
    placeholderData: (before: JudgedHere | null | undefined, query) => (query?.queryKey[1] === data.id ? before : undefined),
    queryFn: async (): Promise<JudgedHere | null> => {
      const { hash: frozen, ...text } = procedure as ProcedureText & { hash: string }
      const judged = await askCore<Judgement & { refused: { id: string; message: string }[] }>(['judge'], {
        procedure: text,
        frozen,
        line: data.context,
        units: me.data?.units ?? 'metric',
        now: new Date(rightNow()).toISOString(),
        tolerant: true,
        facts: [
          ...data.facts.map((f) => ({
            id: f.id,
            step: f.step,
            value: f.value,
            at: f.recorded_at,
            by: f.by,
            role: f.role,
            supersedes: f.supersedes,
          })),
          ...held.map((w) => ({
            id: w.body.id,
            step: w.body.step,
            value: w.body.value,
            at: w.body.recorded_at,
            by: w.by?.name ?? '',
            role: '',
            supersedes: w.body.supersedes ?? null,
          })),
        ],
      })
      if (!judged) return null
      return { judgement: judged, refused: Object.fromEntries(judged.refused.map((r) => [r.id, r.message])) }
    },
  })
  return held.length > 0 ? (answer.data ?? null) : null
}
