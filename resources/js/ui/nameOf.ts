import type { Subject } from '../api/client'

const KINDS: Record<string, string> = { restraint: 'Restraint', 'on-pipe': 'Saddle' }

/** How people call a joint or a test: "Joint 41", "Saddle S2", "Section 2, test 1". */
export const nameOf = (subject: Subject): string =>
  subject.section ? `${subject.section.name}, test ${subject.number}` : `${KINDS[subject.place ?? ''] ?? 'Joint'} ${subject.number}`
