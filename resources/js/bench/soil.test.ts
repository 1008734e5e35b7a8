import { expect, it } from 'vitest'
import { keyShown } from './soil'

it('reads soil in its own unit, and leaves water, densities and lengths as they are', () => {
  expect(keyShown('surplus_loose_m3', 'volume', true)).toBe('surplus_loose_earth_m3')
  expect(keyShown('volume_m3', 'volume', false)).toBe('volume_m3')
  expect(keyShown('bank_density_kg_m3', 'density', true)).toBe('bank_density_kg_m3')
  expect(keyShown('top_width_m', 'length', true)).toBe('top_width_m')
})
