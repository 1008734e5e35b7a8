import { Box, Button, Link as MuiLink, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../api/client'
import { useProcedure, useSection } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { SectionProfile } from '../ui/SectionProfile'
import { Sheet } from '../ui/Sheet'
import { useShow } from '../ui/units'
import { useNow } from '../ui/useNow'
import { Sentence, WORD } from '../ui/Verdict'
import { TakeAway } from '../ui/TakeAway'
import { say } from '../texts/say'
import { stateWord } from '../texts/words'
import { MethodSays } from './MethodSays'
import { planRows } from './planRows'
import { PlanTable } from './PlanTable'
import { SuspectList } from './SuspectList'

/** Plan a test: what is missing, heads, water, vents, thrust. */
export default function SectionPage(): ReactElement {
  const { id = '' } = useParams()
  const section = useSection(id)
  const procedure = useProcedure(section.data?.method.hash)
  const navigate = useNavigate()
  const show = useShow()
  const now = useNow(5000)
  const [asked, setAsked] = useState(false)
  const begin = useVerb(
    () => api.post<{ id: string }>(`/sections/${id}/tests`),
    (made) => void navigate(`/tests/${made.id}`),
  )
  if (!section.data) return whileComing(section, { to: '/', label: say('common.lines') })
  // What the method wants stands above the button that begins: coming later it would push that away from under the thumb.
  if (procedure.isPending && procedure.failureCount === 0) return whileComing(procedure, { to: '/', label: say('common.lines') })
  const { data } = section
  const { plan } = data
  const { split } = plan
  const isFeasible = !plan.at_gauge || plan.gauge.feasible
  return (
    <Page
      practice={data.line.practice}
      up={{ to: `/lines/${data.line.id}`, label: data.line.name }}
      title={say('section.nameFromTo', {
        name: data.name,
        from: show('x_m', 'length', data.from_m, 0),
        to: show('x_m', 'length', data.to_m, 0),
      })}
    >
      <SectionProfile plan={plan} suspects={data.suspects ?? []} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '1.2fr 1fr' }, columnGap: 5, rowGap: 3, mt: 2 }}>
        <Box>
          <Typography variant="h2">{say('section.beforeTheTest')}</Typography>
          <PlanTable rows={planRows(plan, show, now, data.line.time_zone)} />
        </Box>
        <Box>
          {plan.missing.length > 0 || !isFeasible ? (
            <Sentence
              verdict={plan.verdict}
              act={
                isFeasible
                  ? say('section.aTestMayBeTriedBut')
                  : plan.gauge.pipe_max_stated
                    ? say('section.noGaugePressureSuitsBothThe')
                    : say('section.withNoMoreThanTheTest') + say('section.stateWhatTheWeakestPartMay')
              }
            >
              {plan.missing.length === 0
                ? say('section.theSectionIsTooHighFor')
                : say('section.thingsAreMissing', { count: plan.missing.length })}
            </Sentence>
          ) : (
            <Sentence verdict="good">{say('section.allJointsAreAccepted', { count: plan.joint_count })}</Sentence>
          )}
          <Box component="ul" sx={{ pl: 2.5, my: 1, maxHeight: 260, overflowY: 'auto' }}>
            {plan.missing.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </Box>
          {!isFeasible && split && (
            <Typography sx={{ fontWeight: 700 }}>
              {say('section.cutAt', {
                at: split.cuts_m.map((m) => show('x_m', 'length', m, 0)).join(', '),
                range: show('x_m', 'length', split.max_level_range_m, 1),
              })}
            </Typography>
          )}
          <MethodSays hash={data.method.hash} title={data.method.title} text={procedure.data} />
          {data.tests.map((t) => (
            <Typography key={t.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25 }}>
              <MuiLink component={Link} to={`/tests/${t.id}`}>
                {say('section.test', { number: t.number })}
              </MuiLink>{' '}
              · {WORD[t.verdict]} · {t.state === 'accepted' ? say('section.signed') : stateWord(t.state)}
              {t.asked_kpa ? <strong> · {say('section.testedForLess', { asked: show('x_kpa', 'pressure', t.asked_kpa) })}</strong> : null}
            </Typography>
          ))}
          <SuspectList of={data.suspects ?? []} />
          <Button
            variant="contained"
            fullWidth
            sx={{ mt: 1 }}
            onClick={() => (plan.missing.length > 0 ? setAsked(true) : begin.run())}
            disabled={data.role === 'joiner' || begin.busy}
          >
            {data.tests.length > 0 ? say('section.beginAnotherTest') : say('section.beginTheTest')}
          </Button>
          {data.role === 'joiner' && (
            <Typography variant="body2" sx={{ mt: 1 }}>
              {say('section.aForemanAnInspectorOrAn')}
            </Typography>
          )}
          <Refused why={begin.fault} />
          {data.role === 'engineer' && data.tests.length === 0 && (
            <TakeAway
              path={`/sections/${id}`}
              to={`/lines/${data.line.id}`}
              first={say('section.removeTheSection')}
              asks={say('section.remove', { name: data.name })}
              goes={say('section.itsPlanGoes')}
              second={say('section.removeIt')}
            />
          )}
          {asked && (
            <Sheet
              open
              onClose={() => setAsked(false)}
              close={say('section.notYet')}
              title={say('section.thingsAreMissing', { count: plan.missing.length })}
              actions={
                <Button variant="contained" color="secondary" disabled={begin.busy} onClick={() => begin.run()}>
                  {say('section.beginAllTheSame')}
                </Button>
              }
            >
              <Typography sx={{ mb: 1 }}>{say('section.whatItCosts')}</Typography>
              <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
                {plan.missing.map((m) => (
                  <li key={m}>{m}</li>
                ))}
              </Box>
            </Sheet>
          )}
          <Typography variant="body2" sx={{ mt: 2 }}>
            {plan.stored ? `${say('section.gasApproval')} ` : ''}
            {say('section.storedEnergyNobodyInLineWith')}
          </Typography>
        </Box>
      </Box>
    </Page>
  )
}
