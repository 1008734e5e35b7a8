import { useEffect } from 'react'
import { useMe, useStores } from '../../api/queries'
import type { Entered } from '../entry'
import { usedLast } from '../ItemEntry'
import type { Slot } from './slots'

/** Out of the stores, what was used last is offered; the list comes a moment later than the page. */
export function useUsedLast(
  slots: Slot[],
  project: number,
  offer: (by: (values: Record<string, Entered>) => Record<string, Entered>) => void,
): void {
  const items = useStores(slots.some((s) => s.field.type === 'item')).data
  const who = useMe().data?.name
  useEffect(() => {
    if (!items) return
    const ours = items.filter((i) => i.project_id === project)
    const offered = slots
      .filter((s) => s.field.type === 'item')
      .map((s) => {
        const before = s.end.known?.[s.field.key] as { name?: string } | undefined
        // What was entered before may have been renewed since: it is taken as the stores have it now.
        const again = ours.find((i) => i.kind === s.field.of && i.name === before?.name)
        return [s.id, again ? (again.snapshot as Record<string, unknown>) : usedLast(s.field.of!, ours, who)] as const
      })
      .filter(([, item]) => item !== null)
    if (offered.length > 0) offer((v) => ({ ...Object.fromEntries(offered), ...v }))
    // The fields of a step do not change under it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [items, project, who])
}
