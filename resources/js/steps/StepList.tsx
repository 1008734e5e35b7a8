import { Box } from '@mui/material'
import { memo, type ReactElement, type ReactNode } from 'react'
import type { StepState } from '../api/client'
import type { Waiting } from '../outbox/db'
import { tight, VerdictMark } from '../ui/Verdict'
import { say } from '../texts/say'
import { rowButton } from '../ui/rowButton'

interface Props {
  steps: StepState[]
  current: string
  /** what waits on this device, by key of its step */
  pending: Map<string, Waiting>
  /** the judgement that is shown has seen what waits at this step */
  seen: (step: StepState) => boolean
  onSelect: (key: string) => void
}

/** All steps with where they stand. */
export function StepList({ steps, current, pending, seen, onSelect }: Props): ReactElement {
  const numbers = new Map(steps.filter((s) => !s.optional).map((s, i) => [s.key, i + 1]))
  return (
    <Box component="ol" aria-label={say('steps.steps')} sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {steps.map((s) => (
        <Row
          key={s.key}
          step={s}
          number={numbers.get(s.key)}
          here={current === s.key}
          late={pending.get(s.key)}
          seen={pending.has(s.key) && seen(s)}
          onSelect={onSelect}
        />
      ))}
    </Box>
  )
}

interface RowProps {
  step: StepState
  number: number | undefined
  here: boolean
  late: Waiting | undefined
  seen: boolean
  onSelect: (key: string) => void
}

/** Of some twenty rows one or two change at a time. */
const Row = memo(function Row({ step, number, here, late, seen, onSelect }: RowProps): ReactElement {
  const faint = step.status === 'todo' && !here && !late
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider' }}>
      <Box
        component="button"
        type="button"
        onClick={() => onSelect(step.key)}
        aria-current={here ? 'step' : undefined}
        sx={{
          ...rowButton,
          minHeight: 44,
          fontWeight: here ? 700 : 400,
          color: faint ? 'text.secondary' : 'text.primary',
        }}
      >
        <Box sx={{ width: 26, display: 'grid', placeItems: 'center' }}>
          {late && !seen ? (
            <span aria-label={say('steps.notYetSent')}>●</span>
          ) : step.status === 'done' ? (
            <VerdictMark verdict={step.verdict} />
          ) : step.optional ? (
            '+'
          ) : (
            number
          )}
        </Box>
        <Box component="span" sx={{ flexGrow: 1, py: 0.75 }}>
          {step.title}
        </Box>
        <Box component="span" sx={{ textAlign: 'right', color: 'text.secondary', fontWeight: 400 }}>
          {late ? unsent(step, late, seen) : said(step)}
        </Box>
      </Box>
    </Box>
  )
})

const said = (s: StepState): ReactNode =>
  s.summary ? tight(s.summary) : s.status === 'running' ? say('steps.running') : s.optional ? say('steps.ifAny') : ''

function unsent(s: StepState, late: Waiting, seen: boolean): ReactNode {
  if (late.refused) return say('steps.isRefused')
  return seen && s.summary ? tight(say('steps.summaryNotYetSent', { summary: s.summary })) : say('steps.notYetSent')
}
