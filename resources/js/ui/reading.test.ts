import { expect, test } from 'vitest'
import type { Clock, JointShort } from '../api/client'
import type { Units } from '../api/queries'
import { coolingUntil, faceOf } from './LineString'
import { degreesOf } from './Round'
import { clockAndCountdown } from './useNow'
import { figure, shownAs } from './units'

const units: Units = {
  length: {
    m: { symbol: 'm', factor: 1, offset: 0, decimals: 2, shown: { us: 'ft' } },
    mm: { symbol: 'mm', factor: 0.001, offset: 0, decimals: 1, shown: { metric: 'mm', bar: 'mm', us: 'in' } },
    in: { symbol: 'in', factor: 0.0254, offset: 0, decimals: 3 },
    ft: { symbol: 'ft', factor: 0.3048, offset: 0 },
  },
  pressure: {
    kpa: { symbol: 'kPa', factor: 1000, offset: 0, decimals: 0, shown: { metric: 'kpa', bar: 'bar', us: 'psi' } },
    bar: { symbol: 'bar', factor: 1e5, offset: 0, decimals: 2, shown: { metric: 'kpa', bar: 'bar', us: 'psi' } },
    psi: { symbol: 'psi', factor: 6894.757293168361, offset: 0 },
  },
  temperature: { c: { symbol: '°C', factor: 1, offset: 0, shown: { us: 'f' } }, f: { symbol: '°F', factor: 1 / 1.8, offset: -32 / 1.8 } },
}

test('a key is shown in the unit of the reader', () => {
  expect(shownAs('od_mm', 'length', 'metric', units)).toMatchObject({ key: 'od_mm', suffix: 'mm', symbol: 'mm' })
  const us = shownAs('od_mm', 'length', 'us', units)
  expect(us).toMatchObject({ key: 'od_in', suffix: 'in', symbol: 'in' })
  expect(us.fromKey(25.4)).toBeCloseTo(1, 12)
  expect(shownAs('x_m', 'length', 'us', units).fromKey(3.048)).toBeCloseTo(10, 12)
  expect(shownAs('p_kpa', 'pressure', 'us', units).fromKey(1000)).toBeCloseTo(145.038, 3)
  expect(shownAs('p_kpa', 'pressure', 'bar', units)).toMatchObject({ key: 'p_bar', symbol: 'bar', decimals: 2 })
  expect(shownAs('mdp_bar', 'pressure', 'metric', units)).toMatchObject({ key: 'mdp_kpa', symbol: 'kPa', decimals: 0 })
  expect(shownAs('mdp_bar', 'pressure', 'metric', units).fromKey(10)).toBeCloseTo(1000, 9)
  expect(shownAs('air_c', 'temperature', 'us', units).fromKey(-40)).toBeCloseTo(-40, 9)
  expect(shownAs('air_c', 'temperature', 'us', units).fromKey(100)).toBeCloseTo(212, 9)
})

test('without units, or without a unit in the name, a figure stays as it is', () => {
  expect(shownAs('od_mm', 'length', 'us', undefined).fromKey(7)).toBe(7)
  expect(shownAs('count', 'length', 'us', units)).toMatchObject({ key: 'count', symbol: '' })
})

test('figures have no minus before nought', () => {
  expect([figure(1.25, 1), figure(0.0492, 3), figure(1100.4, 0), figure(-0.04, 1), figure(2.345, 2)]).toEqual([
    '1.3',
    '0.049',
    '1100',
    '0.0',
    '2.35',
  ])
})

test('a clock is said as time of the place and what is left', () => {
  const now = Date.parse('2026-05-04T12:00:00Z')
  const at = (ms: number): string => clockAndCountdown(new Date(now + ms).toISOString(), now, 'Europe/Vienna')
  expect(at(18 * 60_000)).toBe('14:18 (in 18 min)')
  expect(at(3 * 3_600_000)).toBe('17:00 (in 3 h 0 min)')
  expect(at(25_000)).toBe('14:00 (in 25 s)')
  expect(at(-1)).toBe('13:59, free')
})

test('clock positions are degrees from the top', () => {
  expect(['12:00', '1:30', '3:00', '6:00', '9:00', '11:59'].map(degreesOf)).toEqual([0, 45, 90, 180, 270, 359.5])
})

const joint = (number: string, more: Partial<JointShort>): JointShort =>
  ({
    id: number,
    number,
    chainage_m: 0,
    state: 'planned',
    verdict: 'open',
    done: 0,
    total: 9,
    next_step: null,
    clocks: null,
    replaces_id: null,
    host_id: null,
    place: 'in-line',
    pipes: null,
    headline: null,
    ...more,
  }) as JointShort

const clock = (name: string, at: string): Clock => ({ name, label: name, at, until: null, meanwhile: null, free: null })

test('the face is the joint that was begun and not yet left, else the first that is planned', () => {
  const cooling = joint('3', { state: 'begun', left_face: true })
  const begun = joint('5', { state: 'begun' })
  expect(faceOf([joint('1', { state: 'accepted' }), cooling, joint('4', {}), begun])?.number).toBe('5')
  expect(faceOf([joint('1', { state: 'accepted' }), cooling, joint('4', {})])?.number).toBe('4')
  expect(faceOf([joint('1', { state: 'accepted' })])).toBeUndefined()
})

test('a joint cools until its clock is over, and not once the clamps are off', () => {
  const now = Date.parse('2026-05-04T11:00:00Z')
  const clocks = [clock('handle_from', '2026-05-04T13:00:00Z'), { ...clock('clamps_off', '2026-05-04T12:00:00Z'), until: 'cooling' }]
  expect(coolingUntil(joint('1', { state: 'begun', clocks }), now)).toBe(Date.parse('2026-05-04T12:00:00Z'))
  expect(coolingUntil(joint('1', { state: 'begun', clocks }), now + 7_200_000)).toBeNull()
  expect(coolingUntil(joint('1', { state: 'made', clocks }), now)).toBeNull()
  expect(coolingUntil(joint('1', { state: 'begun' }), now)).toBeNull()
  expect(coolingUntil(joint('1', { state: 'begun', clocks: clocks.slice(0, 1) }), now)).toBeNull()
})
