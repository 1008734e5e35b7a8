import type { FieldSpec, StepText } from '../../resources/js/api/client'

/** More choices than these stand in a list of their own. */
const MOST_BUTTONS = 4

const given = (of: object, keys: string[]): string[] => {
  const said = of as Record<string, unknown>
  return keys.filter((key) => said[key] !== undefined && said[key] !== false)
}

const shapeOfField = (field: FieldSpec): unknown[] => [
  field.type,
  field.quantity,
  field.of,
  (field.options ?? []).length > MOST_BUTTONS,
  given(field, ['optional', 'suggest', 'preset', 'scanned', 'delivered', 'wanted', 'should']),
]

/**
 * What a page makes of a step, whatever its words, its limits and its rules are: two steps of one shape are the same to a
 * thumb.
 */
export const shapeOf = (text: StepText): string =>
  JSON.stringify([
    text.kind,
    text.each !== undefined,
    (text.fields ?? []).map(shapeOfField),
    text.drawing?.shape,
    text.figure?.shape,
    text.across,
    text.device,
    given(text, ['photo', 'optional', 'plan', 'wrench', 'live', 'none', 'reads', 'action', 'free', 'seals', 'confirms', 'model']),
    given(text, ['stand_in', 'gate', 'columns']),
  ])
