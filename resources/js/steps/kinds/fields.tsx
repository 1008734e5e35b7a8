import { FieldsEntry } from '../FieldsEntry'
import { PrintedLabel } from '../ScanEntry'
import { usualOf, type Entering, type KindView } from './kind'

function Enter({ text, state, values, data, earlier, onRecord }: Entering): React.ReactElement {
  const printed = values[text.drawing?.['of'] ?? '']
  return (
    <>
      {text.drawing?.['shape'] === 'printed-label' && <PrintedLabel code={printed?.['code']} serial={printed?.['serial']} />}
      <FieldsEntry
        step={text}
        project={data.line.project_id}
        known={earlier ?? state.suggested}
        usual={usualOf(state)}
        onRecord={onRecord}
      />
    </>
  )
}

/** Kinds that ask for fields, one below the other. */
export const fields = (again: string, startsFromEarlier = false): KindView => ({ Enter, again, startsFromEarlier })
