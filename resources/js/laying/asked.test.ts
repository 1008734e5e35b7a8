import { expect, it } from 'vitest'
import { counted, taken, withBend, withCount, withLeg, withLength, withMore, withoutBend, withoutLength, type Asked } from './asked'

const asked: Asked = {
  stock: [
    { length_m: 12, count: 2 },
    { length_m: 6, count: null },
  ],
  max_joint_angle_deg: 3,
  working_share: 0.9,
  min_piece_m: 1,
}

it('never has fewer than no pipes of a length', () => {
  expect(counted(counted(counted(asked, 0, -1), 0, -1), 0, -1).stock[0]!.count).toBe(0)
  expect(counted(asked, 1, 1).stock[1]!.count).toBe(1)
  expect(withMore(asked, 12, 5).stock.map((row) => row.count)).toEqual([7, null])
  expect(withMore(asked, 6, 5).stock.map((row) => row.count)).toEqual([2, null])
  expect(withCount(asked, 0, null).stock[0]!.count).toBeNull()
})

it('keeps lengths once, the longest first, and at least one of them', () => {
  const more = withLength(asked, 8, 4)
  expect(more.stock.map((row) => row.length_m)).toEqual([12, 8, 6])
  expect(withLength(more, 8, 9)).toBe(more)
  expect(withoutLength(withoutLength(withoutLength(more, 0), 0), 0).stock).toHaveLength(1)
})

it('counts what a plan takes of a length, with those it cuts', () => {
  const rows = [
    { length_m: 12, cut_from_m: null, bend: null },
    { length_m: 3.15, cut_from_m: 6, bend: null },
    { length_m: 3.15, cut_from_m: 6, bend: null },
    {
      length_m: 12,
      cut_from_m: null,
      bend: { bend_deg: 45, at_m: 60, leg_m: 6, turn_hour: 3, leaves_azimuth_deg: 45, leaves_grade_ratio: 0 },
    },
  ]
  expect([taken(rows, 12), taken(rows, 6), taken(rows, 3.15)]).toEqual([1, 2, 0])
})

it('keeps one bend in a corner, in the order of the line', () => {
  const bend = (at_m: number, bend_deg: number): { at_m: number; bend_deg: number; leg_m: number } => ({ at_m, bend_deg, leg_m: 0.2 })
  const two = withBend(withBend(asked, bend(60, 45)), bend(20, 22.5))
  expect(two.bends!.map((one) => one.at_m)).toEqual([20, 60])
  expect(withBend(two, bend(60.01, 90)).bends!.map((one) => one.bend_deg)).toEqual([22.5, 90])
  expect(withLeg(two, 1, 0.4).bends!.map((one) => one.leg_m)).toEqual([0.2, 0.4])
  expect(withoutBend(two, 0).bends!.map((one) => one.at_m)).toEqual([60])
})
