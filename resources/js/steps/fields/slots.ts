import type { FieldSpec, Usual } from '../../api/client'

/** Whose fields they are: of the step itself, or of one of the two pipe ends that are taken on one page. */
export interface End {
  /** key of its step; empty for a step by itself */
  key: string
  name: string
  /** what is filled in, as it is stored: suggested, or entered before */
  known?: Record<string, unknown> | undefined
  /** between what its figures usually lie, by field */
  usual?: Record<string, Usual> | undefined
  /** what a scanned code says of it, by field */
  scanned?: Record<string, unknown> | undefined
}

/** One thing that is asked for at one end. */
export interface Slot {
  id: string
  field: FieldSpec
  end: End
}

export const slotsOf = (fields: FieldSpec[], ends: End[]): Slot[] =>
  ends.flatMap((end) => fields.map((field) => ({ id: end.key === '' ? field.key : `${end.key}/${field.key}`, field, end })))

export const isFigure = (f: FieldSpec): boolean => f.quantity !== undefined || (f.type ?? 'number') === 'number'

/** The answer of a sound joint, where there is one. */
export const shouldBe = (f: FieldSpec): boolean | undefined => (f.type === 'yesno' ? (f.want ?? f.should) : undefined)
