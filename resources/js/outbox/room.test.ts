import { afterEach, expect, test, vi } from 'vitest'
import { isNearlyFull } from './room'

const says = (estimate: unknown): unknown => vi.stubGlobal('navigator', { storage: { estimate: async () => estimate } })
const MB = 1024 * 1024

afterEach(() => vi.unstubAllGlobals())

test('twenty megabytes are little, and a device that says nothing is not called full', async () => {
  says({ quota: 100 * MB, usage: 80 * MB })
  expect(await isNearlyFull()).toBe(false)
  says({ quota: 100 * MB, usage: 80 * MB + 1 })
  expect(await isNearlyFull()).toBe(true)
  says({})
  expect(await isNearlyFull()).toBe(false)
  vi.stubGlobal('navigator', {})
  expect(await isNearlyFull()).toBe(false)
})
