import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link, useNavigate } from 'react-router'
import type { LineShort } from '../api/client'
import { useLines, useMe } from '../api/queries'
import { Loading } from '../ui/Loading'
import { Page } from '../ui/Page'
import { LineParts } from './LineParts'

/** State of a line in a sentence. */
function sentence({ joints, sections }: LineShort): string {
  const of = (some: number, all: number, one: string): string => `${some} of ${all} ${all === 1 ? one : `${one}s`}`
  const made = `${of(joints.made, joints.total, 'joint')} made${joints.bad > 0 ? `, ${joints.bad} bad` : ''}`
  return `${made}; ${sections.total === 0 ? 'no section planned' : `${of(sections.good, sections.total, 'section')} tested good`}.`
}

export default function Lines(): ReactElement {
  const lines = useLines()
  const me = useMe()
  const navigate = useNavigate()
  if (!lines.data) return <Loading query={lines} />
  const engineer = me.data?.projects.some((p) => p.role === 'engineer')
  return (
    <Page title="Lines">
      {lines.data.length === 0 && (
        <Typography sx={{ my: 3 }}>No line yet. {engineer ? 'Make the first one.' : 'An engineer of your project makes one.'}</Typography>
      )}
      {lines.data.map((line) => (
        <Box key={line.id} component="article" sx={{ borderTop: 1, borderColor: 'divider', py: 2.5 }}>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
            <Typography variant="h2" component="h2">
              <Link to={`/lines/${line.id}`}>{line.name}</Link>
            </Typography>
            <Typography variant="body2">
              {line.project} · {line.pipe.material} {line.pipe.dn_mm} SDR {line.pipe.sdr}, {line.service}, {Math.round(line.length_m)} m
            </Typography>
          </Box>
          <LineParts line={line} />
          <Typography sx={{ mt: 0.5 }}>{sentence(line)}</Typography>
        </Box>
      ))}
      {engineer && (
        <Button variant="contained" sx={{ mt: 2 }} onClick={() => void navigate('/lines/new')}>
          Make a line
        </Button>
      )}
    </Page>
  )
}
