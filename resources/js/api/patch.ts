import type { QueryClient } from '@tanstack/react-query'
import type { LineFull, Recorded, Subject } from './client'
import { idOf, subjectAt } from './subject'

/**
 * Puts what a recorded fact changed into what the pages know: the joint or test, and its rows in the lists of the line. What
 * the answer does not carry (facts of others that are not known here, a seal) is read anew; the line is not.
 */
export function patch(known: QueryClient, subject: string, recorded: Recorded): void {
  const key = subject.split('/')
  let complete = false
  known.setQueryData<Subject>(key, (old) => {
    if (!old) return old
    const facts = old.facts.some((f) => f.id === recorded.fact.id) ? old.facts : [...old.facts, recorded.fact]
    complete = facts.length === recorded.facts && old.closed === recorded.closed
    return { ...old, judgement: recorded.judgement, state: recorded.state, facts }
  })
  if (!complete) void known.invalidateQueries({ queryKey: key })
  const rows = new Map(recorded.rows.map((row) => [row.id, row]))
  const put = <T extends { id: string }>(row: T): T => (rows.get(row.id) as T | undefined) ?? row
  known.setQueryData<LineFull>(
    ['lines', recorded.line_id],
    (line) =>
      line && {
        ...line,
        joints: line.joints.map(put),
        sections: line.sections.map((s) => ({ ...s, tests: s.tests.map(put) })),
        stretches: line.stretches.map(put),
      },
  )
  // What hangs on it, such as the joint whose pipes a restraint holds.
  for (const id of rows.keys()) if (id !== idOf(subject)) void known.invalidateQueries({ queryKey: subjectAt('joint', id).split('/') })
  for (const list of ['log', 'register']) void known.invalidateQueries({ queryKey: ['lines', recorded.line_id, list] })
  void known.invalidateQueries({ queryKey: ['lines'], exact: true })
  void known.invalidateQueries({ queryKey: ['waiting'] })
}
