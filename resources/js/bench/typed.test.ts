import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import type { CalcSchema, InputSchema, Units } from '../api/queries'
import { shownAs, type System } from '../ui/units'
import { tableOf } from './fields/RowsField'
import { placesFor } from './fields/RoundField'
import { fromExample, kindOf, rangeOf, toInput, type ShownOf } from './typed'
import { codeWords, inputWords, outputWords } from './words'

const schemas = JSON.parse(execFileSync('php', ['bin/diastoma', 'calc', '--list', '--schemas']).toString()) as Record<string, CalcSchema>
const worked = JSON.parse(readFileSync('core/data/calculations/worked.json', 'utf8')) as Record<string, Record<string, unknown>>

const units: Units = {
  length: {
    mm: { symbol: 'mm', factor: 0.001, offset: 0, shown: { us: 'in' } },
    m: { symbol: 'm', factor: 1, offset: 0, shown: { us: 'ft' } },
    in: { symbol: 'in', factor: 0.0254, offset: 0 },
    ft: { symbol: 'ft', factor: 0.3048, offset: 0 },
  },
  pressure: {
    kpa: { symbol: 'kPa', factor: 1000, offset: 0, shown: { bar: 'bar' } },
    bar: { symbol: 'bar', factor: 1e5, offset: 0, shown: { metric: 'kpa' } },
  },
  temperature: {
    c: { symbol: '°C', factor: 1, offset: 0, shown: { us: 'f' } },
    f: { symbol: '°F', factor: 1 / 1.8, offset: -32 / 1.8 },
  },
}
const shownIn =
  (system: System): ShownOf =>
  (key: string, s: InputSchema) =>
    shownAs(key, s['x-quantity'] ?? '', system, units)

/** Without what a page cannot know: which of several spellings of a time was meant. */
const bare = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value, (_key, v: unknown) => (typeof v === 'string' && /^\d{4}-\d\d-\d\dT/.test(v) ? Date.parse(v) : v)))

it.each(Object.keys(worked))('what is filled in of the worked example of %s goes out as it is', (name) => {
  const asIs: ShownOf = (key) => ({ key, suffix: '', symbol: '', decimals: 2, fromKey: (v) => v, toKey: (v: number): number => v })
  const { properties } = schemas[name]!
  expect(bare(toInput(properties, fromExample(properties, worked[name]!, asIs), asIs))).toEqual(bare(worked[name]))
})

it('is typed in the units of the person, and goes out under their key', () => {
  const { properties } = schemas['end-thrust']!
  const example = { p_bar: 12, seal_od_mm: 254, fitting: 'end' }
  expect(fromExample(properties, example, shownIn('us'))).toEqual({ p_bar: '12', seal_od_mm: '10', fitting: 'end' })
  expect(toInput(properties, fromExample(properties, example, shownIn('us')), shownIn('us'))).toEqual({
    p_bar: 12,
    seal_od_in: 10,
    fitting: 'end',
  })
  expect(toInput(properties, { p_bar: '1200' }, shownIn('metric'))).toEqual({ p_kpa: 1200 })
  expect(rangeOf('x_mm', { type: 'number', minimum: 25.4, maximum: 254, 'x-quantity': 'length' }, shownIn('us'))).toEqual({
    least: '1',
    most: '10',
    strict: false,
  })
  expect(rangeOf('x', { exclusiveMinimum: 0 }, shownIn('us'))).toEqual({ least: '0', most: null, strict: true })
})

it('leaves out what is empty, and sends what is no figure as it was typed: the core says what is wrong', () => {
  const properties: Record<string, InputSchema> = {
    gap_mm: { type: 'number', 'x-quantity': 'length' },
    note: { type: 'string' },
    rows: { type: 'array', items: { type: 'object', properties: { a: { type: 'number' }, b: { type: 'number' } } } },
    log: { type: 'array', items: { type: 'array', description: 'min, kPa, degC' } },
    read: { type: 'array', 'x-round': { clock: 'string', value_mm: 'number' } },
    ok: { type: 'boolean' },
  }
  const typed = {
    gap_mm: 'wide',
    note: '  ',
    rows: [
      { a: '1', b: '' },
      { a: '', b: '' },
    ],
    log: [
      ['0', '900', ''],
      ['', '', ''],
      ['1', '8x', '12'],
    ],
    read: [
      { clock: '12:00', value: '1,5' },
      { clock: '3:00', value: '' },
    ],
    ok: 'false',
  }
  expect(toInput(properties, typed, shownIn('metric'))).toEqual({
    gap_mm: 'wide',
    rows: [{ a: 1 }],
    log: [
      [0, 900],
      [1, '8x', 12],
    ],
    read: [{ clock: '12:00', value_mm: 1.5 }],
    ok: false,
  })
})

it('takes what was copied from a spreadsheet or stands in a file, headings left out', () => {
  expect(tableOf('time\tkPa\n0\t900\n1\t901,5\n')).toEqual([
    ['0', '900'],
    ['1', '901,5'],
  ])
  expect(tableOf('min;pressure\r\n0;900\r\n1;901,5')).toEqual([
    ['0', '900'],
    ['1', '901,5'],
  ])
  expect(tableOf('0,900\n1,901.5')).toEqual([
    ['0', '900'],
    ['1', '901.5'],
  ])
})

it('goes round the pipe, and half round for diameters', () => {
  expect(placesFor(4, false)).toEqual(['12:00', '3:00', '6:00', '9:00'])
  expect(placesFor(8, true)).toEqual(['12:00', '12:45', '1:30', '2:15', '3:00', '3:45', '4:30', '5:15'])
})

it('asks for nothing as JSON: each input of each calculation has its own way to be entered', () => {
  const walk = (properties: Record<string, InputSchema>): [string, InputSchema][] =>
    Object.entries(properties).flatMap(([key, s]) =>
      s['x-by-columns'] ? [] : [[key, s] as [string, InputSchema], ...walk(s.properties ?? {}), ...walk(s.items?.properties ?? {})],
    )
  const unknown = Object.entries(schemas).flatMap(([name, s]) =>
    walk(s.properties)
      .filter(([, of]) => kindOf(of) === 'text' && of.type !== 'string')
      .map(([key]) => `${name} ${key}`),
  )
  expect(unknown).toEqual([])
})

it('says codes and keys in words, the bolt beside them', () => {
  expect([codeWords('missed-bolt:7'), codeWords('not-home'), codeWords('n/a')]).toEqual(['bolt missed: 7', 'not home', 'does not apply'])
  expect(inputWords('fill-plan', 'rate_l_s', schemas['fill-plan']!.properties['rate_l_s']!).name).toBe('Rate of the pump')
  expect([outputWords('air-content', 'ratio'), outputWords('pe-three-point', 'ratio')]).toEqual([
    'Taken over what it should take',
    'Second slope over first',
  ])
})
