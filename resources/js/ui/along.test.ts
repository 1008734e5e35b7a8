import { expect, it } from 'vitest'
import { along } from './along'

const line = [
  [0, 100, 50],
  [60, 160, 53],
  [100, 160, 51],
]

it.each([
  [0, [0, 100, 50]],
  [30, [30, 130, 51.5]],
  [60, [60, 160, 53]],
  [80, [80, 160, 52]],
  [100, [100, 160, 51]],
])('at chainage %s it is between the points beside it', (chainage, row) => expect(along(line, chainage)).toEqual(row))
