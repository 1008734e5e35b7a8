import { say, type MessageId } from '../texts/say'

/** What browsers say of the thing they run on, as the standards of the web ask them to. */
const THINGS: [RegExp, MessageId][] = [
  [/Mobi/, 'account.aPhone'],
  [/Tablet/, 'account.aTablet'],
  [/^Mozilla\//, 'account.aComputer'],
]

/** What a person calls the device from which a session came. */
export const programOf = (agent: string | null): string =>
  say(THINGS.find(([pattern]) => pattern.test(agent ?? ''))?.[1] ?? 'account.anotherProgram')
