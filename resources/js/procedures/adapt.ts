import type { ProcedureText, StepText } from '../api/client'

/** A procedure as it is being written: whatever its text holds goes back as it came. */
export type Draft = ProcedureText & { schema?: string; steps: StepText[] }

type Limit = ProcedureText['parameters'][string]

/** A new figure of a limit is the project's own, and says where it comes from. */
export const withLimit = (draft: Draft, name: string, change: Partial<Pick<Limit, 'value' | 'source'>>): Draft => ({
  ...draft,
  parameters: { ...draft.parameters, [name]: { ...draft.parameters[name]!, ...change, certainty: 'project' } },
})

/** Without a step, and without its name where others wait for it; what else speaks of it is named when it is tried. */
export function withoutStep(draft: Draft, index: number): Draft {
  const { id } = draft.steps[index]!
  const steps = draft.steps.filter((_, i) => i !== index)
  if (steps.some((s) => s.id === id)) return { ...draft, steps }
  const rest = (names: string[] | undefined): string[] | undefined => names?.filter((name) => name.split('@')[0] !== id)
  const others = steps.map((s) => ({
    ...s,
    ...(s.after ? { after: rest(s.after)! } : {}),
    ...(s.needs_good ? { needs_good: rest(s.needs_good)! } : {}),
  }))
  const left = limitsIn({ ...draft, parameters: {}, steps: others })
  const alone = limitsIn(draft.steps[index]!).filter((name) => !left.includes(name))
  const parameters = Object.fromEntries(Object.entries(draft.parameters).filter(([name]) => !alone.includes(name)))
  return { ...draft, steps: others, parameters }
}

/** Names of the limits that a text speaks of. */
export const limitsIn = (text: unknown): string[] => [...new Set(JSON.stringify(text).match(/(?<=[$.{]param\.)[a-z0-9_]+/g) ?? [])]

/** Steps of the text that are in it no more and keep people from harm. */
export const guardsLeftOut = (draft: Draft, from: Draft): string[] => {
  const ids = new Set(draft.steps.map((s) => s.id))
  return from.steps.filter((s) => !ids.has(s.id) && (s.gate || (s.cautions ?? []).length > 0)).map(plainTitle)
}

/** Its title without the side on which it is done. */
export const plainTitle = (step: StepText): string => step.title.replace(/,?\s*\{side\}/, '')

/** What is asked for at a step that somebody adds. */
export interface Asked {
  label: string
  /** a question with the answer of a sound joint, or a figure */
  kind: 'yes' | 'no' | 'length' | 'temperature' | 'pressure' | 'time' | 'text'
}

const UNIT: Partial<Record<Asked['kind'], string>> = { length: 'mm', temperature: 'c', pressure: 'kpa', time: 'min' }

/** A name that stands in a file: letters, digits and strokes. */
export const slug = (text: string, between = '-'): string =>
  text
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, between)
    .slice(0, 40) || 'step'

/** A step after another one; its name is one that no other step has. */
export function withStep(draft: Draft, after: number, step: { title: string; why: string; asked: Asked[] }): Draft {
  const taken = new Set(draft.steps.map((s) => s.id))
  const base = slug(step.title)
  let id = base
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`
  const before = draft.steps[after]!
  const keys = new Set<string>()
  const fields = step.asked.map((asked) => {
    const unit = UNIT[asked.kind]
    const stem = slug(asked.label, '_')
    let key = unit ? `${stem}_${unit}` : stem
    for (let n = 2; keys.has(key); n++) key = unit ? `${stem}_${n}_${unit}` : `${stem}_${n}`
    keys.add(key)
    const label = asked.label.trim()
    if (asked.kind === 'yes' || asked.kind === 'no') return { key, label, type: 'yesno', want: asked.kind === 'yes' }
    return asked.kind === 'text' ? { key, label, type: 'text' } : { key, label, quantity: asked.kind }
  })
  const isChecked = step.asked.every((a) => a.kind === 'yes' || a.kind === 'no')
  const added = {
    id,
    ...(before.stage ? { stage: before.stage } : {}),
    kind: isChecked ? 'check' : 'number',
    title: step.title.trim(),
    ...(step.why.trim() === '' ? {} : { why: step.why.trim() }),
    fields,
  } as StepText
  return { ...draft, steps: [...draft.steps.slice(0, after + 1), added, ...draft.steps.slice(after + 1)] }
}

/** As it is sent: the mark of the text that it was copied from is not its own. */
export function sent(draft: Draft): Omit<Draft, 'hash'> {
  const { hash: _copied, ...own } = draft
  return own
}

/** Limits whose figure was changed and whose source is still that of the old one, or none. */
export const withoutSource = (draft: Draft, from: Draft): string[] =>
  Object.keys(draft.parameters).filter((name) => {
    const [now, was] = [draft.parameters[name]!, from.parameters[name]]
    return was !== undefined && now.value !== was.value && ((now.source ?? '').trim() === '' || now.source === was.source)
  })
