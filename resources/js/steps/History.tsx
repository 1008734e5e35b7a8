import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { Subject } from '../api/client'
import { VerdictMark } from '../ui/Verdict'
import { say } from '../texts/say'

/** What was entered again before it came to be signed: what had been said of it, by whom and why it does not count. */
export function History({ data }: { data: Subject }): ReactElement {
  // What a device kept from an earlier version does not say it.
  const replaced = (data.judgement.replaced as Subject['judgement']['replaced'] | undefined) ?? []
  const bad = replaced.filter((r) => r.verdict === 'bad').length
  return (
    <Box>
      <Typography sx={{ fontWeight: 700 }}>{say('steps.entriesReplaced', { count: replaced.length, bad })}</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {replaced.map((r) => {
          const by = data.facts.find((f) => f.id === r.replaced_by)
          return (
            <Box key={r.fact_id} component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5 }}>
              <VerdictMark verdict={r.verdict} />
              <Box sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
                <Typography>
                  <strong>{r.title}</strong>
                  {r.text ? ` · ${r.text}` : ''}
                </Typography>
                <Typography variant="body2">
                  {say('steps.enteredAgain', { by: by?.by || say('steps.you'), reason: by?.reason || say('steps.noReasonKept') })}
                </Typography>
              </Box>
            </Box>
          )
        })}
      </Box>
    </Box>
  )
}
