import type { ReactElement } from 'react'
import type { StepText } from '../api/client'
import { BoxEntry } from './BoxEntry'
import { LoggerEntry } from './LoggerEntry'
import type { Live } from './useHoldNow'
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
  /** what says what to do while the readings come */
  live: Live | null
  /** of the place */
  zone: string
  onDone: () => void
}

/** A trace comes from the device that the procedure names. */
export function TraceEntry({ step, begun, live, ...rest }: Props): ReactElement {
  return step.device === 'pump-logger' ? (
    <LoggerEntry {...rest} live={live} begun={begun !== null} />
  ) : (
    <BoxEntry {...rest} begun={begun} action={step.action ?? say('steps.fuse')} />
  )
}
