import { expect, test } from 'vitest'
import type { FieldSpec } from '../api/client'
import type { Units } from '../api/queries'
import { asEntered, complaint, saidOf, shownField, toValue, type Entered } from './entry'

const units: Units = {
  length: {
    m: { symbol: 'm', factor: 1, offset: 0 },
    mm: { symbol: 'mm', factor: 0.001, offset: 0, shown: { us: 'in' } },
    in: { symbol: 'in', factor: 0.0254, offset: 0 },
  },
  temperature: { c: { symbol: '°C', factor: 1, offset: 0, shown: { us: 'f' } }, f: { symbol: '°F', factor: 1 / 1.8, offset: -32 / 1.8 } },
}
const od = { key: 'od_mm', label: 'Diameter', quantity: 'length', min: 16, max: 1700 }
const air = { key: 'air_c', label: 'Air', quantity: 'temperature', min: -40, max: 55 }

test('a figure is sent under the key of the unit in which it was typed', () => {
  expect(toValue(od, '110,5', shownField(od, 'metric', units))).toEqual({ od_mm: 110.5 })
  expect(toValue(od, '4.5', shownField(od, 'us', units))).toEqual({ od_in: 4.5 })
  expect(toValue(air, '68', shownField(air, 'us', units))).toEqual({ air_f: 68 })
})

test('a figure with two readings is neither sent as a number nor let through', () => {
  expect(toValue(od, '1,234', shownField(od, 'metric', units))).toEqual({ od_mm: '1,234' })
  expect(complaint(od, '1,234', shownField(od, 'metric', units))).toBe(
    'Diameter: 1,234 could be 1234 or 1.234: write it without the comma, or with a point.',
  )
  expect(complaint(od, '110,25', shownField(od, 'metric', units))).toBeNull()
})

test('text with its own unit goes to the server as typed', () => {
  expect(toValue(od, '4 1/8 in', shownField(od, 'metric', units))).toEqual({ od_mm: '4 1/8 in' })
})

test('the stated range is echoed in the unit of the person', () => {
  expect(complaint(od, '9', shownField(od, 'metric', units))).toBe('Diameter: 9 mm is outside 16 to 1700 mm.')
  expect(complaint(od, '0.2', shownField(od, 'us', units))).toBe('Diameter: 0.2 in is outside 0.63 to 66.93 in.')
  expect(complaint(air, '100', shownField(air, 'us', units))).toBeNull()
  expect(complaint(air, '', shownField(air, 'us', units))).toBe('Air is missing.')
  expect(complaint({ ...air, optional: true }, '', shownField(air, 'us', units))).toBeNull()
})

test('an entry is said in a sentence with its unit, and nothing where there is none', () => {
  const said = (field: FieldSpec, entered: Entered | undefined): string => saidOf(field, entered, shownField(field, 'metric', units))
  expect(said(air, '14')).toBe('air 14 °C')
  expect(said({ key: 'rh_pct', label: 'Humidity, %', type: 'number' }, '60')).toBe('humidity 60 %')
  expect(said({ key: 'sdr_min', label: 'SDR from', type: 'number' }, '11')).toBe('SDR from 11')
  expect(said({ key: 'rain', label: 'Rain or snow', type: 'yesno' }, false)).toBe('rain or snow: no')
  const tool = { key: 'tool', label: 'Peeled with', type: 'choice' as const, options: [{ value: 'hand', label: 'hand scraper' }] }
  expect(said(tool, 'hand')).toBe('peeled with hand scraper')
  expect(said(air, undefined)).toBe('')
  expect(said(air, null)).toBe('')
})

const POURED: FieldSpec = { key: 'at', label: 'Poured', type: 'time' }
const ofPoured = shownField(POURED, 'metric', undefined)

test('a time that is picked goes out as the moment that it is, with the offset of the device', () => {
  const { at } = toValue(POURED, '2026-05-04T10:22', ofPoured) as { at: string }
  expect(at).toMatch(/^2026-05-04T10:22:00[+-]\d\d:\d\d$/)
  expect(Date.parse(at)).toBe(new Date(2026, 4, 4, 10, 22).getTime())
})

test('what is stored stands in the calendar again as the clock on the wall has it, whatever its offset', () => {
  const moment = new Date(2026, 9, 25, 23, 5)
  for (const stored of [moment.toISOString(), (toValue(POURED, '2026-10-25T23:05', ofPoured) as { at: string }).at])
    expect(asEntered(POURED, stored, ofPoured, true)).toBe('2026-10-25T23:05')
})

test('what is no time is sent as it was typed, and refused there', () => {
  expect(toValue(POURED, 'yesterday', ofPoured)).toEqual({ at: 'yesterday' })
  expect(toValue(POURED, '', ofPoured)).toEqual({})
})
