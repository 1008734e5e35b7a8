import { ScanEntry } from '../ScanEntry'
import type { KindView } from './kind'

export const scan: KindView = {
  Enter: ({ text, data, onRecord }) => <ScanEntry step={text} project={data.line.project_id} onRecord={onRecord} />,
  again: 'Correct this',
}
