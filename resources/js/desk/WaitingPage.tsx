import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { WaitingRow } from '../api/client'
import { useWaiting } from '../api/queries'
import { say } from '../texts/say'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { useFirst } from '../ui/useFirst'
import { clockAndCountdown, useNow } from '../ui/useNow'

/** What is worst, and what is nearest at hand, first. */
const GROUPS = [
  ['bad', say('desk.bad')],
  ['decide', say('desk.toDecide')],
  ['sign', say('desk.toSign')],
  ['clock', say('desk.clocks')],
  ['go-on', say('desk.begun')],
] as const

/** Of each group so many, that the next group is not out of reach. */
const SHOWN = 12

/** No more of a kind are listed. */
const LISTED = 2_000

const PAGE = { joint: 'joints', test: 'tests', stretch: 'stretches' }
const addressOf = (row: WaitingRow): string => `/${PAGE[row.kind]}/${row.id}`

/** Across lines: what waits for who is signed in. */
export default function WaitingPage(): ReactElement {
  const waiting = useWaiting()
  const now = useNow(5_000)
  if (!waiting.data) return whileComing(waiting, { to: '/', label: say('common.lines') })
  const rows = waiting.data
  return (
    <Page title={say('desk.waitingForMe')} up={{ to: '/', label: say('common.lines') }}>
      {rows.length === 0 && <Typography sx={{ my: 3 }}>{say('desk.nothingWaits')}</Typography>}
      {GROUPS.map(([what, title]) => {
        const own = rows.filter((row) => row.what === what)
        if (what === 'clock') own.sort((a, b) => (a.at ?? '').localeCompare(b.at ?? ''))
        return own.length === 0 ? null : <Group key={what} what={what} title={title} rows={own} now={now} />
      })}
    </Page>
  )
}

function Group({ what, title, rows, now }: { what: string; title: string; rows: WaitingRow[]; now: number }): ReactElement {
  const { shown, others } = useFirst(rows, SHOWN)
  return (
    <Box component="section" aria-labelledby={`waiting-${what}`} sx={{ mt: 3 }}>
      <Typography id={`waiting-${what}`} variant="h2">
        {say('desk.groupOf', { title, count: rows.length < LISTED ? rows.length : say('desk.orMore', { count: LISTED }) })}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {shown.map((row) => (
          <Row key={row.id} row={row} now={now} />
        ))}
      </Box>
      {others}
    </Box>
  )
}

function Row({ row, now }: { row: WaitingRow; now: number }): ReactElement {
  const said =
    row.what === 'bad' || row.what === 'decide'
      ? row.text
      : row.what === 'clock' && row.at
        ? `${row.step}: ${clockAndCountdown(row.at, now, row.time_zone)}`
        : row.what === 'go-on'
          ? say('desk.nextStep', { step: row.step })
          : row.step
  return (
    <Box
      component="li"
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        minHeight: 56,
        py: 1,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '260px 1fr 260px' },
        columnGap: 3,
        alignItems: 'center',
      }}
    >
      <Link to={addressOf(row)} style={{ fontWeight: 700, padding: '10px 0' }}>
        {row.name}
      </Link>
      <span>{said}</span>
      <Box component="span" sx={{ color: 'text.secondary' }}>
        {row.practice ? say('desk.lineOfPractice', { line: row.line }) : row.line}
      </Box>
    </Box>
  )
}
