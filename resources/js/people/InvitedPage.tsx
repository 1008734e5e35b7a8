import { Box, Button, TextField, Typography } from '@mui/material'
import { useQuery } from '@tanstack/react-query'
import { useState, type ReactElement } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, type Invitation } from '../api/client'
import { queries, useMe } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { roleWord } from '../texts/words'
import { Refused } from '../ui/Refused'
import { PasswordField } from './PasswordField'

const LEAST_PASSWORD = 10

/** Where a link leads: in, with a name and a password of one's own; or to a new password. */
export default function InvitedPage(): ReactElement {
  const { token = '' } = useParams()
  const found = useQuery({ queryKey: ['invited', token], queryFn: () => api.get<Invitation>(`/invitations/${token}`), retry: 1 })
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', px: 2, py: 3 }}>
      <Box sx={{ width: '100%', maxWidth: 420, display: 'grid', gap: 2 }}>
        <Typography variant="h1" sx={{ fontSize: '2rem' }}>
          {say('signIn.diastoma')}
        </Typography>
        {found.data ? <Follow token={token} to={found.data} /> : <Refused why={found.error?.message} />}
      </Box>
    </Box>
  )
}

function Follow({ token, to }: { token: string; to: Invitation }): ReactElement {
  const me = useMe()
  if (to.renews_password) return <NewPassword token={token} name={to.name} />
  return (
    <>
      <Typography>{leadsTo(to)}</Typography>
      {me.data ? <Join token={token} name={me.data.name} /> : <NewPerson token={token} name={to.name} />}
    </>
  )
}

/** "Tamsin Orrel invites you to Ferrow valley renewal as joiner." */
function leadsTo(to: Invitation): string {
  const by = to.invited_by ?? ''
  if (to.project === null) return by ? say('people.invitesAsAdministrator', { by }) : say('people.firstAdministrator')
  return say('people.invitesYouTo', { by, project: to.project, role: roleWord(to.role ?? '') })
}

function Join({ token, name }: { token: string; name: string }): ReactElement {
  const navigate = useNavigate()
  const join = useVerb(
    () => api.post(`/invitations/${token}/join`),
    () => void navigate('/', { replace: true }),
  )
  return (
    <>
      <Refused why={join.fault} />
      <Button variant="contained" disabled={join.busy} onClick={() => join.run()}>
        {say('people.joinAs', { name })}
      </Button>
      <Typography variant="body2">{say('people.notYou')}</Typography>
    </>
  )
}

function NewPerson({ token, name: invited }: { token: string; name: string }): ReactElement {
  const navigate = useNavigate()
  const [name, setName] = useState(invited)
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const enter = useVerb(
    () => api.post(`/invitations/${token}`, { name, email, password }),
    () => {
      queries.clear()
      void navigate('/', { replace: true })
    },
  )
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault()
        enter.run()
      }}
      sx={{ display: 'grid', gap: 2 }}
    >
      <TextField
        label={say('people.yourName')}
        autoComplete="name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        error={enter.faults['name'] !== undefined}
        helperText={enter.faults['name'] ?? say('people.asItStandsUnderRecords')}
      />
      <TextField
        label={say('signIn.eMail')}
        type="email"
        autoComplete="username"
        value={email}
        onChange={(e) => setEmail(e.target.value)}
        error={enter.faults['email'] !== undefined}
        helperText={enter.faults['email'] ?? say('people.noMailIsSent')}
      />
      <PasswordField
        isNew
        label={say('account.newPassword', { least: LEAST_PASSWORD })}
        value={password}
        onChange={setPassword}
        fault={enter.faults['password']}
      />
      <Refused why={enter.faults['token'] ?? enter.faults['all']} />
      <Button variant="contained" type="submit" disabled={enter.busy}>
        {say('people.begin')}
      </Button>
    </Box>
  )
}

function NewPassword({ token, name }: { token: string; name: string }): ReactElement {
  const navigate = useNavigate()
  const [password, setPassword] = useState('')
  const renew = useVerb(
    () => api.post(`/invitations/${token}/password`, { password }),
    () => {
      queries.clear()
      void navigate('/sign-in', { replace: true })
    },
  )
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault()
        renew.run()
      }}
      sx={{ display: 'grid', gap: 2 }}
    >
      <Typography>{say('people.chooseNewPassword', { name })}</Typography>
      <PasswordField
        isNew
        label={say('account.newPassword', { least: LEAST_PASSWORD })}
        value={password}
        onChange={setPassword}
        fault={renew.faults['password']}
      />
      <Refused why={renew.faults['token'] ?? renew.faults['all']} />
      <Button variant="contained" type="submit" disabled={renew.busy}>
        {say('people.keepPassword')}
      </Button>
    </Box>
  )
}
