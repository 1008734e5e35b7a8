import { useMe, useUnits } from '../api/queries'
import { shownAs } from '../ui/units'
import type { SectionUnits } from './sectionForm'

/** In which units this person types lengths, pressures, temperatures and flows; null: they have not come yet. */
export function useSectionUnits(): SectionUnits | null {
  const system = useMe().data?.units
  const units = useUnits().data
  if (system === undefined || units === undefined) return null
  return {
    length: shownAs('x_m', 'length', system, units),
    pressure: shownAs('x_bar', 'pressure', system, units),
    temperature: shownAs('x_c', 'temperature', system, units),
    flow: shownAs('x_l_s', 'flow', system, units),
  }
}
