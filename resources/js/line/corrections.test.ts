import { expect, test } from 'vitest'
import type { LineFull } from '../api/client'
import type { Materials } from '../api/queries'
import { shownAs } from '../ui/units'
import { corrected, standingOf } from './corrections'
import type { SectionUnits } from './sectionForm'

const pressure = shownAs('x_bar', 'pressure', 'metric', {
  pressure: { bar: { symbol: 'bar', factor: 1e5, offset: 0, shown: { metric: 'kpa' } }, kpa: { symbol: 'kPa', factor: 1e3, offset: 0 } },
})
const units = { pressure } as SectionUnits
const materials: Materials = {
  PE100: { series: ['metric', 'ips'], wall: 'ratio' },
  'Ductile iron': { series: ['dn'], wall: 'class' },
} as unknown as Materials
const line = {
  design_bar: 6.66667,
  mdp_bar: 8,
  pipe: { material: 'PE100', series: 'metric', nominal: 160, dn_mm: 160, od_mm: 160, sdr: 17, wall_mm: 9.5 },
  procedure: { hash: 'old' },
} as unknown as LineFull
const stood = standingOf(line, units)

test('what nobody touched is not sent, whatever was rounded to show it', () => {
  expect(corrected(stood, stood, units, materials)).toEqual({ body: {}, faults: {} })
})

test('a pressure is sent in bar, whatever unit it was typed in', () => {
  expect(corrected(stood, { ...stood, mdp_bar: '1250' }, units, materials).body).toEqual({ mdp_bar: 12.5 })
  expect(corrected(stood, { ...stood, design_bar: '12o0' }, units, materials).faults).toEqual({ design_bar: '"12o0" is no number.' })
})

test('a pipe is sent as it is ordered, whole, and of iron no ratio', () => {
  expect(corrected(stood, { ...stood, pipe: { ...stood.pipe, sdr: '11' } }, units, materials).body).toEqual({
    material: 'PE100',
    series: 'metric',
    nominal: 160,
    sdr: 11,
  })
  const iron = { ...stood.pipe, material: 'Ductile iron', series: 'dn', nominal: '200', wall_mm: '' }
  expect(corrected(stood, { ...stood, pipe: iron }, units, materials).body).toEqual({
    material: 'Ductile iron',
    series: 'dn',
    nominal: 200,
  })
  expect(corrected(stood, { ...stood, pipe: { ...stood.pipe, sdr: '' } }, units, materials).faults['sdr']).toBeDefined()
})

test('another procedure is sent by its hash', () => {
  expect(corrected(stood, { ...stood, procedure: 'new' }, units, materials).body).toEqual({ procedure_hash: 'new' })
})
