import { expect, it } from 'vitest'
import { apart, bars, rowsIn, shifted, showing, timesLarger, zoomed } from './view'

const whole = { from: 0, to: 5000 }
const rows = Array.from({ length: 850 }, (_, i) => ({ from_m: i * 5.88, to_m: (i + 1) * 5.88, angle_share: i === 400 ? 1.2 : 0.3 }))

it('stays on the line however it is drawn larger or moved', () => {
  const near = zoomed(whole, 20, 4990, whole)
  expect(near.to - near.from).toBeCloseTo(250)
  expect(near.to).toBeLessThanOrEqual(5000)
  expect(shifted(near, 1000, whole)).toEqual({ from: 4750, to: 5000 })
  expect(shifted(near, -9000, whole)).toEqual({ from: 0, to: 250 })
  expect(zoomed(whole, 0.1, 10, whole)).toEqual(whole)
  expect(zoomed(whole, 1e9, 100, whole).to - zoomed(whole, 1e9, 100, whole).from).toBe(8)
  expect(zoomed({ from: 0, to: 5 }, 100, 2, { from: 0, to: 5 })).toEqual({ from: 0, to: 5 })
})

it('keeps the place under the finger where it is while it grows', () => {
  const view = zoomed(whole, 4, 1000, whole)
  expect((1000 - view.from) / (view.to - view.from)).toBeCloseTo(0.2)
})

it('shows a place by moving no more than it must', () => {
  expect(showing({ from: 100, to: 200 }, 150, whole)).toEqual({ from: 100, to: 200 })
  expect(showing({ from: 100, to: 200 }, 1000, whole)).toEqual({ from: 950, to: 1050 })
})

it('finds the rows that touch the view', () => {
  const [first, behind] = rowsIn(rows, { from: 100, to: 112 })
  expect([first, behind]).toEqual([17, 20])
  expect(rowsIn(rows, { from: -5, to: -1 })).toEqual([0, 0])
  expect(rowsIn([], whole)).toEqual([0, 0])
})

it('draws no more bars than there is room for, and never hides the largest', () => {
  const all = bars(rows, whole, 200)
  expect(all.length).toBeLessThanOrEqual(200)
  expect(Math.max(...all.map((b) => b.share))).toBe(1.2)
  expect(all.find((b) => b.share === 1.2)!.row).toBe(400)
  expect(bars(rows, { from: 0, to: 30 }, 200)).toHaveLength(6)
})

it('draws larger by a round figure alone', () => {
  expect([timesLarger(0.4), timesLarger(1), timesLarger(19), timesLarger(1e6)]).toEqual([1, 1, 10, 1000])
})

it('says one figure for joints that lie side by side: that of the larger share', () => {
  const bar = (row: number, at: number, share: number): { row: number; at: number; share: number } => ({ row, at, share })
  expect(apart([bar(0, 0, 0.2), bar(1, 6, 0.3), bar(2, 6.4, 0.5), bar(3, 12, 0.1)], 2)).toEqual([0, 2, 3])
  expect(apart([bar(0, 0, 0.2), bar(1, 6, 0.5), bar(2, 6.4, 0.3)], 2)).toEqual([0, 1])
  expect(apart([], 2)).toEqual([])
})
