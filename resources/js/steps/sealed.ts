import type { Subject } from '../api/client'

/** What is not any more as it was sealed; a subject that a device kept from an earlier version does not say it. */
export const brokenUnder = (seal: Subject['seal']): string[] => (seal as { broken?: string[] } | null | undefined)?.broken ?? []
