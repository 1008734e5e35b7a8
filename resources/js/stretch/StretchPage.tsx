import { Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useParams } from 'react-router'
import { useLine, useProcedure, useSubject } from '../api/queries'
import { subjectAt } from '../api/subject'
import { StepRunner } from '../steps/StepRunner'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { say } from '../texts/say'

/** What is recorded of a stretch or a point of a line. */
export default function StretchPage(): ReactElement {
  const { id = '' } = useParams()
  const stretch = useSubject(subjectAt('stretch', id))
  const line = useLine(stretch.data?.line.id ?? '')
  const procedure = useProcedure(stretch.data?.procedure_hash)
  const show = useShow()
  if (!stretch.data || !procedure.data) return whileComing(stretch.error ? stretch : procedure, { to: '/', label: say('common.lines') })
  const { data } = stretch
  const from = show('x_m', 'length', data.chainage_m)
  return (
    <Page wide practice={data.line.practice} up={{ to: `/lines/${data.line.id}`, label: data.line.name }} title={data.name}>
      <Typography>
        {procedure.data.title}
        {procedure.data.place === 'line' ? '' : ' · '}
        {procedure.data.place === 'line'
          ? null
          : typeof data.to_m === 'number'
            ? say('stretch.fromTo', { from, to: show('x_m', 'length', data.to_m) })
            : say('common.at', { from })}
      </Typography>
      <StepRunner key={id} path={subjectAt('stretch', id)} data={data} procedure={procedure.data} role={line.data?.role} />
    </Page>
  )
}
