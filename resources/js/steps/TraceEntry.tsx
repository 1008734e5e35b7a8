import type { ReactElement } from 'react'
import type { StepText } from '../api/client'
import { BoxEntry } from './BoxEntry'
import { LoggerEntry } from './LoggerEntry'
import { say } from '../texts/say'

interface Props {
  subject: string
  step: StepText
  stepKey: string
  device: Record<string, unknown>
  tolerance: number | null
  /** a trace of this step whose end has not come, with the number of its next part */
  begun: { trace: string; part: number } | null
  practice: boolean
  /** of the place */
  zone: string
  onDone: () => void
}

/** A trace comes from the device that the procedure names. */
export function TraceEntry({ step, begun, ...rest }: Props): ReactElement {
  return step.device === 'pump-logger' ? (
    <LoggerEntry {...rest} />
  ) : (
    <BoxEntry {...rest} begun={begun} action={step.action ?? say('steps.fuse')} />
  )
}
