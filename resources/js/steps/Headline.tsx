import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { Clock, Subject } from '../api/client'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence } from '../ui/Verdict'
import { say } from '../texts/say'

interface Props {
  data: Subject
  /** entries that are not yet sent */
  pendingCount: number
  judgedHere: boolean
  /** the step at hand: the clock whose waiting ends with it stands there */
  step: string
  /** the step above says the worst already */
  saidAbove: boolean
}

/** The one sentence: what is worst, or what comes next. */
export function Headline({ data, pendingCount, judgedHere, step, saidAbove }: Props): ReactElement {
  const { judgement } = data
  const worst = judgement.reasons[0]
  const next = judgement.steps.find((s) => s.key === judgement.next)
  const clocks = judgement.clocks.filter((c) => c.until !== step)
  const waits = clocks.length > 0 && data.state !== 'accepted' && data.state !== 'cut-out' && judgement.verdict !== 'bad'
  const now = useNow(waits ? 1000 : null)
  return (
    <Box aria-live="polite">
      {data.closed && <Typography sx={{ fontWeight: 700, mb: 1 }}>{data.closed}</Typography>}
      {/* On the phone the step above says it already. */}
      <Box sx={{ display: { xs: saidAbove ? 'none' : 'block', md: 'block' } }}>
        {judgement.verdict === 'bad' && worst ? (
          <Sentence verdict="bad" act={worst.do} limit={worst.limit}>
            {worst.text}
          </Sentence>
        ) : judgement.verdict === 'open' ? (
          <Sentence verdict="open" act={worst && worst.verdict === 'open' ? worst.do : undefined}>
            {worst && worst.verdict === 'open'
              ? worst.text
              : next
                ? say('steps.nextIs', { title: next.title })
                : say('steps.nothingIsLeftToRecordHere')}
          </Sentence>
        ) : (
          <Sentence verdict={judgement.verdict} limit={worst?.limit} act={worst?.do}>
            {worst ? worst.text : say('steps.everyLimitIsMet')}
          </Sentence>
        )}
      </Box>
      {waits && <Clocks clocks={clocks} now={now} zone={data.line.time_zone} />}
      {pendingCount > 0 && (
        <Typography sx={{ mt: 1, pl: 2.75, color: 'secondary.main', fontWeight: 700 }}>{unsent(pendingCount, judgedHere)}</Typography>
      )}
    </Box>
  )
}

function unsent(count: number, judgedHere: boolean): string {
  const judged = judgedHere ? say('steps.judgedOnThisDeviceByThe') : say('steps.judgementWaits', { count })
  return say('steps.entriesNotYetSent', { count, judged })
}

/** Every clock of a joint, those that still run first. */
function Clocks({ clocks, now, zone }: { clocks: Clock[]; now: number; zone: string }): ReactElement {
  const running = clocks.filter((c) => Date.parse(c.at) > now)
  return (
    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, pl: 2.75 }}>
      {(running.length > 0 ? running : clocks.slice(-1)).map((c) => (
        <li key={c.name}>
          {c.label} <strong>{clockAndCountdown(c.at, now, zone)}</strong>
        </li>
      ))}
    </Box>
  )
}
