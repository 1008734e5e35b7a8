import { FieldsEntry } from '../FieldsEntry'
import { PrintedLabel } from '../ScanEntry'
import type { Entering, KindView } from './kind'

/** What is known already is filled in. */
const suggested = (known: Record<string, unknown>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(known)
      .filter(([, v]) => typeof v === 'string' || typeof v === 'number')
      .map(([key, v]) => [key, String(v)]),
  )

function Enter({ text, state, values, data, onRecord }: Entering): React.ReactElement {
  const printed = values[text.drawing?.['of'] ?? '']
  return (
    <>
      {text.drawing?.['shape'] === 'printed-label' && <PrintedLabel code={printed?.['code']} serial={printed?.['serial']} />}
      <FieldsEntry step={text} project={data.line.project_id} start={suggested(state.suggested)} onRecord={onRecord} />
    </>
  )
}

/** Kinds that ask for fields, one below the other. */
export const fields = (again: string): KindView => ({ Enter, again })
