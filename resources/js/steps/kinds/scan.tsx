import { ScanEntry } from '../ScanEntry'
import type { KindView } from './kind'
import { say } from '../../texts/say'

export const scan: KindView = {
  Enter: ({ text, data, onRecord }) => <ScanEntry step={text} project={data.line.project_id} onRecord={onRecord} />,
  again: say('steps.correctThis'),
}
