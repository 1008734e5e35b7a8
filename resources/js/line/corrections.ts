import type { LineFull } from '../api/client'
import type { Materials } from '../api/queries'
import { figureOf, noFigure } from '../ui/figureOf'
import { orderedAs, pipeBody, wantedFigures, type TypedPipe } from './pipeForm'
import { inUnit, type SectionUnits } from './sectionForm'

/** What of a line may be put right for all that is still to come, as it is typed. */
export interface Corrections {
  design_bar: string
  mdp_bar: string
  pipe: TypedPipe
  procedure: string
}

const PRESSURES = ['design_bar', 'mdp_bar'] as const

/** As the line has it. */
export const standingOf = (line: LineFull, units: SectionUnits): Corrections => ({
  design_bar: inUnit(units.pressure, line.design_bar),
  mdp_bar: inUnit(units.pressure, line.mdp_bar),
  pipe: orderedAs(line.pipe),
  procedure: line.procedure.hash,
})

/**
 * What goes to the server: only what was touched, for what is typed is rounded; and what in it is no figure.
 *
 * @param stood as it was when the typing began
 */
export function corrected(
  stood: Corrections,
  typed: Corrections,
  units: SectionUnits,
  materials: Materials,
): { body: Record<string, unknown>; faults: Record<string, string> } {
  const body: Record<string, unknown> = {}
  const faults: Record<string, string> = {}
  const read = (key: string, text: string): void => {
    const why = noFigure(text)
    if (why) faults[key] = why
  }
  for (const key of PRESSURES) {
    if (typed[key] === stood[key]) continue
    read(key, typed[key])
    body[key] = Number(units.pressure.toKey(figureOf(typed[key]) ?? NaN).toPrecision(12))
  }
  if (JSON.stringify(typed.pipe) !== JSON.stringify(stood.pipe)) {
    wantedFigures(typed.pipe, materials).forEach((key) => read(key, typed.pipe[key]))
    Object.assign(body, pipeBody(typed.pipe, materials))
  }
  if (typed.procedure !== stood.procedure) body['procedure_hash'] = typed.procedure
  return { body, faults }
}
