import type { DayPage } from '../api/client'
import type { MessageId } from '../texts/say'

type ActName = DayPage['acts'][number]['act']

/** What an act is called beside its figure. */
export const ACT: Record<ActName, MessageId> = {
  prepare: 'day.act.prepare',
  fit: 'day.act.fit',
  fuse: 'day.act.fuse',
  cool: 'day.act.cool',
  rest: 'day.act.rest',
  test: 'day.act.test',
}

/** And in a sentence: "how long it takes …". */
const TO: Record<string, MessageId> = {
  prepare: 'day.to.prepare',
  fit: 'day.to.fit',
  fuse: 'day.to.fuse',
  cool: 'day.to.cool',
  rest: 'day.to.rest',
  test: 'day.to.test',
} satisfies Record<ActName, MessageId>
export const toDo = (act: string): MessageId => TO[act] ?? 'day.to.prepare'

/** From Monday. */
export const WEEKDAYS: MessageId[] = [
  'day.weekday.1',
  'day.weekday.2',
  'day.weekday.3',
  'day.weekday.4',
  'day.weekday.5',
  'day.weekday.6',
  'day.weekday.7',
]
