import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type Organisation } from '../api/client'
import { useMe } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { roleWord, ROLES } from '../texts/words'
import { dayAndTimeHere } from '../ui/clock'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { Handed, type Link } from './Handed'

type Person = Organisation['people'][number]
const NONE = 'none'

/** One person: a role in each project, and what the administrator can do for them. */
export function OnePerson({
  person,
  projects,
  onClose,
}: {
  person: Person
  projects: Organisation['projects']
  onClose: () => void
}): ReactElement {
  const me = useMe()
  const [link, setLink] = useState<Link | null>(null)
  const change = useVerb((what: Record<string, boolean>) => api.patch(`/organisation/people/${person.id}`, what))
  const renew = useVerb(() => api.post<Link>('/organisation/invitations', { user_id: person.id }), setLink)
  const isMe = person.id === me.data?.id
  return (
    <Sheet open onClose={onClose} title={person.name}>
      <Typography sx={{ overflowWrap: 'anywhere' }}>{person.email}</Typography>
      <Typography variant="body2">
        {person.seen_at ? say('people.lastSeen', { at: dayAndTimeHere(person.seen_at) }) : say('people.notSignedIn')}
        {' · '}
        {say(person.second_factor ? 'people.hasFactor' : 'people.hasNoFactor')}
      </Typography>
      {projects.map((p) => (
        <RoleIn key={p.id} person={person} project={p} />
      ))}
      {link ? (
        <Box sx={{ mt: 2 }}>
          <Typography sx={{ fontWeight: 700 }}>{say('people.handItOver', { name: person.name })}</Typography>
          <Handed link={link} />
        </Box>
      ) : (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 2 }}>
          <Button variant="outlined" disabled={renew.busy} onClick={() => renew.run()}>
            {say('people.newPasswordLink')}
          </Button>
          {person.second_factor && (
            <Button variant="outlined" disabled={change.busy} onClick={() => change.run({ second_factor: false })}>
              {say('people.takeFactorAway')}
            </Button>
          )}
          <Button variant="outlined" disabled={change.busy} onClick={() => change.run({ is_admin: !person.is_admin })}>
            {say(person.is_admin ? 'people.administratorNoMore' : 'people.makeAdministrator')}
          </Button>
          {!isMe && (
            <Button variant="outlined" color="secondary" disabled={change.busy} onClick={() => change.run({ disabled: !person.disabled })}>
              {say(person.disabled ? 'people.letInAgain' : 'people.disable')}
            </Button>
          )}
        </Box>
      )}
      <Refused why={change.fault ?? renew.fault} />
    </Sheet>
  )
}

function RoleIn({ person, project }: { person: Person; project: Organisation['projects'][number] }): ReactElement {
  const path = `/organisation/projects/${project.id}/people/${person.id}`
  const give = useVerb((role: string) => (role === NONE ? api.delete(path) : api.put(path, { role })))
  return (
    <>
      <TextField
        select
        label={project.name}
        value={person.roles.find((r) => r.project_id === project.id)?.role ?? NONE}
        disabled={give.busy}
        onChange={(e) => give.run(e.target.value)}
        sx={{ mt: 2 }}
        fullWidth
      >
        <MenuItem value={NONE}>{say('people.worksNotHere')}</MenuItem>
        {ROLES.map((r) => (
          <MenuItem key={r} value={r}>
            {roleWord(r)}
          </MenuItem>
        ))}
      </TextField>
      <Refused why={give.fault} />
    </>
  )
}
