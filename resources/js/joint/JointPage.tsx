import { Box, Button, TextField, Typography, useMediaQuery, type Theme } from '@mui/material'
import { useCallback, useMemo, useState, type ReactElement } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, type SectionShort, type Subject } from '../api/client'
import { idOf, subjectAt } from '../api/subject'
import { useLine, useProcedure, useProcedures, useSubject } from '../api/queries'
import { useOutbox } from '../outbox/useOutbox'
import { LineString } from '../ui/LineString'
import { Page } from '../ui/Page'
import { Sheet } from '../ui/Sheet'
import { TakeAway } from '../ui/TakeAway'
import { useShow } from '../ui/units'
import { clockAndCountdown, useNow } from '../ui/useNow'
import { VerdictMark } from '../ui/Verdict'
import { ByThePlan } from './ByThePlan'
import { Covering } from './Covering'
import { NextJoint } from './NextJoint'
import { PullApart } from './PullApart'
import { sizesOf } from './sizesOf'
import { StepRunner } from '../steps/StepRunner'
import { whileComing } from '../ui/whileComing'
import { useVerb } from '../api/useVerb'
import { Refused } from '../ui/Refused'
import { say } from '../texts/say'
import { Message } from '../texts/Message'

/** On the phone the string stands without its sections. */
const NO_SECTIONS: SectionShort[] = []

/** Make one joint. */
export default function JointPage(): ReactElement {
  const { id = '' } = useParams()
  const joint = useSubject(subjectAt('joint', id))
  const line = useLine(joint.data?.line.id ?? '')
  const procedure = useProcedure(joint.data?.procedure_hash)
  const navigate = useNavigate()
  const show = useShow()
  const now = useNow(5000)
  const waiting = useOutbox()
  const unsent = useMemo(() => new Set(waiting.map((w) => idOf(w.subject))), [waiting])
  const open = useCallback((other: string) => void navigate(`/joints/${other}`), [navigate])
  const wide = useMediaQuery<Theme>((theme) => theme.breakpoints.up('md'), { noSsr: true })
  if (!joint.data || !procedure.data) return whileComing(joint.error ? joint : procedure, { to: '/', label: say('common.lines') })
  const { data } = joint
  return (
    <Page
      wide
      practice={data.line.practice}
      up={{ to: `/lines/${data.line.id}`, label: data.line.name }}
      title={
        <>
          {data.name}{' '}
          <Box component="span" sx={{ fontWeight: 400, fontSize: '1rem' }}>
            {sizesOf(data)},{' '}
            {data.place === 'in-line'
              ? say('joint.betweenPipes', { a: data.pipes?.['a'] ?? '–', b: data.pipes?.['b'] ?? '–' })
              : say('joint.onPipe', { a: data.pipes?.['a'] ?? '–' })}
            , <span style={{ whiteSpace: 'nowrap' }}>{show('x_m', 'length', data.chainage_m)}</span>
          </Box>
        </>
      }
    >
      {line.data && (
        <LineString
          compact={!wide}
          joints={line.data.joints}
          sections={wide ? line.data.sections : NO_SECTIONS}
          startM={line.data.start_m}
          lengthM={line.data.length_m}
          service={line.data.service}
          profile={wide ? line.data.centre_line : undefined}
          at={id}
          now={now}
          onOpen={open}
          unsent={unsent}
        />
      )}
      {data.replaces && (
        <Typography variant="body2">
          <Message
            id={data.replaces.pulled_apart ? 'joint.inPlaceOfJointPulledApart' : 'joint.inPlaceOfJointWhichWas'}
            values={{ number: data.replaces.number }}
            parts={[<Link to={`/joints/${data.replaces.id}`} />]}
          />
        </Typography>
      )}
      {data.host && (
        <Typography variant="body2">
          <Message id="joint.fusedOnThePipeEndOf" values={{ number: data.host.number }} parts={[<Link to={`/joints/${data.host.id}`} />]} />
        </Typography>
      )}
      {data.cut_out_reason && (
        <Typography sx={{ mt: 1 }}>
          {say(data.pulled_apart ? 'joint.wasPulledApart' : 'joint.cutOut', { cutOutReason: data.cut_out_reason })}{' '}
          {(data.replaced_by ?? []).length > 0 && (
            <>
              {say('joint.inItsPlace')}{' '}
              {data.replaced_by!.map((r) => (
                <Link key={r.id} to={`/joints/${r.id}`} style={{ marginRight: 8 }}>
                  {say('joint.jointInline', { number: r.number })}
                </Link>
              ))}
            </>
          )}
        </Typography>
      )}
      <ByThePlan joint={data} />
      <StepRunner
        key={id}
        path={subjectAt('joint', id)}
        data={data}
        procedure={procedure.data}
        role={line.data?.role}
        below={line.data && <NextJoint joint={data} joints={line.data.joints} />}
      />
      {procedure.data.tells?.attached && (
        <Restraints joint={data} by={procedure.data.tells.attached} now={now} zone={data.line.time_zone} closed={data.closed !== null} />
      )}
      {line.data && data.place !== 'restraint' && <Covering joint={data} line={line.data} />}
      <Typography sx={{ mt: 2, display: 'flex', columnGap: 3, rowGap: 1, flexWrap: 'wrap' }}>
        {data.state !== 'planned' && <Link to={`/joints/${id}/tag`}>{say('joint.tagToPrintNumberTimeOperator')}</Link>}
        <Link to={`/lines/${data.line.id}/near?at_m=${data.chainage_m ?? 0}`}>{say('joint.whatLiesNear')}</Link>
      </Typography>
      {procedure.data.tells?.cut_out?.rejoins &&
        data.closed === null &&
        // What was never pushed together does not come apart.
        data.judgement.steps.some((s) => s.status !== 'todo' && procedure.data!.steps.find((t) => t.id === s.id)?.stage === 'join') && (
          <PullApart id={id} joint={data} />
        )}
      {data.state !== 'cut-out' && data.state !== 'planned' && line.data && line.data.role !== 'joiner' && (
        <CutOut id={id} number={data.number} urgent={data.judgement.verdict === 'bad'} />
      )}
      {data.state === 'planned' && data.facts.length === 0 && !data.replaces && mayTakeBack(data, line.data?.role) && (
        <TakeAway
          path={`/joints/${id}`}
          to={`/lines/${data.line.id}`}
          first={say('joint.takeItBack')}
          asks={say('joint.takeBack', { name: data.name })}
          goes={say('joint.nothingIsRecordedOnIt')}
          second={say('joint.takeItBackNow')}
        />
      )}
      {data.judgement.verdict === 'bad' && line.data?.role === 'joiner' && data.state !== 'cut-out' && data.judgement.left_face && (
        <Typography sx={{ mt: 2 }}>{say('joint.tellTheForemanTheCutOut')}</Typography>
      )}
    </Page>
  )
}

/** What is on the string is the plan's; a restraint comes with the work and goes with it. */
const mayTakeBack = (joint: Subject, role: string | undefined): boolean =>
  joint.place === 'in-line' ? role === 'engineer' : joint.host ? role !== undefined : role === 'engineer' || role === 'foreman'

/** The restraints on both ends of a large coupling, each a joint of its own. */
function Restraints({
  joint,
  by,
  now,
  zone,
  closed,
}: {
  joint: Subject
  by: { place: string; each_side: number }
  now: number
  zone: string
  closed: boolean
}): ReactElement {
  const procedures = useProcedures()
  const restraints = joint.attached ?? []
  const procedure = (procedures.data ?? []).find((p) => p.place === by.place)
  const add = useVerb(() =>
    api.post(`/lines/${joint.line.id}/joints`, { procedure_hash: procedure!.hash, host_id: joint.id, count: by.each_side }),
  )
  return (
    <Box component="section" aria-labelledby="restraints" sx={{ mt: 3 }}>
      <Typography id="restraints" variant="h2">
        {say('joint.restraints')}
      </Typography>
      {restraints.length === 0 && <Typography sx={{ my: 1 }}>{say('joint.noneYetEachIsFusedAs')}</Typography>}
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, columnGap: 5 }}>
        {(['a', 'b'] as const).map((side) => (
          <Box key={side}>
            {restraints.some((r) => r.side === side) && (
              <Typography variant="h3" component="h3" sx={{ mt: 1 }}>
                {say('joint.endOfPipe', { side: joint.pipes?.[side] ?? side })}
              </Typography>
            )}
            {restraints
              .filter((r) => r.side === side)
              .map((r) => (
                <Box key={r.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'center' }}>
                  <VerdictMark verdict={r.verdict} />
                  <Typography>
                    <Link to={`/joints/${r.id}`}>{r.number}</Link> ·{' '}
                    {r.free_from
                      ? Date.parse(r.free_from) > now
                        ? say('joint.notPulledBefore', { freeFrom: clockAndCountdown(r.free_from, now, zone) })
                        : r.state === 'accepted'
                          ? say('joint.mayBePulledBy')
                          : say('joint.coolNotYetSigned')
                      : r.state === 'planned'
                        ? say('common.notBegun')
                        : 'begun'}
                  </Typography>
                </Box>
              ))}
          </Box>
        ))}
      </Box>
      {!closed && procedure && (
        <Button variant="outlined" sx={{ mt: 1 }} disabled={add.busy} onClick={() => add.run()}>
          {say(restraints.length === 0 ? 'joint.addOnEachEnd' : 'joint.addMoreOnEachEnd', { count: by.each_side })}
        </Button>
      )}
      <Refused why={add.fault} />
    </Box>
  )
}

function CutOut({ id, number, urgent }: { id: string; number: string; urgent: boolean }): ReactElement {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const navigate = useNavigate()
  const order = useVerb(
    () => api.post<{ id: string; number: string }[]>(`/joints/${id}/cut-out`, { reason }),
    (made) => {
      setOpen(false)
      if (made[0]) void navigate(`/joints/${made[0].id}`)
    },
  )
  return (
    <Box sx={{ mt: 3 }}>
      <Button variant={urgent ? 'contained' : 'outlined'} color={urgent ? 'secondary' : 'primary'} onClick={() => setOpen(true)}>
        {say('joint.cutJointOut', { number })}
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('joint.cutJointOut', { number })}
        actions={
          <Button variant="contained" disabled={reason.trim().length < 3 || order.busy} onClick={() => order.run()}>
            {say('joint.cutItOut')}
          </Button>
        }
      >
        <Typography sx={{ mb: 2 }}>{say('joint.itStaysInTheRecordA')}</Typography>
        <TextField autoFocus label={say('common.why')} value={reason} onChange={(e) => setReason(e.target.value)} />
        <Refused why={order.fault} />
      </Sheet>
    </Box>
  )
}
