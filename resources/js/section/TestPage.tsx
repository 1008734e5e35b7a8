import { Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useParams } from 'react-router'
import { useLine, useProcedure, useSubject } from '../api/queries'
import { subjectAt } from '../api/subject'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { StepRunner } from '../steps/StepRunner'
import { Loading } from '../ui/Loading'
import { say } from '../texts/say'
import { Message } from '../texts/Message'

/** Run a test and judge it. */
export default function TestPage(): ReactElement {
  const { id = '' } = useParams()
  const test = useSubject(subjectAt('test', id))
  const line = useLine(test.data?.line.id ?? '')
  const procedure = useProcedure(test.data?.procedure_hash)
  const show = useShow()
  if (!test.data || !procedure.data) return <Loading query={test.error ? test : procedure} up={{ to: '/', label: say('common.lines') }} />
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
          id="section.headOfTest"
          values={{
            name: data.line.name,
            target: typeof target === 'number' ? show('x_kpa', 'pressure', target) : '–',
            title: procedure.data.title,
          }}
          parts={[<strong />, <MuiLink href={`/api/v1/tests/${id}/pack.pdf`} target="_blank" rel="noopener" />]}
        />
      </Typography>
      <StepRunner key={id} path={subjectAt('test', id)} data={data} procedure={procedure.data} role={line.data?.role} />
    </Page>
  )
}
