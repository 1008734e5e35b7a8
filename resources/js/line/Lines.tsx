import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link, useNavigate } from 'react-router'
import type { LineShort } from '../api/client'
import { useLines, useMe } from '../api/queries'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { LineParts } from './LineParts'
import { say } from '../texts/say'
import { sizeOf } from '../pipes/sizeOf'
import { serviceWord } from '../texts/words'

/** State of a line in a sentence. */
function sentence({ joints, sections }: LineShort): string {
  const made = say('line.jointsMade', { made: joints.made, total: joints.total })
  const bad = joints.bad > 0 ? say('line.andBad', { bad: joints.bad }) : ''
  const tested = sections.total === 0 ? say('line.noSectionPlanned') : say('line.sectionsGood', sections)
  return `${made}${bad}; ${tested}.`
}

export default function Lines(): ReactElement {
  const lines = useLines()
  const me = useMe()
  const navigate = useNavigate()
  const show = useShow()
  const [more, setMore] = useState(false)
  if (!lines.data) return whileComing(lines)
  const isNew = me.data !== undefined && me.data.projects.length === 0
  const away = lines.data.filter((line) => line.archived)
  const shown = lines.data.filter((line) => more || !line.archived)
  const engineer = me.data?.projects.some((p) => p.role === 'engineer')
  return (
    <Page title={say('common.lines')}>
      {lines.data.length === 0 && (
        <Typography sx={{ my: 3 }}>
          {isNew
            ? say(me.data!.is_admin ? 'line.makeAProjectFirst' : 'people.youAreInNoProject')
            : say('line.noLineYet', { next: say(engineer ? 'line.makeTheFirstOne' : 'line.anEngineerOfYourProjectMakes') })}
        </Typography>
      )}
      {isNew && me.data!.is_admin && (
        <Button variant="contained" component={Link} to="/organisation">
          {say('people.organisation')}
        </Button>
      )}
      {shown.map((line) => (
        <Box key={line.id} component="article" sx={{ borderTop: 1, borderColor: 'divider', py: 2.5 }}>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
            <Typography variant="h2" component="h2">
              <Link to={`/lines/${line.id}`}>{line.name}</Link>
            </Typography>
            <Typography variant="body2">
              {say('line.sizeAndLength', {
                project: line.project,
                pipe: sizeOf(line.pipe),
                service: serviceWord(line.service),
                length: show('x_m', 'length', line.length_m, 0),
              })}
              {line.archived ? ` · ${say('line.putAway')}` : ''}
            </Typography>
          </Box>
          <LineParts line={line} />
          <Typography sx={{ mt: 0.5 }}>{sentence(line)}</Typography>
        </Box>
      ))}
      {away.length > 0 && !more && (
        <Button sx={{ px: 0.5, fontWeight: 400, color: 'text.secondary', display: 'block' }} onClick={() => setMore(true)}>
          {say('line.putAwayLines', { count: away.length })}
        </Button>
      )}
      {engineer && (
        <Button variant="contained" sx={{ mt: 2 }} onClick={() => void navigate('/lines/new')}>
          {say('line.makeALine')}
        </Button>
      )}
    </Page>
  )
}
