import { Box, Button, Link as MuiLink, Switch, TextField, Typography } from '@mui/material'
import { useCallback, useEffect, useMemo, useRef, useState, type ReactElement } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { type JointShort, type LineFull, type LogEntry } from '../api/client'
import { idOf, pageOf } from '../api/subject'
import { useLine, useLog, useProcedures } from '../api/queries'
import { useOutbox } from '../outbox/useOutbox'
import { keepForTrench } from './keepForTrench'
import { dayOf, hourMinute } from '../ui/clock'
import { coolingUntil, faceOf, LineString, waitOf } from '../ui/LineString'
import { AddJoint } from './AddJoint'
import { AddStretch } from './AddStretch'
import { SiteRecords } from './SiteRecords'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { Sheet } from '../ui/Sheet'
import { useShow } from '../ui/units'
import { runningClocks, useRinging, type RunningClock } from '../ui/useClocks'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { Sentence, VerdictMark } from '../ui/Verdict'
import { standingOf } from './standing'
import { say } from '../texts/say'
import { isProving } from '../ui/isProving'
import { Message } from '../texts/Message'

/** A ring that cools shrinks more slowly than anybody sees: it is drawn anew no oftener. */
const RINGS_MS = 5_000

/** The day: where the face is, what comes next, which clocks run, what holds the next test up. */
export default function LinePage(): ReactElement {
  const { id = '' } = useParams()
  const query = useLine(id)
  const navigate = useNavigate()
  const now = useNow(1000)
  const show = useShow()
  const waiting = useOutbox()
  const unsent = useMemo(() => new Set(waiting.map((w) => idOf(w.subject))), [waiting])
  const open = useCallback((joint: string) => void navigate(`/joints/${joint}`), [navigate])
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
  const fresh = query.data
  const clocks = useMemo(
    () =>
      runningClocks(
        (fresh?.joints ?? []).filter((j) => !isFree(j, now)),
        now,
      ),
    [fresh, now],
  )
  const ringing = useRinging(clocks, now)
  const [adding, setAdding] = useState(false)
  const [stretching, setStretching] = useState(false)
  const stretches = useProcedures().data?.some((p) => p.family === 'stretch' && p.place !== 'line') ?? false
  useEffect(() => {
    if (!fresh) return
    // Not in the way of the first view.
    const later = window.setTimeout(() => void keepForTrench(fresh), 1_500)
    return () => window.clearTimeout(later)
  }, [fresh])
  if (!query.data) return whileComing(query, { to: '/', label: say('common.lines') })
  const line = query.data
  const face = faceOf(line.joints)
  const ready = line.joints.filter((j) => isFree(j, now))
  const bad = line.joints.filter((j) => j.verdict === 'bad' && j.state !== 'cut-out' && j.left_face)
  const unsigned = line.joints.filter((j) => j.state === 'made')
  const services = line.joints.filter(
    (j) => j.place === 'on-pipe' && j.state !== 'accepted' && j.state !== 'cut-out' && j.verdict !== 'bad',
  )
  const next = line.sections.find((s) => !s.tests.some(isProving))
  const holding = next
    ? line.joints.filter(
        (j) => j.chainage_m > next.from_m - 1e-6 && j.chainage_m < next.to_m + 1e-6 && j.state !== 'accepted' && j.state !== 'cut-out',
      )
    : []

  return (
    <Page wide findsItself practice={line.practice} title={line.name} up={{ to: '/', label: say('common.lines') }}>
      {line.archived && <Typography sx={{ fontWeight: 700, my: 1 }}>{say('line.itIsPutAway')}</Typography>}
      <LineString
        joints={line.joints}
        sections={line.sections}
        startM={line.start_m}
        lengthM={line.length_m}
        service={line.service}
        profile={line.centre_line}
        now={now - (now % RINGS_MS)}
        onOpen={open}
        unsent={unsent}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1fr 1fr' }, columnGap: 6, rowGap: 4, mt: 3 }}>
        <Box component="section" aria-labelledby="face">
          <Typography id="face" variant="h2">
            {say('line.nextAtTheFace')}
          </Typography>
          {face ? (
            <>
              <Typography sx={{ fontSize: '1.3rem', my: 1 }}>
                <Message
                  id="line.jointAtPipes"
                  values={{
                    number: face.number,
                    chainage: show('x_m', 'length', face.chainage_m),
                    pipesA: face.pipes?.['a'],
                    pipesB: face.pipes?.['b'],
                    nextTitle: face.next_title ?? say('line.begin'),
                  }}
                  parts={[<strong />, <strong />]}
                />
              </Typography>
              {face.verdict === 'bad' && face.headline && (
                <Box sx={{ mb: 1.5 }}>
                  <Sentence verdict="bad">{face.headline}</Sentence>
                </Box>
              )}
              <Button variant="contained" fullWidth onClick={() => void navigate(`/joints/${face.id}`)}>
                {face.state === 'planned'
                  ? say('line.beginJoint', { number: face.number })
                  : say('line.goOnWithJoint', { number: face.number })}
              </Button>
            </>
          ) : (
            <Typography sx={{ my: 1 }}>{standingOf(line.joints)}</Typography>
          )}
          {services.length > 0 && (
            <List
              title={say('line.onThePipeNotFinished')}
              joints={services}
              note={(j) => (j.state === 'planned' ? say('common.notBegun') : say('line.ofSteps', { done: j.done, total: j.total }))}
            />
          )}
          {bad.length > 0 && <List title={say('line.badWaitsForACutOut')} joints={bad} note={(j) => j.headline ?? ''} />}
          {unsigned.length > 0 && (
            <List title={say('line.waitsForASignature')} joints={unsigned} note={() => say('line.madeNotYetAccepted')} />
          )}
          <SiteRecords line={line} now={now - (now % RINGS_MS)} />
        </Box>
        <Box component="section" aria-labelledby="clocks">
          <Typography id="clocks" variant="h2" sx={{ mb: 1 }}>
            {say('line.clocks')}
          </Typography>
          {clocks.length === 0 && ready.length === 0 && <Typography sx={{ my: 1 }}>{say('line.noJointIsCooling')}</Typography>}
          {ringing.rung && (
            <Typography role="status" sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, fontSize: '1.1rem', fontWeight: 700 }}>
              {say('line.jointNow', { number: ringing.rung.joint.number, label: ringing.rung.label.toLowerCase() })}
            </Typography>
          )}
          <Clocks clocks={clocks} now={now} zone={line.time_zone} />
          <Clocks
            clocks={ready.map((joint) => ({
              joint,
              name: 'free',
              label: waitOf(joint)?.free ?? say('common.theTimeIsOver'),
              at: 0,
            }))}
            now={now}
            zone={line.time_zone}
          />
          {clocks.length > 0 && (
            <Box component="label" sx={{ display: 'flex', gap: 1, alignItems: 'center', minHeight: 56, cursor: 'pointer' }}>
              <Switch
                checked={ringing.on}
                onChange={(e) => ringing.set(e.target.checked)}
                sx={{ '& .Mui-checked + .MuiSwitch-track': { bgcolor: 'text.primary' } }}
              />
              {say('line.ringWhenAClockRunsOut')}
            </Box>
          )}
          <Typography variant="h2" sx={{ mt: 3 }}>
            {say('line.nextTest')}
          </Typography>
          {next ? (
            <Typography sx={{ my: 1 }}>
              <Message
                id="line.nextTestOf"
                values={{
                  name: next.name,
                  from: show('x_m', 'length', next.from_m, 0),
                  to: show('x_m', 'length', next.to_m, 0),
                  last:
                    next.tests.length > 0 && next.tests[next.tests.length - 1]!.verdict === 'bad'
                      ? say('line.testWasBad', { count: next.tests.length, headline: next.tests[next.tests.length - 1]!.headline ?? '' })
                      : '',
                  joints:
                    holding.length === 0
                      ? say('line.everyJointIsAccepted')
                      : say('line.heldUpByJoints', {
                          count: holding.length,
                          numbers: holding.map((j) => j.number).join(', '),
                        }),
                }}
                parts={[<MuiLink component={Link} to={`/sections/${next.id}`} />]}
              />
            </Typography>
          ) : (
            <Typography sx={{ my: 1 }}>
              {line.sections.length === 0 ? say('line.noSectionIsPlanned') : say('line.allSectionsAreTestedGood')}
            </Typography>
          )}
          <Box sx={{ mt: 2, display: 'flex', gap: 2.5, flexWrap: 'wrap' }}>
            {line.sections.map((s) => (
              <MuiLink key={s.id} component={Link} to={`/sections/${s.id}`} sx={{ py: 1 }}>
                {s.name}
              </MuiLink>
            ))}
            {line.role === 'engineer' && (
              <MuiLink component={Link} to={`/lines/${id}/sections/new`} sx={{ py: 1 }}>
                {say('line.addASection')}
              </MuiLink>
            )}
            <MuiLink component={Link} to={`/lines/${id}/register`} sx={{ py: 1 }}>
              {say('line.registerAndExports')}
            </MuiLink>
            <MuiLink component={Link} to={`/lines/${id}/day`} sx={{ py: 1 }}>
              {say('day.title')}
            </MuiLink>
            <MuiLink component={Link} to={`/lines/${id}/laying`} sx={{ py: 1 }}>
              {say('laying.title')}
            </MuiLink>
            <MuiLink component={Link} to={`/lines/${id}/pipes`} sx={{ py: 1 }}>
              {say('common.pipes')}
            </MuiLink>
            {line.role === 'engineer' && (
              <MuiLink component={Link} to={`/lines/${id}/change`} sx={{ py: 1 }}>
                {say('line.changeTheLine')}
              </MuiLink>
            )}
            <MuiLink component={Link} to={`/lines/${id}/near`} sx={{ py: 1 }}>
              {say('line.findByPlace')}
            </MuiLink>
            <MuiLink component="button" onClick={() => setFind(true)} sx={{ py: 1, font: 'inherit' }}>
              {say('line.findAJoint')}
            </MuiLink>
            {(line.role === 'engineer' || line.role === 'foreman') && (
              <MuiLink component="button" onClick={() => setAdding(true)} sx={{ py: 1, font: 'inherit' }}>
                {say('line.addASaddleOrJoint')}
              </MuiLink>
            )}
            {stretches && (
              <MuiLink component="button" onClick={() => setStretching(true)} sx={{ py: 1, font: 'inherit' }}>
                {say('line.addAStretch')}
              </MuiLink>
            )}
          </Box>
        </Box>
      </Box>
      <DayLog line={line} />
      {stretching && <AddStretch onClose={() => setStretching(false)} line={line} />}
      <AddJoint open={adding} onClose={() => setAdding(false)} line={line} />
      <FindSheet open={find} onClose={() => setFind(false)} line={line} />
    </Page>
  )
}

/** What was recorded last, under its day; the days of the place, not of the reader. */
function DayLog({ line }: { line: LineFull }): ReactElement | null {
  const log = useLog(line.id)
  const days = new Map<string, LogEntry[]>()
  for (const entry of log.data ?? []) {
    const day = dayOf(entry.at, line.time_zone)
    days.set(day, [...(days.get(day) ?? []), entry])
  }
  if (days.size === 0) return null
  return (
    <Box component="section" aria-labelledby="log" sx={{ mt: 4 }}>
      <Typography id="log" variant="h2">
        {say('line.lately')}
      </Typography>
      {[...days].map(([day, entries]) => (
        <Box key={day} sx={{ mt: 1.5 }}>
          <Typography variant="h3" component="h3">
            {day}
          </Typography>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, columnGap: 6, columns: { xs: 1, md: 2 } }}>
            {entries.map((e) => (
              <Box component="li" key={`${e.id}${e.title}${e.at}`} sx={{ display: 'flex', gap: 1.5, py: 0.75, breakInside: 'avoid' }}>
                <Box component="span" sx={{ fontVariantNumeric: 'tabular-nums', color: 'text.secondary' }}>
                  {hourMinute(e.at, line.time_zone)}
                </Box>
                <span>
                  <MuiLink component={Link} to={pageOf(e.kind, e.id)}>
                    {e.name}
                  </MuiLink>{' '}
                  · {e.title}
                  {e.again ? ', again' : ''} · {e.by}
                </span>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  )
}

/** Its time is over, and what ends the waiting is not recorded yet. */
const isFree = (j: JointShort, now: number): boolean =>
  j.verdict !== 'bad' && j.next_step === (waitOf(j)?.until ?? '') && coolingUntil(j, now) === null

/** Restraints of one joint that cool together stand on one line: the last of them counts. */
function Clocks({ clocks, now, zone }: { clocks: RunningClock[]; now: number; zone: string }): ReactElement {
  const groups = new Map<string, RunningClock[]>()
  for (const k of clocks) {
    const key = k.joint.host_id ? `${k.joint.host_id}/${k.name}` : k.joint.id
    groups.set(key, [...(groups.get(key) ?? []), k])
  }
  return (
    <>
      {[...groups.values()].map((group) => {
        const last = group[group.length - 1]!
        const host = last.joint.host_id
        return (
          <Typography key={last.joint.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, fontSize: '1.1rem' }}>
            <MuiLink component={Link} to={`/joints/${host && group.length > 1 ? host : last.joint.id}`}>
              {group.length > 1 ? say('line.restraints', { count: group.length }) : say('common.joint', { number: last.joint.number })}
            </MuiLink>
            : {last.label.toLowerCase()}
            {last.at > 0 && (
              <>
                {' '}
                <strong>{clockAndCountdown(new Date(last.at).toISOString(), now, zone)}</strong>
              </>
            )}
          </Typography>
        )
      })}
    </>
  )
}

function List({ title, joints, note }: { title: string; joints: JointShort[]; note: (j: JointShort) => string }): ReactElement {
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {joints.map((j) => (
        <Box key={j.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <VerdictMark verdict={j.verdict} />
          <Typography>
            <MuiLink component={Link} to={`/joints/${j.id}`}>
              {say('common.joint', { number: j.number })}
            </MuiLink>{' '}
            · {note(j)}
          </Typography>
        </Box>
      ))}
    </Box>
  )
}

/** The code of a tag, from a picture of it. */
function ScanTag({ onJoint }: { onJoint: (id: string) => void }): ReactElement {
  const input = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState<string | null>(null)
  return (
    <>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => input.current?.click()}>
        {say('line.scanATag')}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={say('line.pictureOfATag')}
        onChange={async (e) => {
          const picture = e.target.files?.[0]
          e.target.value = ''
          if (!picture) return
          const { readTag } = await import('../steps/reader')
          const id = /joints\/([0-9a-f-]{36})/.exec((await readTag(picture).catch(() => null)) ?? '')?.[1]
          if (id) onJoint(id)
          else setSaid(say('line.noTagOfAJointFound'))
        }}
      />
      {said && (
        <Typography role="alert" sx={{ mt: 1 }}>
          {said}
        </Typography>
      )}
    </>
  )
}

function FindSheet({ open, onClose, line }: { open: boolean; onClose: () => void; line: LineFull }): ReactElement {
  const [text, setText] = useState('')
  const navigate = useNavigate()
  // A tag's code is an address that ends in the joint.
  const scanned = /joints\/([0-9a-f-]{36})/.exec(text)?.[1]
  const words = text.trim().toLowerCase()
  // Joints by number first, then by the pipes that meet there, then what begins so.
  const byPipe = (j: JointShort): boolean =>
    Object.values(j.pipes ?? {}).some((p) => p.toLowerCase() === words || p.replace(/^0+/, '') === words)
  const rank = (j: JointShort): number =>
    j.number.toLowerCase() === words ? 0 : byPipe(j) ? 1 : j.number.toLowerCase().startsWith(words) ? 2 : 3
  const found =
    words === ''
      ? []
      : line.joints
          .filter((j) => rank(j) < 3)
          .sort((a, b) => rank(a) - rank(b))
          .slice(0, 8)
  return (
    <Sheet open={open} onClose={onClose} title={say('line.findAJointOrAPipe')}>
      <TextField
        autoFocus
        label={say('line.numberOfAJointOrA')}
        value={text}
        onChange={(e) => setText(e.target.value)}
        sx={{ mt: 1 }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (scanned ?? found[0])) void navigate(`/joints/${scanned ?? found[0]!.id}`)
        }}
      />
      <ScanTag onJoint={(id) => void navigate(`/joints/${id}`)} />
      {found.map((j) => (
        <Button key={j.id} fullWidth sx={{ justifyContent: 'flex-start' }} onClick={() => void navigate(`/joints/${j.id}`)}>
          {say('line.jointPipes', { number: j.number, pipesA: j.pipes?.['a'], pipesB: j.pipes?.['b'] })}
        </Button>
      ))}
      {words !== '' && found.length === 0 && <Typography sx={{ mt: 2 }}>{say('line.noJointOrPipeByThat')}</Typography>}
    </Sheet>
  )
}
