import { figureOf, noFigure } from '../ui/figureOf'
import type { Shown } from '../ui/units'
import { say } from '../texts/say'

/** A section as it is typed. */
export interface SectionRow {
  name: string
  from: string
  to: string
  method: string
  rule: string
  factor: string
  gauge: string
  most: string
  water: string
  fill: string
}

export const RULES = {
  'en805-surge-calculated': say('line.surgeCalculated'),
  'en805-surge-assumed': say('line.surgeAssumed'),
  factor: say('line.surgeByFactor'),
} as const

/** In which units it is typed. */
export interface SectionUnits {
  length: Shown
  pressure: Shown
  temperature: Shown
  flow: Shown
}

/** What is usual where nothing is said: water of 12 °C, filled with 5 L/s. */
const WATER_C = 12
const FILL_L_S = 5

/** A figure as it is typed in a unit. */
export const inUnit = (unit: Shown, value: number): string => String(Number(unit.fromKey(value).toPrecision(4)))

/** The first section of a line, as it is begun. */
export const emptyRow = (units: SectionUnits): SectionRow => ({
  name: say('line.section1'),
  from: '',
  to: '',
  method: '',
  rule: 'en805-surge-calculated',
  factor: '1.5',
  gauge: '',
  most: '',
  water: inUnit(units.temperature, WATER_C),
  fill: inUnit(units.flow, FILL_L_S),
})

export interface SectionBody {
  name: string
  from_m: number
  to_m: number
  method_hash: string
  stp_method: keyof typeof RULES
  gauge_m: number
  water_c: number
  fill_l_s: number
  pipe_max_bar: number | null
  factor?: number
}

/** What goes to the server; the first thing in it that is no figure is said. */
export function sectionBody(s: SectionRow, units: SectionUnits): { body: SectionBody; fault: string | null } {
  let fault: string | null = null
  const read = (text: string, unit?: Shown): number => {
    fault ??= noFigure(text)
    const figure = figureOf(text) ?? NaN
    return unit ? Number(unit.toKey(figure).toPrecision(12)) : figure
  }
  const body: SectionBody = {
    name: s.name,
    from_m: read(s.from, units.length),
    to_m: read(s.to, units.length),
    method_hash: s.method,
    stp_method: s.rule as keyof typeof RULES,
    gauge_m: read(s.gauge === '' ? s.from : s.gauge, units.length),
    water_c: read(s.water, units.temperature),
    fill_l_s: read(s.fill, units.flow),
    pipe_max_bar: s.most === '' ? null : read(s.most, units.pressure),
    ...(s.rule === 'factor' ? { factor: read(s.factor) } : {}),
  }
  return { body, fault }
}

/** What is known of it while it is being typed; null while its ends are not. */
export function sectionSoFar(s: SectionRow, units: SectionUnits): Partial<SectionBody> {
  const { body } = sectionBody(s, units)
  const known = Object.entries(body).filter(([, value]) => typeof value !== 'number' || Number.isFinite(value))
  return Object.fromEntries(known)
}
