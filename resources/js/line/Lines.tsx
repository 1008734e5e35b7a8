import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link, useNavigate } from 'react-router'
import type { LineShort } from '../api/client'
import { useLines, useMe } from '../api/queries'
import { LineString } from '../ui/LineString'
import { Loading } from '../ui/Loading'
import { Page } from '../ui/Page'
import { useNow } from '../ui/useNow'

/** State of a line in a sentence. */
function sentence(line: LineShort): string {
  const part = line.joints.filter((j) => j.state !== 'cut-out')
  const made = part.filter((j) => j.state === 'made' || j.state === 'accepted').length
  const bad = part.filter((j) => j.verdict === 'bad').length
  const tested = line.sections.filter((s) => s.tests.some((t) => t.state === 'accepted')).length
  const joints = `${made} of ${part.length} joints made${bad > 0 ? `, ${bad} bad` : ''}`
  const sections = line.sections.length === 0 ? 'no section planned' : `${tested} of ${line.sections.length} sections tested good`
  return `${joints}; ${sections}.`
}

export default function Lines(): ReactElement {
  const lines = useLines()
  const me = useMe()
  const navigate = useNavigate()
  const now = useNow(10_000)
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
          <LineString
            compact
            joints={line.joints}
            sections={line.sections}
            startM={line.start_m}
            lengthM={line.length_m}
            service={line.service}
            now={now}
          />
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
