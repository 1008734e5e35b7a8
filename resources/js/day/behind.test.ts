import { expect, it } from 'vitest'
import { behindBy } from './behind'

const done = (joints: number, metres: number): { joints: number; metres: number; tests: number } => ({ joints, metres, tests: 0 })
const day = (date: string, made: number, plan: number | null): Parameters<typeof behindBy>[0][number] => ({
  date,
  made: done(made, made * 12),
  to_come: done(0, 0),
  plan: plan === null ? null : done(plan, plan * 12),
})

it('counts the days that are over and were planned, today not among them', () => {
  const days = [day('2026-11-26', 9, null), day('2026-11-27', 5, 8), day('2026-11-28', 6, 5), day('2026-11-29', 0, 7)]
  expect(behindBy(days, '2026-11-29')).toEqual({ joints: 2, metres: 24 })
  expect(behindBy(days, '2026-11-28')).toEqual({ joints: 3, metres: 36 })
  expect(behindBy(days, '2026-11-27')).toBeNull()
  expect(behindBy([day('2026-11-27', 9, 8)], '2026-11-28')).toEqual({ joints: -1, metres: -12 })
})
