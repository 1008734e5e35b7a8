import type { DayPage } from '../api/client'

/**
 * By how much the days that are over lie behind what was planned for them; negative: ahead. Today is not over. Null: no day that is
 * over was planned.
 */
export function behindBy(days: DayPage['days'], today: string): { joints: number; metres: number } | null {
  const over = days.filter((day) => day.date < today && day.plan)
  if (over.length === 0) return null
  const sum = (of: 'joints' | 'metres'): number => over.reduce((all, day) => all + day.plan![of] - day.made[of], 0)
  return { joints: sum('joints'), metres: sum('metres') }
}
