import { Box } from '@mui/material'
import { memo, useState, type ReactElement, type ReactNode } from 'react'
import type { StepState } from '../api/client'
import type { Waiting } from '../outbox/db'
import { say } from '../texts/say'
import { stageWord } from '../texts/words'
import { rowButton } from '../ui/rowButton'
import { tight, VerdictMark } from '../ui/Verdict'
import { stagesOf, type StageOfWork } from './stages'

interface Props {
  steps: StepState[]
  current: string
  /** what waits on this device, by key of its step */
  pending: Map<string, Waiting>
  /** the judgement that is shown has seen what waits at this step */
  seen: (step: StepState) => boolean
  onSelect: (key: string) => void
}

/** All steps with where they stand: the stage at hand spread out, each of the others a line. */
export function StepList({ steps, current, pending, seen, onSelect }: Props): ReactElement {
  const numbers = new Map(steps.filter((s) => !s.optional).map((s, i) => [s.key, i + 1]))
  const stages = stagesOf(steps)
  const [looked, setLooked] = useState<ReadonlySet<number>>(new Set())
  const row = (s: StepState): ReactElement => (
    <Row
      key={s.key}
      step={s}
      number={numbers.get(s.key)}
      here={current === s.key}
      late={pending.get(s.key)}
      seen={pending.has(s.key) && seen(s)}
      onSelect={onSelect}
    />
  )
  return (
    <Box component="ol" aria-label={say('steps.steps')} sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {stages.map((stage, i) => {
        if (stages.length === 1) return stage.steps.map(row)
        const isAtHand = stage.steps.some((s) => s.key === current)
        const isOpen = isAtHand || looked.has(i)
        return (
          <Box component="li" key={stage.steps[0]!.key} sx={{ borderTop: 1, borderColor: 'divider' }}>
            <StageLine
              stage={stage}
              late={stage.steps.filter((s) => pending.has(s.key)).length}
              open={isOpen}
              here={isAtHand}
              onToggle={() => setLooked((all) => new Set(all.has(i) ? [...all].filter((n) => n !== i) : [...all, i]))}
            />
            {isOpen && (
              <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0, pl: 2 }}>
                {stage.steps.map(row)}
              </Box>
            )}
          </Box>
        )
      })}
    </Box>
  )
}

interface StageProps {
  stage: StageOfWork
  /** how many of its steps wait on this device */
  late: number
  open: boolean
  here: boolean
  onToggle: () => void
}

/** One stage of the work in a line: its name, how far it is, and the worst of it. */
function StageLine({ stage, late, open, here, onToggle }: StageProps): ReactElement {
  return (
    <Box
      {...(here ? {} : { component: 'button', type: 'button', 'aria-expanded': open, onClick: onToggle })}
      sx={{ ...rowButton, cursor: here ? 'default' : 'pointer', minHeight: 48, fontWeight: here ? 700 : 400, color: 'text.primary' }}
    >
      <Box sx={{ width: 26, display: 'grid', placeItems: 'center' }}>
        {stage.done > 0 && (stage.done === stage.all || stage.verdict === 'bad') ? <VerdictMark verdict={stage.verdict} /> : null}
      </Box>
      <Box component="span" sx={{ flexGrow: 1, py: 0.75 }}>
        {stageWord(stage.name)}
      </Box>
      <Box component="span" sx={{ color: 'text.secondary', fontWeight: 400 }}>
        {late > 0 ? say('steps.stageLate', { late }) : stage.done === 0 ? '' : say('steps.ofSteps', { done: stage.done, all: stage.all })}
      </Box>
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
