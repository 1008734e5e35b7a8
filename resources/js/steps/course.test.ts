import { expect, it } from 'vitest'
import type { StepState, StepText } from '../api/client'
import { boundariesOf, courseOf, courseOver, phasesBy } from './course'
import { logClock } from './logClock'

const figure = {
  shape: 'course',
  of: 'log',
  bands: [
    { name: 'Hold', from_min: 10, to_min: 40 },
    { name: 'Main', from_min: 40, to_min: null },
  ],
  limits: [
    { name: 'least', kpa: 965, from_min: 10, to_min: 40 },
    {
      name: 'least so far',
      points: [
        [0, 900],
        [5, 905],
      ],
      from_min: 40,
      to_min: 70,
    },
    { name: 'not known', kpa: null, from_min: 10, to_min: 40 },
    { name: 'nowhere', kpa: 900, from_min: null, to_min: 40 },
  ],
}

it('draws a limit where it holds and where its figure is known, minutes of the log', () => {
  const course = courseOf(figure)!
  expect(course.limits.map((l) => [l.name, l.line])).toEqual([
    [
      'least',
      [
        [10, 965],
        [40, 965],
      ],
    ],
    [
      'least so far',
      [
        [40, 900],
        [45, 905],
      ],
    ],
  ])
  expect(course.bands[1]).toEqual({ name: 'Main', from_min: 40, to_min: null })
  expect(courseOver([{ figure: null }, { figure }] as unknown as StepState[], 'log')).toEqual(course)
  expect(courseOver([{ figure }] as unknown as StepState[], 'another')).toBeNull()
  expect(courseOf({ shape: 'jaws' })).toBeNull()
})

const text = {
  figure: {
    shape: 'course',
    in: {
      of: 'log',
      bands: [
        { name: 'Raise', from_min: '$fact.a_min', to_min: '$fact.b_min' },
        { name: 'Hold', from_min: '$fact.b_min', to_min: '$fact.c_min' },
      ],
    },
  },
} as unknown as StepText

it('finds the times between phases in the text, each once and in order', () => {
  expect(boundariesOf(text)).toEqual({
    of: 'log',
    fields: [
      { key: 'a_min', name: 'Raise' },
      { key: 'b_min', name: 'Hold' },
      { key: 'c_min', name: '' },
    ],
  })
  expect(boundariesOf({ id: 'x' } as StepText)).toBeNull()
  expect(phasesBy(text, (key) => (key === 'b_min' ? 12 : null))).toEqual([
    { name: 'Raise', from_min: null, to_min: 12 },
    { name: 'Hold', from_min: 12, to_min: null },
  ])
})

// 2026-05-04 09:40:30 in Zurich (UTC+2).
const clock = logClock('2026-05-04T09:40:30+02:00', 'Europe/Zurich')!

it.each([
  ['10:42', '61.5'],
  ['9:41', '0.5'],
  ['09:40', '0'],
  ['00:10', '869.5'],
  ['62', null],
  ['10:99', null],
  ['25:00', null],
  ['', null],
])('the time of day %s is minute %s of the log', (typed, minute) => expect(clock.minuteOf(typed)).toBe(minute))

it('says the time of day of a minute, and nothing where there is no minute or no clock', () => {
  expect([clock.timeOf('61.5'), clock.timeOf('869.5'), clock.timeOf(''), clock.timeOf('ten')]).toEqual(['10:42', '00:10', null, null])
  expect([logClock(null, 'UTC'), logClock('yesterday', 'UTC')]).toEqual([null, null])
})
