import type { LineFull } from '../api/client'
import type { Materials } from '../api/queries'
import { figureOf } from '../ui/figureOf'

/** A pipe as it is ordered: what is typed of it. */
export interface TypedPipe {
  material: string
  series: string
  nominal: string
  sdr: string
  od_mm: string
  wall_mm: string
}

export type PipeFigure = 'nominal' | 'sdr' | 'od_mm' | 'wall_mm'

/** Which figures say the wall: iron goes by a class, and of the usual one nothing is typed. */
const WALL: Record<Materials[string]['wall'], readonly PipeFigure[]> = {
  ratio: ['sdr'],
  class: ['wall_mm'],
  measured: ['od_mm', 'wall_mm'],
}

/** A size that each series has: it stands there until another is typed. */
const USUAL: Record<string, string> = { metric: '110', ips: '4', dips: '6', dn: '200', 'dn-od': '600', 'in-od': '24' }

/** A pipe as the form begins with it, for who thinks in feet or in metres. */
export const usualPipe = (inFeet: boolean): TypedPipe => ({
  material: 'PE100',
  series: inFeet ? 'ips' : 'metric',
  nominal: USUAL[inFeet ? 'ips' : 'metric']!,
  sdr: '11',
  od_mm: '',
  wall_mm: '',
})

/** How a pipe would be ordered that is known. */
export function orderedAs(pipe: LineFull['pipe']): TypedPipe {
  const series = pipe.series ?? 'metric'
  return {
    material: pipe.material,
    series,
    // Of a pipe that was stored without it, as it is called: "4 in IPS".
    nominal: String(pipe.nominal ?? pipe.size?.match(/[\d.]+/)?.[0] ?? pipe.dn_mm),
    sdr: String(pipe.sdr),
    od_mm: String(pipe.od_mm),
    wall_mm: String(pipe.wall_mm),
  }
}

/** Which of its figures are typed. */
export const wallFigures = (material: string, of: Materials): readonly PipeFigure[] => WALL[of[material]!.wall]

/** Which of them must be there. */
export function wantedFigures(pipe: TypedPipe, of: Materials): PipeFigure[] {
  const isUsualClass = of[pipe.material]!.wall === 'class' && pipe.wall_mm === ''
  return ['nominal', ...(isUsualClass ? [] : wallFigures(pipe.material, of))]
}

/** What is asked of the server: figures that are none yet are NaN. */
export const pipeBody = (pipe: TypedPipe, of: Materials): { material: string; series: string } & Partial<Record<PipeFigure, number>> => ({
  material: pipe.material,
  series: pipe.series,
  ...Object.fromEntries(wantedFigures(pipe, of).map((key) => [key, figureOf(pipe[key]) ?? NaN])),
})

/** What procedures are asked whether they suit: as far as it is typed. */
export const suitedTo = (pipe: TypedPipe, of: Materials): Record<string, string | number> => ({
  material: pipe.material,
  series: pipe.series,
  ...Object.fromEntries(
    (['nominal', ...wallFigures(pipe.material, of).filter((key) => key === 'sdr')] as const).flatMap((key) => {
      const figure = figureOf(pipe[key])
      return figure !== null && figure > 0 ? [[key, figure] as const] : []
    }),
  ),
})

/** Of another material: its series and a size of it, where the one that stood there does not go with it. */
export function ofMaterial(pipe: TypedPipe, material: string, of: Materials): TypedPipe {
  const { series } = of[material]!
  return series.includes(pipe.series) ? { ...pipe, material } : { ...pipe, material, series: series[0]!, nominal: USUAL[series[0]!]! }
}

/** In another series: the size that was typed stays. */
export const inSeries = (pipe: TypedPipe, series: string): TypedPipe => ({
  ...pipe,
  series,
  nominal: pipe.nominal === USUAL[pipe.series] ? USUAL[series]! : pipe.nominal,
})
