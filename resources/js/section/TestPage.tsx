import { Box, Link as MuiLink, Typography, useMediaQuery, type Theme } from '@mui/material'
import { useCallback, useMemo, useState, type ReactElement } from 'react'
import { useParams } from 'react-router'
import type { ProcedureText, Subject } from '../api/client'
import { useLine, useProcedure, useSubject } from '../api/queries'
import { subjectAt } from '../api/subject'
import { Packs } from '../ui/Packs'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { ChartPlace } from '../steps/ChartPlace'
import { LogChart } from '../steps/charts'
import { courseOver } from '../steps/course'
import { StepRunner } from '../steps/StepRunner'
import { useSamples } from '../steps/useSamples'
import { whileComing } from '../ui/whileComing'
import { say } from '../texts/say'
import { Message } from '../texts/Message'

/** Run a test and judge it. */
export default function TestPage(): ReactElement {
  const { id = '' } = useParams()
  const test = useSubject(subjectAt('test', id))
  const line = useLine(test.data?.line.id ?? '')
  const procedure = useProcedure(test.data?.procedure_hash)
  const show = useShow()
  if (!test.data || !procedure.data) return whileComing(test.error ? test : procedure, { to: '/', label: say('common.lines') })
  const { data } = test
  const target = data.context?.['gauge_target_kpa']
  return (
    <Page
      wide
      practice={data.line.practice}
      up={{ to: `/sections/${data.section?.id ?? ''}`, label: data.section?.name ?? say('section.section') }}
      title={data.name}
    >
      <Typography>
        <Message
          id={typeof target === 'number' ? 'section.headOfTest' : 'section.headOfTestOwn'}
          values={{
            name: data.line.name,
            target: typeof target === 'number' ? show('x_kpa', 'pressure', target) : '–',
            title: procedure.data.title,
          }}
          parts={[
            <strong />,
            data.pack_is_long ? (
              <MuiLink href="#test-pack" />
            ) : (
              <MuiLink href={`/api/v1/tests/${id}/pack.pdf`} target="_blank" rel="noopener" />
            ),
          ]}
        />
        {/* For the cabin: at the trench it is one thing more above what counts. */}
        <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
          {' · '}
          <MuiLink href={`/api/v1/${subjectAt('test', id)}/record.json`} download>
            {say('section.record')}
          </MuiLink>
        </Box>
      </Typography>
      {data.asked_kpa ? (
        <Typography role="status" sx={{ fontWeight: 700, color: 'secondary.main', my: 1 }}>
          {say('section.moreIsAskedSince', { asked: show('x_kpa', 'pressure', data.asked_kpa) })}
        </Typography>
      ) : null}
      <WithChart data={data} procedure={procedure.data}>
        <StepRunner key={id} path={subjectAt('test', id)} data={data} procedure={procedure.data} role={line.data?.role} />
      </WithChart>
      {data.pack_is_long && (
        <Box id="test-pack" sx={{ mt: 4 }}>
          <Packs line={data.line.id} timeZone={data.line.time_zone} kind="test-pack" test={id} />
        </Box>
      )}
    </Page>
  )
}

/** In the cabin the log stands above the steps, across the page; on a phone inside the step that it belongs to. */
function WithChart({ data, procedure, children }: { data: Subject; procedure: ProcedureText; children: ReactElement }): ReactElement {
  const hasRoom = useMediaQuery((theme: Theme) => theme.breakpoints.up('md'))
  const [element, setElement] = useState<HTMLElement | null>(null)
  const [taken, setTaken] = useState(0)
  const take = useCallback(() => {
    setTaken((n) => n + 1)
    return () => setTaken((n) => n - 1)
  }, [])
  const place = useMemo(() => (hasRoom ? { element, take } : null), [hasRoom, element, take])
  const log = procedure.steps.find((s) => s.drawing?.['shape'] === 'log')?.id ?? ''
  const samples = useSamples(data.facts, log)
  const course = useMemo(() => courseOver(data.judgement.steps, log), [data.judgement.steps, log])
  return (
    <ChartPlace.Provider value={place}>
      {hasRoom && (
        <Box sx={{ mt: 1, mb: 2 }}>
          <div ref={setElement} />
          {taken === 0 && samples.length > 1 && <LogChart rows={samples} course={course} />}
        </Box>
      )}
      {children}
    </ChartPlace.Provider>
  )
}
