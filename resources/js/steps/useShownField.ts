import type { FieldSpec } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import { asEntered, saidOf, shownField } from './entry'

/** How an answer of a field is said, in the reader's units. */
export function useShownField(): (field: FieldSpec, value: unknown) => string {
  const system = useMe().data?.units ?? 'metric'
  const units = useUnits()
  return (field, value) => {
    const at = shownField(field, system, units.data)
    return saidOf(field, asEntered(field, value, at, units.data !== undefined), at)
  }
}
