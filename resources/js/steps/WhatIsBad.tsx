import type { ReactElement } from 'react'
import type { StepState } from '../api/client'
import { Sentence } from '../ui/Verdict'

/** What is bad of a step that is done, and what to do; while it goes on, the headline says it. */
export function WhatIsBad({ state }: { state: StepState }): ReactElement | null {
  if (state.status !== 'done') return null
  return (
    <>
      {state.reasons
        .filter((r) => r.verdict === 'bad')
        .map((r) => (
          <Sentence key={r.text} verdict={r.verdict} act={r.do} limit={r.limit}>
            {r.text}
          </Sentence>
        ))}
    </>
  )
}
