import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { KINDS } from './index'

test('each kind of step that a procedure may have is taken and shown, and no other', () => {
  const schema = JSON.parse(readFileSync('core/data/schema/procedure.json', 'utf8')) as {
    $defs: { step: { properties: { kind: { enum: string[] } } } }
  }
  expect(Object.keys(KINDS).sort()).toEqual([...schema.$defs.step.properties.kind.enum].sort())
})
