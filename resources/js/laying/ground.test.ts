import { describe, expect, it } from 'vitest'
import type { Shown } from '../ui/units'
import { groundAt, groundIn, groundOf, groundText } from './ground'

const metres: Shown = { key: 'x_m', suffix: 'm', symbol: 'm', decimals: 2, fromKey: (v) => v, toKey: (v) => v }
const feet: Shown = { ...metres, suffix: 'ft', symbol: 'ft', fromKey: (v) => v / 0.3048, toKey: (v) => v * 0.3048 }

const places = [
  { at_m: 0, level_m: 102.5 },
  { at_m: 30, level_m: 101 },
]

describe('a table of the ground', () => {
  it.each([
    ['blanks', '0 102.5\n30 101'],
    ['a heading, tabs and an empty row', 'chainage\tlevel\n0\t102.5\n\n30\t101\n'],
    ['semicolons and decimal commas', '0;102,5\r\n30;101,0'],
    ['commas', '0,102.5\n30,101'],
  ])('is read with %s', (_, text) => {
    expect(groundOf(text, metres)).toEqual({ ground: places, wrong: null })
  })

  it('comes back as it was typed, in the unit of the reader', () => {
    const { ground } = groundOf(groundText(places, feet), feet)
    expect(ground[1]!.at_m).toBeCloseTo(30, 6)
    expect(groundText(ground, metres)).toBe('0 102.5\n30 101')
  })

  it.each([
    ['0 102.5 7\n30 101', 'Row 1, "0 102.5 7": a chainage and a level are wanted.'],
    ['0 102.5\n30 1o1', 'Row 2: "1o1" is no number.'],
    ['0 102.5\n0 101', 'Row 2: its chainage is not greater than that of the row before.'],
    ['30 101', 'One place is no ground: give two or more.'],
  ])('says what is wrong with %j, and takes none of it', (text, wrong) => {
    expect(groundOf(text, metres)).toEqual({ ground: [], wrong })
  })

  it('is none where nothing stands', () => {
    expect(groundOf(' \n', metres)).toEqual({ ground: [], wrong: null })
  })
})

describe('the ground along the line', () => {
  it('is straight between two places, and unknown beyond the last', () => {
    expect(groundAt(places, 10)).toBeCloseTo(102, 12)
    expect([groundAt(places, 0), groundAt(places, 30)]).toEqual([102.5, 101])
    expect([groundAt(places, -1), groundAt(places, 31), groundAt([], 5)]).toEqual([null, null, null])
  })

  it('is cut at the edges of a view, and reaches no further than it is known', () => {
    expect(groundIn(places, { from: 10, to: 20 }).map(({ at_m }) => at_m)).toEqual([10, 20])
    expect(groundIn(places, { from: -10, to: 60 })).toEqual(places)
    expect(groundIn(places, { from: 40, to: 60 })).toEqual([])
  })
})
