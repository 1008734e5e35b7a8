import { expect, it } from 'vitest'
import type { Usual } from '../api/client'
import { doubtAmong, doubtOf } from './doubt'

const MM = { key: 'od_mm', suffix: 'mm', symbol: 'mm', decimals: 2, fromKey: (v: number) => v, toKey: (v: number): number => v }
const INCH = { key: 'od_in', suffix: 'in', symbol: 'in', decimals: 2, fromKey: (v: number) => v / 25.4, toKey: (v: number) => v * 25.4 }
const SLIPS: Usual['slips'] = [
  { factor: 1 / Math.PI, offset: 0, why: 'round', unit: null },
  { factor: 25.4, offset: 0, why: 'unit', unit: 'in' },
  { factor: 0.1, offset: 0, why: 'point', unit: null },
  { factor: 10, offset: 0, why: 'point', unit: null },
]
const around110: Usual = { near: null, whole: false, low: 105.6, high: 114.4, slips: SLIPS }
const meant = (text: string, usual = around110, shown = MM) => doubtOf(text, usual, shown)?.likely.map((l) => [l.text, l.why])

it.each([
  ['346.2', [['110.2', 'round']]],
  ['4.331', [['110', 'unit']]],
  ['11.0', [['110', 'point']]],
  ['1101', [['110.1', 'point']]],
  ['101.1', [['110.1', 'swapped']]],
  ['64', []],
])('asks whether %s was meant as %j', (text, likely) => expect(meant(text)).toEqual(likely))

it('asks nothing of what is usual, on its ends too, of what is no figure and where nothing says what is usual', () => {
  for (const text of ['110', '105.6', '114.4', '', 'wet', '110 mm']) expect(doubtOf(text, around110, MM)).toBeNull()
  expect(doubtOf('346.2', undefined, MM)).toBeNull()
})

it('asks the same of who reads inches', () => {
  // 13.63 in are 346.2 mm, 110.2 of them across.
  expect(meant('13.63', around110, INCH)).toEqual([['4.339', 'round']])
  expect(doubtOf('4.33', around110, INCH)).toBeNull()
})

it('holds one end against it where only one is known', () => {
  const most: Usual = { near: null, whole: false, low: null, high: 2.5, slips: SLIPS }
  expect(meant('3', most)).toContainEqual(['0.3', 'point'])
  expect(doubtOf('2.5', most, MM)).toBeNull()
  expect(doubtOf('3', most, MM)).toMatchObject({ low: null, high: '2.5' })
})

it('turns a temperature back by its own zero', () => {
  const fahrenheit: Usual['slips'][number] = { factor: 1 / 1.8, offset: -32 / 1.8, why: 'unit', unit: '°F' }
  expect(meant('64', { near: null, whole: false, low: -15, high: 50, slips: [fahrenheit] })).toEqual([
    ['17.78', 'unit'],
    ['46', 'swapped'],
  ])
})

it('asks about a diameter far from the others of its round, where these agree', () => {
  const among = (text: string, others: number[]): unknown => doubtAmong(text, others, SLIPS, MM)?.likely.map((l) => l.text)
  expect(among('101.4', [110.2, 110.4, 110.1])).toEqual(['110.4', '104.1'])
  expect(among('110.9', [110.2, 110.4, 110.1])).toBeUndefined()
  // One reading is no round; those that do not agree say nothing of another; a gap may be nought.
  expect(among('101.4', [110.2])).toBeUndefined()
  expect(among('101.4', [110.2, 104.0])).toBeUndefined()
  expect(among('3', [0, 0.2, 0.4])).toBeUndefined()
  // Exactly at six hundredths it is still theirs.
  expect(among('106', [100, 100])).toBeUndefined()
  expect(among('106.01', [100, 100])).toEqual(['100.61'])
  expect(doubtAmong('4.0', [4.33, 4.34], SLIPS, INCH)).not.toBeNull()
})
