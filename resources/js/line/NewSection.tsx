import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, type LineFull, type SectionPreview } from '../api/client'
import { useLine, useProcedures } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { PreviewOfSection } from './PreviewOf'
import { emptyRow, sectionBody, type SectionRow, type SectionUnits } from './sectionForm'
import { SectionFields } from './SectionFields'
import { usePreview } from './usePreview'
import { useSectionUnits } from './useSectionUnits'

/** A further section of a line that is there, drawn while it is typed with the joints and pipes of the line. */
export default function NewSection(): ReactElement {
  const { id = '' } = useParams()
  const line = useLine(id)
  const units = useSectionUnits()
  if (!line.data || units === null) return whileComing(line, { to: '/', label: say('common.lines') })
  return <Form id={id} line={line.data} units={units} />
}

function Form({ id, line, units }: { id: string; line: LineFull; units: SectionUnits }): ReactElement {
  const navigate = useNavigate()
  const [row, setRow] = useState<SectionRow>({ ...emptyRow(units), name: say('line.section', { count: line.sections.length + 1 }) })
  const [fault, setFault] = useState<string | undefined>(undefined)
  const pipe = line.pipe as { material?: string; dn_mm?: number; sdr?: number }
  const procedures = useProcedures(
    pipe.material ? { material: pipe.material, service: line.service, dn_mm: pipe.dn_mm!, sdr: pipe.sdr! } : {},
  )
  const { body, fault: wrong } = sectionBody(row, units)
  const isDrawn = wrong === null && row.method !== '' && row.name.trim() !== ''
  const preview = usePreview<SectionPreview>(`/lines/${id}/sections/preview`, isDrawn ? body : null)
  const send = useVerb(
    () => api.post(`/lines/${id}/sections`, body),
    () => void navigate(`/lines/${id}`),
  )
  return (
    <Page title={say('line.addASection')} up={{ to: `/lines/${id}`, label: line.name }} practice={line.practice}>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault()
          const why = !row.method || row.from === '' || row.to === '' ? say('line.fromToAndTheTestMethod', { name: row.name }) : wrong
          setFault(why ?? undefined)
          if (!why) send.run()
        }}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'repeat(2, minmax(0,1fr))' },
          columnGap: 6,
          rowGap: 3,
          mt: 2,
        }}
      >
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <SectionFields
            row={row}
            units={units}
            methods={(procedures.data ?? []).filter((p) => p.family === 'test')}
            fault={fault}
            onChange={setRow}
          />
          {send.said.map((said) => (
            <Typography key={said} role="alert" sx={{ color: 'secondary.main', fontWeight: 700 }}>
              {said}
            </Typography>
          ))}
          <Button variant="contained" type="submit" disabled={send.busy}>
            {say('line.addTheSection')}
          </Button>
        </Box>
        <Box role="region" aria-label={say('line.preview')}>
          {isDrawn && preview.data && <PreviewOfSection of={preview.data} />}
          {isDrawn && preview.error && (
            <Typography role="status" sx={{ fontWeight: 700, color: 'secondary.main' }}>
              {preview.error.message}
            </Typography>
          )}
        </Box>
      </Box>
    </Page>
  )
}
