import { expect, it } from 'vitest'
import { clockWords, turnWords } from './turn'

const show = (_: string, __: string, value: number, decimals = 2): string => `${value.toFixed(decimals)} mm`

it('says a clock to the quarter of an hour, 12 at the top', () => {
  expect([clockWords(3), clockWords(4.49), clockWords(12), clockWords(11.95), clockWords(0.3)]).toEqual([
    '3:00',
    '4:30',
    '12:00',
    '12:00',
    '0:15'.replace('0', '12'),
  ])
})

it('says how a joint is turned and where its gap opens, or that it is straight, or nothing', () => {
  expect(turnWords({ angle_deg: 2.46, turn_hour: 3, gap_difference_m: 0.0095 }, show)).toBe('2.46° towards 3:00, 9.5 mm wider at 9:00')
  expect(turnWords({ angle_deg: 0.02, turn_hour: 3, gap_difference_m: 0.0001 }, show)).toBe('straight')
  expect(turnWords({ angle_deg: 1, turn_hour: 6, gap_difference_m: null }, show)).toBe('1.00° towards 6:00')
  expect(turnWords({ angle_deg: null, turn_hour: null, gap_difference_m: null }, show)).toBe('')
})
