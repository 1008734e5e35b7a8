import { BoltsEntry, RecordedBolts } from '../BoltsEntry'
import type { KindView } from './kind'
import { say } from '../../texts/say'

export const bolts: KindView = {
  Enter: ({ path, state, data, onRecord }) => <BoltsEntry path={path} state={state} facts={data.facts} onRecord={onRecord} />,
  Shown: ({ state, data }) => <RecordedBolts state={state} facts={data.facts} />,
  again: say('steps.correctThis'),
  inParts: true,
}
