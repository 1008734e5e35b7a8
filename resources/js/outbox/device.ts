import { newId } from './id'

const DEVICE = 'diastoma.device'

/** This device, among all from which readings come: a number of its own that says nothing of the person. */
export function deviceId(): string {
  const known = localStorage.getItem(DEVICE)
  if (known) return known
  const made = newId()
  try {
    localStorage.setItem(DEVICE, made)
  } catch {
    // Without room it has another number the next time: the reading itself is what counts.
  }
  return made
}
