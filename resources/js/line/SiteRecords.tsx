import { Box, Button, Link as MuiLink, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, type LineFull, type ProcedureShort, type StretchShort } from '../api/client'
import { useProcedures } from '../api/queries'
import { pageOf } from '../api/subject'
import { useVerb } from '../api/useVerb'
import { Refused } from '../ui/Refused'
import { useShow } from '../ui/units'
import { VerdictMark } from '../ui/Verdict'
import { stateWord } from '../texts/words'
import { say } from '../texts/say'

/** As the server calls the record of a day. */
const dayName = (now: number, timeZone: string): string =>
  new Date(now).toLocaleDateString('en-GB', { timeZone, day: 'numeric', month: 'long', year: 'numeric' })

/** Records of the line that are of no joint and no test: the day, deliveries, what lies along it. */
export function SiteRecords({ line, now }: { line: LineFull; now: number }): ReactElement | null {
  const procedures = (useProcedures().data ?? []).filter((p) => p.family === 'stretch' && p.place === 'line')
  if (procedures.length === 0 && line.stretches.length === 0) return null
  const today = line.stretches.find((s) => s.daily && s.name === dayName(now, line.time_zone))
  const ofDay = procedures.find((p) => p.daily)
  const along = line.stretches.filter((s) => s.place === 'stretch')
  const others = line.stretches.filter((s) => s.place === 'line' && s !== today)
  return (
    <Box component="section" aria-labelledby="records" sx={{ mt: 3 }}>
      <Typography id="records" variant="h2" sx={{ mb: 1 }}>
        {say('line.theDayAndTheSite')}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1 }}>
        {today ? (
          <Button component={Link} to={pageOf('stretch', today.id)} variant="outlined">
            {today.state === 'accepted'
              ? say('line.todayIsClosed')
              : say('line.todaySoFar', { title: today.of, done: today.done, total: today.total })}
          </Button>
        ) : (
          ofDay && <Begin line={line} procedure={ofDay} label={say('line.beginTheDay')} />
        )}
        {procedures
          .filter((p) => !p.daily)
          .map((p) => (
            <Begin key={p.hash} line={line} procedure={p} label={say('line.newRecord', { title: p.title.toLowerCase() })} />
          ))}
      </Box>
      <Rows all={others} />
      {along.length > 0 && (
        <>
          <Typography variant="h3" component="h3" sx={{ mt: 2, mb: 0.5 }}>
            {say('line.alongTheLine')}
          </Typography>
          <Rows all={along} />
        </>
      )}
    </Box>
  )
}

/** One tap begins it: of the line as a whole there is nothing to ask first. */
function Begin({ line, procedure, label }: { line: LineFull; procedure: ProcedureShort; label: string }): ReactElement {
  const navigate = useNavigate()
  const begin = useVerb(
    () => api.post<{ id: string }>(`/lines/${line.id}/stretches`, { procedure_hash: procedure.hash }),
    (made) => void navigate(pageOf('stretch', made.id)),
  )
  return (
    <Box>
      <Button variant="outlined" disabled={begin.busy} onClick={() => begin.run()}>
        {label}
      </Button>
      <Refused why={begin.fault} />
    </Box>
  )
}

/** What is still open first; what is signed stands folded below. */
function Rows({ all }: { all: StretchShort[] }): ReactElement {
  const [more, setMore] = useState(false)
  const signed = all.filter((s) => s.state === 'accepted')
  const shown = more ? all : all.filter((s) => s.state !== 'accepted')
  return (
    <>
      {shown.map((s) => (
        <Row key={s.id} stretch={s} />
      ))}
      {signed.length > 0 && !more && (
        <Button sx={{ px: 0.5, fontWeight: 400, color: 'text.secondary' }} onClick={() => setMore(true)}>
          {say('line.signedRecords', { count: signed.length })}
        </Button>
      )}
    </>
  )
}

function Row({ stretch: s }: { stretch: StretchShort }): ReactElement {
  const show = useShow()
  const at = (m: number): string => show('x_m', 'length', m)
  const where =
    s.place === 'line'
      ? null
      : s.to_m === null
        ? say('common.at', { from: at(s.from_m) })
        : say('line.fromTo', { from: at(s.from_m), to: at(s.to_m) })
  const stands = s.verdict === 'bad' && s.headline ? s.headline : s.state === 'accepted' ? stateWord(s.state) : null
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'center' }}>
      <VerdictMark verdict={s.verdict} />
      <Typography sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
        <MuiLink component={Link} to={pageOf('stretch', s.id)}>
          {s.name}
        </MuiLink>
        {[s.daily || s.name.startsWith(s.of) ? null : s.of, where, stands]
          .filter((part) => part !== null)
          .map((part) => ` · ${part}`)
          .join('')}
      </Typography>
    </Box>
  )
}
