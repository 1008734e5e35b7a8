import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import { useMe, usePeople } from '../api/queries'
import { say } from '../texts/say'
import { roleWord } from '../texts/words'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { Parties } from './Parties'

/** Who works in my projects, and who may what. */
export default function PeoplePage(): ReactElement {
  const projects = usePeople()
  const me = useMe()
  if (!projects.data) return whileComing(projects, { to: '/', label: say('common.lines') })
  return (
    <Page title={say('desk.people')} up={{ to: '/', label: say('common.lines') }}>
      {me.data?.is_admin && (
        <Button variant="outlined" component={Link} to="/organisation" sx={{ mt: 2 }}>
          {say('people.organisation')}
        </Button>
      )}
      {projects.data.length === 0 && <Typography sx={{ mt: 2 }}>{say('people.youAreInNoProject')}</Typography>}
      {projects.data.map((project) => (
        <Box component="section" key={project.id} aria-labelledby={`project-${project.id}`} sx={{ mt: 3 }}>
          <Typography id={`project-${project.id}`} variant="h2">
            {project.practice ? say('desk.lineOfPractice', { line: project.name }) : project.name}
          </Typography>
          <Parties project={project} mayChange={project.people.some((p) => p.id === me.data?.id && p.role === 'engineer')} />
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, maxWidth: 560 }}>
            {project.people.map((person) => (
              <Box
                component="li"
                key={person.id}
                sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, display: 'flex', justifyContent: 'space-between', gap: 3 }}
              >
                <Box component="span" sx={{ fontWeight: person.id === me.data?.id ? 700 : 400, overflowWrap: 'anywhere' }}>
                  {person.id === me.data?.id ? say('desk.you', { name: person.name }) : person.name}
                </Box>
                <span>{roleWord(person.role)}</span>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
      <Typography sx={{ mt: 3, maxWidth: 640 }}>{say('desk.whoMayWhat')}</Typography>
    </Page>
  )
}
