import { FieldsEntry } from '../FieldsEntry'
import { useOffers } from '../fields/useOffers'
import { PrintedLabel } from '../ScanEntry'
import { endsOf, usualOf, type Entering, type KindView } from './kind'

function Enter({ text, state, other, values, data, earlier, onRecord }: Entering): React.ReactElement {
  const printed = values[text.drawing?.['of'] ?? '']
  const offers = useOffers(data, state, values)
  return (
    <>
      {text.drawing?.['shape'] === 'printed-label' && <PrintedLabel code={printed?.['code']} serial={printed?.['serial']} />}
      <FieldsEntry
        step={text}
        project={data.line.project_id}
        known={earlier ?? state.suggested}
        usual={usualOf(state)}
        scanned={state.scanned as Record<string, unknown> | undefined}
        ends={other ? endsOf(state, other, data) : undefined}
        offers={earlier ? [] : offers}
        onRecord={onRecord}
      />
    </>
  )
}

/** Kinds that ask for fields, one below the other. */
export const fields = (again: string, startsFromEarlier = false): KindView => ({ Enter, again, startsFromEarlier, bothEnds: true })
