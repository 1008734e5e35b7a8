import { Box, Button, Link as MuiLink, TextField, Typography } from '@mui/material'
import { useEffect, useState, type ReactElement } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import type { JointShort, LineFull } from '../api/client'
import { useLine, useProcedure } from '../api/queries'
import { useOutbox } from '../outbox/useOutbox'
import { coolingUntil, faceOf, LineString } from '../ui/LineString'
import { Loading } from '../ui/Loading'
import { Page } from '../ui/Page'
import { Sheet } from '../ui/Sheet'
import { useShow } from '../ui/units'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence, VerdictMark } from '../ui/Verdict'

/** The day: where the face is, what comes next, which clocks run, what holds the next test up. */
export default function LinePage(): ReactElement {
  const { id = '' } = useParams()
  const query = useLine(id)
  const procedure = useProcedure(query.data?.procedure.hash)
  const navigate = useNavigate()
  const now = useNow(1000)
  const show = useShow()
  const waiting = useOutbox()
  const [find, setFind] = useState(false)
  useEffect(() => {
    const keys = (e: KeyboardEvent): void => {
      if (e.key === '/' && !['INPUT', 'TEXTAREA'].includes((e.target as HTMLElement).tagName)) {
        e.preventDefault()
        setFind(true)
      }
    }
    window.addEventListener('keydown', keys)
    return () => window.removeEventListener('keydown', keys)
  }, [])
  if (!query.data) return <Loading query={query} up={{ to: '/', label: 'Lines' }} />
  const line = query.data
  const face = faceOf(line.joints)
  const cooling = line.joints.filter((j) => coolingUntil(j, now) !== null)
  const ready = line.joints.filter((j) => j.state === 'begun' && j.clocks?.['clamps_off'] && coolingUntil(j, now) === null && j.verdict !== 'bad')
  const bad = line.joints.filter((j) => j.verdict === 'bad' && j.state !== 'cut-out' && j.clocks?.['clamps_off'])
  const unsigned = line.joints.filter((j) => j.state === 'made')
  const stepTitle = face && procedure.data?.steps.find((s) => s.id === face.next_step?.split('@')[0])?.title
  const side = face?.next_step?.split('@')[1]
  const title = stepTitle?.replace('{side}', side ? `pipe ${face?.pipes?.[side] ?? side}` : '')
  const next = line.sections.find((s) => !s.tests.some((t) => t.state === 'accepted'))
  const holding = next ? line.joints.filter((j) => j.chainage_m > next.from_m - 1e-6 && j.chainage_m < next.to_m + 1e-6 && j.state !== 'accepted' && j.state !== 'cut-out') : []

  return (
    <Page wide title={line.name} up={{ to: '/', label: 'Lines' }}>
      <LineString joints={line.joints} sections={line.sections} startM={line.start_m} lengthM={line.length_m} service={line.service} profile={line.centre_line} now={now} onOpen={(j) => void navigate(`/joints/${j}`)} unsent={new Set(waiting.map((w) => w.subject.slice(7)))} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1fr 1fr' }, columnGap: 6, rowGap: 4, mt: 3 }}>
        <Box component="section" aria-labelledby="face">
          <Typography id="face" variant="h2">Next at the face</Typography>
          {face ? (
            <>
              <Typography sx={{ fontSize: '1.3rem', my: 1 }}>
                Joint <strong>{face.number}</strong> at {show('x_m', 'length', face.chainage_m)}, pipes {face.pipes?.['a']} → {face.pipes?.['b']}: <strong>{title ?? 'begin'}</strong>.
              </Typography>
              {face.verdict === 'bad' && face.headline && <Box sx={{ mb: 1.5 }}><Sentence verdict="bad">{face.headline}</Sentence></Box>}
              <Button variant="contained" fullWidth onClick={() => void navigate(`/joints/${face.id}`)}>{face.state === 'planned' ? `Begin joint ${face.number}` : `Go on with joint ${face.number}`}</Button>
            </>
          ) : (
            <Typography sx={{ my: 1 }}>Every joint of this line is made.</Typography>
          )}
          {bad.length > 0 && <List title="Bad: waits for a cut-out" joints={bad} note={(j) => j.headline ?? ''} />}
          {unsigned.length > 0 && <List title="Waits for a signature" joints={unsigned} note={() => 'made, not yet accepted'} />}
        </Box>
        <Box component="section" aria-labelledby="clocks">
          <Typography id="clocks" variant="h2" sx={{ mb: 1 }}>Clocks</Typography>
          {cooling.length === 0 && ready.length === 0 && <Typography sx={{ my: 1 }}>No joint is cooling.</Typography>}
          {cooling.map((j) => <Clock key={j.id} joint={j} text={`clamps off ${clockAndCountdown(j.clocks!['clamps_off']!, now, line.time_zone)}`} />)}
          {ready.map((j) => <Clock key={j.id} joint={j} text="cooled: clamps may come off" />)}
          <Typography variant="h2" sx={{ mt: 3 }}>Next test</Typography>
          {next ? (
            <Typography sx={{ my: 1 }}>
              <MuiLink component={Link} to={`/sections/${next.id}`}>{next.name}</MuiLink>, {show('x_m', 'length', next.from_m, 0)} to {show('x_m', 'length', next.to_m, 0)}:{' '}
              {next.tests.length > 0 && next.tests[next.tests.length - 1]!.verdict === 'bad' ? `test ${next.tests.length} was bad. ${next.tests[next.tests.length - 1]!.headline ?? ''} ` : ''}
              {holding.length === 0 ? 'Every joint is accepted.' : `Held up by ${holding.length} joints${holding.length <= 6 ? ` (${holding.map((j) => j.number).join(', ')})` : ''}.`}
            </Typography>
          ) : (
            <Typography sx={{ my: 1 }}>{line.sections.length === 0 ? 'No section is planned.' : 'All sections are tested good.'}</Typography>
          )}
          <Box sx={{ mt: 2, display: 'flex', gap: 2.5, flexWrap: 'wrap' }}>
            {line.sections.map((s) => <MuiLink key={s.id} component={Link} to={`/sections/${s.id}`} sx={{ py: 1 }}>{s.name}</MuiLink>)}
            <MuiLink component={Link} to={`/lines/${id}/register`} sx={{ py: 1 }}>Register and exports</MuiLink>
            <MuiLink component="button" onClick={() => setFind(true)} sx={{ py: 1, font: 'inherit' }}>Find a joint</MuiLink>
          </Box>
        </Box>
      </Box>
      <FindSheet open={find} onClose={() => setFind(false)} line={line} />
    </Page>
  )
}

function Clock({ joint, text }: { joint: JointShort; text: string }): ReactElement {
  return (
    <Typography sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, fontSize: '1.1rem' }}>
      <MuiLink component={Link} to={`/joints/${joint.id}`}>Joint {joint.number}</MuiLink>: {text}
    </Typography>
  )
}

function List({ title, joints, note }: { title: string; joints: JointShort[]; note: (j: JointShort) => string }): ReactElement {
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>{title}</Typography>
      {joints.map((j) => (
        <Box key={j.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <VerdictMark verdict={j.verdict} />
          <Typography><MuiLink component={Link} to={`/joints/${j.id}`}>Joint {j.number}</MuiLink> · {note(j)}</Typography>
        </Box>
      ))}
    </Box>
  )
}

function FindSheet({ open, onClose, line }: { open: boolean; onClose: () => void; line: LineFull }): ReactElement {
  const [text, setText] = useState('')
  const navigate = useNavigate()
  const words = text.trim().toLowerCase()
  // Joints by number first, then by the pipes that meet there, then what begins so.
  const byPipe = (j: JointShort): boolean => Object.values(j.pipes ?? {}).some((p) => p.toLowerCase() === words || p.replace(/^0+/, '') === words)
  const rank = (j: JointShort): number => (j.number.toLowerCase() === words ? 0 : byPipe(j) ? 1 : j.number.toLowerCase().startsWith(words) ? 2 : 3)
  const found = words === '' ? [] : line.joints.filter((j) => rank(j) < 3).sort((a, b) => rank(a) - rank(b)).slice(0, 8)
  return (
    <Sheet open={open} onClose={onClose} title="Find a joint or a pipe">
      <TextField autoFocus label="Number of a joint or a pipe" value={text} onChange={(e) => setText(e.target.value)} sx={{ mt: 1 }} onKeyDown={(e) => e.key === 'Enter' && found[0] && void navigate(`/joints/${found[0].id}`)} />
      {found.map((j) => <Button key={j.id} fullWidth sx={{ justifyContent: 'flex-start' }} onClick={() => void navigate(`/joints/${j.id}`)}>Joint {j.number}, pipes {j.pipes?.['a']} → {j.pipes?.['b']}</Button>)}
      {words !== '' && found.length === 0 && <Typography sx={{ mt: 2 }}>No joint or pipe by that number on this line.</Typography>}
    </Sheet>
  )
}
