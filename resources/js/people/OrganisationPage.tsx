import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link } from 'react-router'
import { api, type Organisation } from '../api/client'
import { useOrganisation } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { roleWord } from '../texts/words'
import { dayAndTimeHere } from '../ui/clock'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { whileComing } from '../ui/whileComing'
import { Invite } from './Invite'
import { NewProject } from './NewProject'
import { OnePerson } from './OnePerson'

/** Who works here, where and as what: for the administrator. */
export default function OrganisationPage(): ReactElement {
  const organisation = useOrganisation()
  const [person, setPerson] = useState<number | null>(null)
  if (!organisation.data) return whileComing(organisation, { to: '/people', label: say('desk.people') })
  const { projects, people, invitations } = organisation.data
  const open = people.find((p) => p.id === person)
  return (
    <Page title={say('people.organisation')} up={{ to: '/people', label: say('desk.people') }}>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 2 }}>
        <Invite projects={projects} />
        <NewProject />
        <Button variant="outlined" component={Link} to="/organisation/journal">
          {say('people.journal')}
        </Button>
      </Box>
      {invitations.length > 0 && <Invitations all={invitations} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', md: '3fr 2fr' }, columnGap: 6, rowGap: 4, mt: 2 }}>
        <Box component="section" aria-labelledby="all-people">
          <Typography id="all-people" variant="h2">
            {say('desk.people')}
          </Typography>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
            {people.map((p) => (
              <Box component="li" key={p.id} sx={{ borderTop: 1, borderColor: 'divider' }}>
                <Button
                  onClick={() => setPerson(p.id)}
                  fullWidth
                  sx={{ justifyContent: 'space-between', textAlign: 'left', gap: 2, py: 1, px: 0.5, fontWeight: 400 }}
                >
                  <Box sx={{ flex: '1 0 auto', maxWidth: '60%' }}>
                    <Typography sx={{ fontWeight: 700, overflowWrap: 'anywhere', textDecoration: p.disabled ? 'line-through' : 'none' }}>
                      {p.name}
                    </Typography>
                    <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
                      {p.email}
                    </Typography>
                  </Box>
                  <Typography variant="body2" sx={{ textAlign: 'right' }}>
                    {standingOf(p)}
                  </Typography>
                </Button>
              </Box>
            ))}
          </Box>
        </Box>
        <Box component="section" aria-labelledby="all-projects">
          <Typography id="all-projects" variant="h2">
            {say('people.projects')}
          </Typography>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
            {projects.map((p) => (
              <Project key={p.id} project={p} />
            ))}
          </Box>
        </Box>
      </Box>
      {open && <OnePerson person={open} projects={projects} onClose={() => setPerson(null)} />}
    </Page>
  )
}

/** "joiner in Ferrow valley renewal", or why nobody gets in by this name. */
function standingOf(p: Organisation['people'][number]): string {
  if (p.disabled) return say('people.disabled')
  const roles = p.roles.map((r) => say('people.roleIn', { role: roleWord(r.role), project: r.project }))
  const all = [...(p.is_admin ? [say('people.administrator')] : []), ...roles]
  return all.length > 0 ? all.join(', ') : say('people.inNoProject')
}

function Project({ project }: { project: Organisation['projects'][number] }): ReactElement {
  const want = useVerb((wants: boolean) => api.patch(`/organisation/projects/${project.id}`, { wants_second_factor: wants }))
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 2, alignItems: 'center' }}>
      <Box sx={{ flexGrow: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700, overflowWrap: 'anywhere' }}>
          {project.practice ? say('desk.lineOfPractice', { line: project.name }) : project.name}
        </Typography>
        <Typography variant="body2">{say('people.peopleAndLines', { people: project.people, lines: project.lines })}</Typography>
        {project.wants_second_factor && <Typography variant="body2">{say('people.wantsSecondFactor')}</Typography>}
        <Refused why={want.fault} />
      </Box>
      <Button
        variant="outlined"
        size="small"
        disabled={want.busy}
        onClick={() => want.run(!project.wants_second_factor)}
        aria-label={say(project.wants_second_factor ? 'people.endFactorIn' : 'people.wantFactorIn', { project: project.name })}
      >
        {say(project.wants_second_factor ? 'people.endFactor' : 'people.wantFactor')}
      </Button>
    </Box>
  )
}

function Invitations({ all }: { all: Organisation['invitations'] }): ReactElement {
  const withdraw = useVerb((id: number) => api.delete(`/organisation/invitations/${id}`))
  return (
    <Box component="section" aria-labelledby="invitations" sx={{ mt: 2, maxWidth: 760 }}>
      <Typography id="invitations" variant="h2">
        {say('people.openInvitations')}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {all.map((i) => (
          <Box
            component="li"
            key={i.id}
            sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 2, alignItems: 'center' }}
          >
            <Box sx={{ flexGrow: 1, minWidth: 0 }}>
              <Typography sx={{ overflowWrap: 'anywhere' }}>
                <strong>{i.name || say('people.somebody')}</strong>{' '}
                {i.renews_password
                  ? say('people.mayChoosePassword')
                  : i.project
                    ? say('people.roleIn', { role: roleWord(i.role ?? ''), project: i.project })
                    : say('people.administrator')}
              </Typography>
              <Typography variant="body2">{say('people.until', { at: dayAndTimeHere(i.expires_at) })}</Typography>
            </Box>
            <Button variant="outlined" size="small" disabled={withdraw.busy} onClick={() => withdraw.run(i.id)}>
              {say('people.withdraw')}
            </Button>
          </Box>
        ))}
      </Box>
      <Refused why={withdraw.fault} />
    </Box>
  )
}
