import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useParams } from 'react-router'
import { useLine, useProcedure, useSubject } from '../api/queries'
import { subjectAt } from '../api/subject'
import { sizesOf } from './sizesOf'
import { Code } from '../ui/Code'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { say } from '../texts/say'

/** The operator's own copy: what is tied to the joint, with a code that leads back to it. Printed by the browser, works without network. */
export default function TagPage(): ReactElement {
  const { id = '' } = useParams()
  const joint = useSubject(subjectAt('joint', id))
  const line = useLine(joint.data?.line.id ?? '')
  const procedure = useProcedure(joint.data?.procedure_hash)
  const show = useShow()
  const address = `${window.location.origin}/joints/${id}`
  if (!joint.data || !line.data || !procedure.data) return whileComing(joint.error ? joint : line)
  const { data } = joint
  const { head, lines } = data.judgement.tag
  const rows: [string, string][] = [
    [say('common.line'), `${data.line.name}, ${show('x_m', 'length', data.chainage_m)}`],
    [
      say('common.pipe'),
      `${sizesOf(data)}, ${Object.values(data.pipes ?? {})
        .filter(Boolean)
        .join(' → ')}`,
    ],
    ...(data.line.practice ? [[say('ui.practice'), say('joint.practiceNoRealWork')] as [string, string]] : []),
    ...lines.map((l) => [l.label, l.text ?? ''] as [string, string]),
  ]
  return (
    <Page
      practice={data.line.practice}
      title={say('joint.tagOfJoint', { number: data.number })}
      up={{ to: `/joints/${id}`, label: say('common.joint', { number: data.number }) }}
    >
      <Box
        className="tag"
        sx={{
          border: '3px solid #000',
          borderRadius: 1,
          bgcolor: '#fff',
          color: '#000',
          p: 2.5,
          maxWidth: 520,
          my: 2,
          display: 'grid',
          gridTemplateColumns: '1fr auto',
          gap: 2,
        }}
      >
        <Box>
          <Typography component="h2" sx={{ fontSize: '2.4rem', fontWeight: 800, lineHeight: 1, color: '#000' }}>
            {data.number}
          </Typography>
          <Typography sx={{ color: '#000' }}>{procedure.data.title}</Typography>
        </Box>
        <Code text={address} about={say('joint.codeThatLeadsTo', { address })} />
        {head && (
          <Box sx={{ gridColumn: '1 / -1', borderTop: '3px solid #000', pt: 1 }}>
            <Typography sx={{ color: '#000' }}>{head.label}</Typography>
            <Typography sx={{ fontSize: '2.2rem', fontWeight: 800, lineHeight: 1.1, color: '#000' }}>
              {head.text ?? say('common.notKnownYet')}
            </Typography>
          </Box>
        )}
        <Box
          component="dl"
          sx={{
            gridColumn: '1 / -1',
            display: 'grid',
            gridTemplateColumns: 'auto 1fr',
            columnGap: 2,
            rowGap: 0.5,
            m: 0,
            '& dd': { m: 0, fontWeight: 700 },
          }}
        >
          {rows.map(([k, v]) => [<dt key={k}>{k}</dt>, <dd key={`${k}=`}>{v}</dd>])}
        </Box>
      </Box>
      <Button className="no-print" variant="contained" onClick={() => window.print()}>
        {say('joint.printTheTag')}
      </Button>
      <Typography className="no-print" variant="body2" sx={{ mt: 1 }}>
        {say('joint.theCodeLeadsBackToThis')}
      </Typography>
    </Page>
  )
}
