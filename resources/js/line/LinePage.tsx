import { Box, Button, Switch, Typography } from '@mui/material'
import { useCallback, useEffect, useMemo, useState, type ReactElement } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useLine } from '../api/queries'
import { idOf } from '../api/subject'
import { useOutbox } from '../outbox/useOutbox'
import { Message } from '../texts/Message'
import { say } from '../texts/say'
import { faceOf, LineString, waitOf } from '../ui/LineString'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { runningClocks, useRinging } from '../ui/useClocks'
import { useNow } from '../ui/useNow'
import { Sentence } from '../ui/Verdict'
import { whileComing } from '../ui/whileComing'
import { Clocks } from './Clocks'
import { DayLog } from './DayLog'
import { FindJoint } from './FindJoint'
import { isFree } from './isFree'
import { JointList } from './JointList'
import { keepForTrench } from './keepForTrench'
import { NextTest } from './NextTest'
import { SiteRecords } from './SiteRecords'
import { standingOf } from './standing'
import { WaysOn } from './WaysOn'

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
            <JointList
              title={say('line.onThePipeNotFinished')}
              joints={services}
              note={(j) => (j.state === 'planned' ? say('common.notBegun') : say('line.ofSteps', { done: j.done, total: j.total }))}
            />
          )}
          {bad.length > 0 && <JointList title={say('line.badWaitsForACutOut')} joints={bad} note={(j) => j.headline ?? ''} />}
          {unsigned.length > 0 && (
            <JointList title={say('line.waitsForASignature')} joints={unsigned} note={() => say('line.madeNotYetAccepted')} />
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
          <NextTest line={line} />
          <WaysOn line={line} onFind={() => setFind(true)} />
        </Box>
      </Box>
      <DayLog line={line} />
      <FindJoint open={find} onClose={() => setFind(false)} line={line} />
    </Page>
  )
}
