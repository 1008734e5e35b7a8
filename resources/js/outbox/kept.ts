import { say } from '../texts/say'

/** The device has not kept it: full, or its database does not answer. Whoever typed it is told at once. */
export class NotKept extends Error {
  constructor() {
    super(`${say('steps.notKept')} ${say('steps.notKeptDo')}`)
  }
}

/** What is written on the device, or {@see NotKept}. */
export async function kept<T>(writing: PromiseLike<T>): Promise<T> {
  try {
    return await writing
  } catch {
    throw new NotKept()
  }
}
