import { Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useParams } from 'react-router'
import { useLine, useProcedure, useSubject } from '../api/queries'
import { subjectAt } from '../api/subject'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { StepRunner } from '../steps/StepRunner'
import { Loading } from '../ui/Loading'

/** Run a test and judge it. */
export default function TestPage(): ReactElement {
  const { id = '' } = useParams()
  const test = useSubject(subjectAt('test', id))
  const line = useLine(test.data?.line.id ?? '')
  const procedure = useProcedure(test.data?.procedure_hash)
  const show = useShow()
  if (!test.data || !procedure.data) return <Loading query={test.error ? test : procedure} up={{ to: '/', label: 'Lines' }} />
  const { data } = test
  const target = data.context?.['gauge_target_kpa']
  return (
    <Page wide up={{ to: `/sections/${data.section?.id ?? ''}`, label: data.section?.name ?? 'Section' }} title={data.name}>
      <Typography>
        {data.line.name} · at the gauge <strong>{typeof target === 'number' ? show('x_kpa', 'pressure', target) : '–'}</strong> ·{' '}
        {procedure.data.title} ·{' '}
        <MuiLink href={`/api/v1/tests/${id}/pack.pdf`} target="_blank" rel="noopener">
          Test pack (PDF)
        </MuiLink>
      </Typography>
      <StepRunner key={id} path={subjectAt('test', id)} data={data} procedure={procedure.data} role={line.data?.role} />
    </Page>
  )
}
