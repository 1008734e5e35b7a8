import { Box, Typography } from '@mui/material'
import type { ReactElement, ReactNode } from 'react'
import type { Reason, Verdict } from '../api/client'
import { say } from '../texts/say'

export const WORD: Record<Verdict, string> = { good: say('ui.good'), close: say('ui.close'), bad: say('ui.bad'), open: say('ui.open') }

/** Where a limit comes from, in a word; one that was read off a label or a tool says it by its source. */
const BY: Record<string, string> = {
  memory: say('ui.fromMemoryConfirmIt'),
  practice: say('ui.commonPractice'),
  project: say('ui.ofTheProject'),
}
const by = (limit: { certainty: string }): string => BY[limit.certainty] ?? ''

const FIGURE =
  /(\d{4}-\d\d-\d\d\.?|\d[\d.,:]* (?:(?:mm|cm|m|km|in|ft|s|min|h|V|A|VA|W|kJ|J|K|bar|kPa|MPa|psi|L|gal|N·m|kg|g)\b|%\/K|%|°C|°F|°|Ω))/

/** A figure stays on one line with its unit, and so does a date. */
export const tight = (text: string): ReactNode =>
  text.split(FIGURE).map((part, i) =>
    i % 2 === 1 ? (
      <span key={i} style={{ whiteSpace: 'nowrap' }}>
        {part}
      </span>
    ) : (
      part
    ),
  )

/** A shape for each verdict, so that it can be told in grey: tick, half ring, bar, open ring. */
export function VerdictMark({ verdict, size = 22 }: { verdict: Verdict; size?: number }): ReactElement {
  const stroke = verdict === 'bad' ? 'var(--accent)' : 'currentColor'
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      role="img"
      aria-label={WORD[verdict]}
      style={{ flex: 'none' }}
      fill="none"
      stroke={stroke}
      strokeWidth={2.6}
      strokeLinecap="round"
    >
      {verdict === 'good' && <path d="M4 13l5 5L20 6" />}
      {verdict === 'close' && <path d="M4 13l5 5L20 6M3 22h18" strokeWidth={2.2} />}
      {verdict === 'bad' && (
        <>
          <circle cx="12" cy="12" r="8.5" />
          <path d="M4 20L20 4" />
        </>
      )}
      {verdict === 'open' && <path d="M16.5 5.2A8.5 8.5 0 1 0 20.5 12" />}
    </svg>
  )
}

/** The judgement in a sentence with what to do now, the limit and its source beside it. */
export function Sentence({
  verdict,
  children,
  act,
  limit,
}: {
  verdict: Verdict
  children: ReactNode
  act?: ReactNode
  limit?: Reason['limit']
}): ReactElement {
  const urgent = verdict === 'bad'
  return (
    <Box sx={{ borderLeft: 6, borderColor: urgent ? 'secondary.main' : 'divider', pl: 2, py: 0.5 }}>
      <Typography sx={{ fontSize: { xs: '1.1rem', md: '1.25rem' }, fontWeight: 700, lineHeight: 1.35 }}>
        {WORD[verdict]}: {typeof children === 'string' ? tight(children) : children}
      </Typography>
      {act && (
        <Typography sx={{ fontSize: { xs: '1.1rem', md: '1.2rem' }, mt: 0.5 }}>{typeof act === 'string' ? tight(act) : act}</Typography>
      )}
      {limit && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {say('ui.limitSource', {
            label: limit.label,
            shown: limit.shown ?? String(limit.value),
            source: limit.source,
            // A source that says it by itself does not say it twice.
            certainty: by(limit).includes(limit.source.split(',')[0]!) ? '' : by(limit),
          })}
        </Typography>
      )}
    </Box>
  )
}
