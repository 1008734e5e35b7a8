/** Less than this, and a photo or two fill the device. */
const LITTLE = 20 * 1024 * 1024

let asked = false

/** Asks the device, once, not to throw away what waits here when it needs room for something else. */
export async function keepRoom(): Promise<void> {
  if (asked) return
  asked = true
  await navigator.storage?.persist?.().catch(() => false)
}

/** Is the device nearly full? Where it does not say, it is not known to be. */
export async function isNearlyFull(): Promise<boolean> {
  const said = await navigator.storage?.estimate?.().catch(() => undefined)
  return said?.quota !== undefined && said.usage !== undefined && said.quota - said.usage < LITTLE
}
