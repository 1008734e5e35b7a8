import { BoltsEntry, RecordedBolts } from '../BoltsEntry'
import type { KindView } from './kind'
import { say } from '../../texts/say'

export const bolts: KindView = {
  Enter: ({ path, state, data, lost, onRecord, onDone }) => (
    <BoltsEntry
      path={path}
      state={state}
      facts={data.facts}
      practice={data.line.practice}
      lost={lost}
      onRecord={onRecord}
      onDone={onDone}
    />
  ),
  Shown: ({ state, data }) => <RecordedBolts state={state} facts={data.facts} />,
  again: say('steps.correctThis'),
  inParts: true,
}
