import type { ReactElement } from 'react'
import { say } from '../texts/say'
import { dayAndTime } from '../ui/clock'

interface Props {
  name: string
  /** times of its first and last reading; none where the file has no dates */
  first: unknown
  last: unknown
  zone: string
}

/** Which file it is, and from when to when it goes. */
export function FromFile({ name, first, last, zone }: Props): ReactElement {
  return (
    <>
      {typeof first === 'string' && typeof last === 'string'
        ? say('steps.fileFromTo', { name, first: dayAndTime(first, zone), last: dayAndTime(last, zone) })
        : say('steps.fileWithoutDates', { name })}
    </>
  )
}
