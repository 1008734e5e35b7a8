import { Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type Organisation } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { roleWord, ROLES } from '../texts/words'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { Handed, type Link } from './Handed'

/** A link for one person, with a role in a project; nothing is sent, it is shown to be handed over. */
export function Invite({ projects }: { projects: Organisation['projects'] }): ReactElement {
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  const [chosen, setProject] = useState<number | null>(null)
  const project = chosen ?? projects[0]?.id ?? ''
  const [role, setRole] = useState<string>('joiner')
  const [link, setLink] = useState<Link | null>(null)
  const invite = useVerb(() => api.post<Link>('/organisation/invitations', { name, project_id: project, role }), setLink)
  const close = (): void => {
    setOpen(false)
    setLink(null)
    setName('')
  }
  return (
    <>
      <Button variant="contained" disabled={projects.length === 0} onClick={() => setOpen(true)}>
        {say('people.invite')}
      </Button>
      <Sheet
        open={open}
        onClose={close}
        title={link ? say('people.handItOver', { name: name || say('people.somebody') }) : say('people.inviteSomebody')}
        actions={
          link ? undefined : (
            <Button variant="contained" disabled={invite.busy} onClick={() => invite.run()}>
              {say('people.makeTheLink')}
            </Button>
          )
        }
      >
        {link ? (
          <Handed link={link} />
        ) : (
          <>
            <TextField
              label={say('people.nameOfInvited')}
              value={name}
              onChange={(e) => setName(e.target.value)}
              sx={{ mt: 1 }}
              fullWidth
            />
            <TextField
              select
              label={say('people.project')}
              value={project}
              onChange={(e) => setProject(Number(e.target.value))}
              sx={{ mt: 2 }}
              fullWidth
            >
              {projects.map((p) => (
                <MenuItem key={p.id} value={p.id}>
                  {p.name}
                </MenuItem>
              ))}
            </TextField>
            <TextField select label={say('people.role')} value={role} onChange={(e) => setRole(e.target.value)} sx={{ mt: 2 }} fullWidth>
              {ROLES.map((r) => (
                <MenuItem key={r} value={r}>
                  {roleWord(r)}
                </MenuItem>
              ))}
            </TextField>
            <Typography variant="body2" sx={{ mt: 2 }}>
              {say('desk.whoMayWhat')}
            </Typography>
            <Refused why={invite.fault} />
          </>
        )}
      </Sheet>
    </>
  )
}
