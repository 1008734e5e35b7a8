import type { ReactElement } from 'react'
import type { StepText } from '../api/client'
import { BoxEntry } from './BoxEntry'
import { LoggerEntry } from './LoggerEntry'

interface Props {
  subject: string
  step: StepText
  stepKey: string
  device: Record<string, unknown>
  tolerance: number | null
  onDone: () => void
}

/** A trace comes from the device that the procedure names. */
export function TraceEntry({ step, ...rest }: Props): ReactElement {
  return step.device === 'pump-logger' ? <LoggerEntry {...rest} /> : <BoxEntry {...rest} action={step.action ?? 'Fuse'} />
}
