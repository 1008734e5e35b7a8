import type { StepState, Subject } from '../../api/client'
import { useNow } from '../../ui/useNow'
import { say } from '../../texts/say'
import type { Offered } from '../FieldsEntry'

const MINUTE = 60_000

/** What other joints have recorded at this step and still holds here, with its age. */
export function useOffers(data: Subject, state: StepState, values: Record<string, Record<string, unknown>>): Offered[] {
  // What a device kept from an earlier version does not have them.
  const of = ((data.offers as Subject['offers'] | undefined) ?? []).filter((o) => o.step === state.key)
  const now = useNow(of.length > 0 ? MINUTE : null)
  return of
    .filter((o) => {
      const age = (now - Date.parse(o.recorded_at)) / MINUTE
      const isFresh = o.within_min === null || (age >= 0 && age <= o.within_min)
      const isSame = o.same_step === null || (o.same !== null && values[o.same_step]?.[o.same_field ?? ''] === o.same)
      return isFresh && isSame
    })
    .map((o) => ({
      says: say('steps.asOn', { of: o.of, ago: ago(now - Date.parse(o.recorded_at)) }),
      value: o.value as Offered['value'],
      remark: say('steps.takenOverFrom', { of: o.of }),
    }))
}

/** How long ago, in the words in which a crew says it. */
export function ago(ms: number): string {
  const minutes = Math.max(0, Math.round(ms / MINUTE))
  if (minutes < 90) return say('steps.minutesAgo', { count: minutes })
  const hours = Math.round(minutes / 60)
  return hours < 36 ? say('steps.hoursAgo', { count: hours }) : say('steps.daysAgo', { count: Math.round(hours / 24) })
}
