import type { StepState } from '../api/client'

type Name = NonNullable<StepState['stage']>
type Verdict = StepState['verdict']

/** Steps of one part of the work, as they follow each other, and how far they are. */
export interface StageOfWork {
  name: Name
  steps: StepState[]
  /** of those that must be done */
  done: number
  all: number
  /** the worst of what is recorded */
  verdict: Verdict
}

const WORST: Verdict[] = ['good', 'close', 'open', 'bad']

/** The steps in their stages; one stage only where the text says of any step in none to which it belongs, as older ones do. */
export function stagesOf(steps: StepState[]): StageOfWork[] {
  const isOld = steps.some((s) => !s.stage)
  const groups: StepState[][] = []
  for (const step of steps) {
    const last = groups.at(-1)
    if (last && (isOld || last[0]!.stage === step.stage)) last.push(step)
    else groups.push([step])
  }
  return groups.map((own) => {
    const must = own.filter((s) => !s.optional)
    const recorded = own.filter((s) => s.status === 'done')
    return {
      name: own[0]!.stage ?? 'look',
      steps: own,
      done: must.filter((s) => s.status === 'done').length,
      all: must.length,
      verdict: recorded.reduce<Verdict>((worst, s) => (WORST.indexOf(s.verdict) > WORST.indexOf(worst) ? s.verdict : worst), 'good'),
    }
  })
}
