import { EntriesEntry } from '../EntriesEntry'
import { entriesOf } from '../entries'
import { ListOfEntries } from '../ListOfEntries'
import type { KindView } from './kind'
import { say } from '../../texts/say'

/** A list that grows one entry at a time. */
export const entries: KindView = {
  Enter: (at) => <EntriesEntry {...at} />,
  Shown: ({ path, data, state, text }) => (
    <ListOfEntries fields={text.fields ?? []} entries={entriesOf(state.key, data.facts).entries} subject={path} photos={data.photos} />
  ),
  again: say('steps.addOrChange'),
  inParts: true,
  ownPhotos: true,
}
