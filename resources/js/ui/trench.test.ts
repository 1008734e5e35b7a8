import { expect, it } from 'vitest'
import { trenchOf } from './trench'

const of = {
  od_mm: 315,
  width_mm: 900,
  bed_mm: 120,
  limit_pct: 95,
  lifts: [
    { lift: 2, thick_mm: 200 },
    { lift: 1, thick_mm: 150 },
  ],
  tests: [
    { lift: 1, side: 'right' },
    { lift: 1, side: 'right' },
    { lift: 2, side: 'left' },
  ],
  degrees: [91.3, 97.6, null],
  deflections: [0.6, 0.7],
}

it('stacks the lifts in their order on the bedding, and shows of each side what was found last', () => {
  expect(trenchOf(of)!.lifts).toEqual([
    { lift: 1, thick: 150, top: 270, left: null, right: 97.6 },
    { lift: 2, thick: 200, top: 470, left: null, right: null },
  ])
  expect(trenchOf(of)!.flat).toBe(0.7)
})

it('draws what is known, and no trench without its pipe', () => {
  expect(trenchOf({ ...of, od_mm: undefined })).toBeNull()
  expect(trenchOf({ od_mm: 200, lifts: 'none' })).toEqual({ od: 200, width: null, bed: 100, lifts: [], flat: null, limit: null })
})
