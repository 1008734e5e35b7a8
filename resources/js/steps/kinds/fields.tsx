import { useContext } from 'react'
import { FieldsEntry } from '../FieldsEntry'
import { boundariesOf } from '../course'
import { ChartPlace } from '../ChartPlace'
import { CourseOver } from '../CourseOver'
import { useOffers } from '../fields/useOffers'
import { logClock } from '../logClock'
import { PrintedLabel } from '../ScanEntry'
import { endsOf, usualOf, type Entering, type KindView } from './kind'

function Enter({ text, state, other, values, data, earlier, onRecord }: Entering): React.ReactElement {
  const course = boundariesOf(text)
  const isAbove = useContext(ChartPlace) !== null
  const log = values[course?.of ?? ''] as { first_at?: string; started_at?: string } | undefined
  const clock = logClock(log?.first_at ?? log?.started_at ?? null, data.line.time_zone)
  const printed = values[text.drawing?.['of'] ?? '']
  const offers = useOffers(data, state, values)
  return (
    <>
      {text.drawing?.['shape'] === 'printed-label' && <PrintedLabel code={printed?.['code']} serial={printed?.['serial']} />}
      <FieldsEntry
        step={text}
        project={data.line.project_id}
        // Times read off a chart are put right, not measured anew.
        known={earlier ?? (course ? values[state.key] : undefined) ?? state.suggested}
        padless={course !== null && isAbove}
        extraBelow={!isAbove}
        usual={usualOf(state)}
        scanned={state.scanned as Record<string, unknown> | undefined}
        ends={other ? endsOf(state, other, data) : undefined}
        offers={earlier ? [] : offers}
        batches={data.batches}
        clock={clock}
        extra={
          course
            ? (set, entered) => <CourseOver at={{ text, data, state }} of={course.of} values={entered} onMove={set} clock={clock} />
            : undefined
        }
        onRecord={onRecord}
      />
    </>
  )
}

/** Kinds that ask for fields, one below the other. */
export const fields = (again: string, startsFromEarlier = false): KindView => ({ Enter, again, startsFromEarlier, bothEnds: true })
