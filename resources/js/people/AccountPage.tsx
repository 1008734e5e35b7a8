import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { useAccount, useMe } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { dayAndTimeHere } from '../ui/clock'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { whileComing } from '../ui/whileComing'
import { programOf } from './programOf'
import { PasswordField } from './PasswordField'
import { SecondFactor } from './SecondFactor'

const LEAST_PASSWORD = 10

/** What belongs to oneself: password, second factor, the devices on which one is signed in. */
export default function AccountPage(): ReactElement {
  const me = useMe()
  const account = useAccount()
  if (!account.data || !me.data) return whileComing(account.error ? account : me, { to: '/', label: say('common.lines') })
  return (
    <Page title={me.data.name} up={{ to: '/', label: say('common.lines') }}>
      <Typography sx={{ mt: 1 }}>{say('account.youSignInWith', { email: me.data.email })}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, columnGap: 6, rowGap: 4, mt: 3, maxWidth: 1100 }}>
        <SecondFactor has={account.data.second_factor} must={account.data.must_add_factor} />
        <Password />
        <Devices devices={account.data.devices} />
      </Box>
    </Page>
  )
}

function Password(): ReactElement {
  const [old, setOld] = useState('')
  const [next, setNext] = useState('')
  const [done, setDone] = useState(false)
  const change = useVerb(
    () => api.put('/me/password', { password: old, new_password: next }),
    () => {
      setOld('')
      setNext('')
      setDone(true)
    },
  )
  return (
    <Box
      component="form"
      aria-labelledby="password"
      onSubmit={(e) => {
        e.preventDefault()
        change.run()
      }}
      sx={{ display: 'grid', gap: 2, alignContent: 'start' }}
    >
      <Typography id="password" variant="h2">
        {say('account.password')}
      </Typography>
      <PasswordField
        label={say('account.passwordOfToday')}
        value={old}
        onChange={(value) => {
          setOld(value)
          setDone(false)
        }}
        fault={change.faults['password']}
      />
      <PasswordField
        isNew
        label={say('account.newPassword', { least: LEAST_PASSWORD })}
        value={next}
        onChange={setNext}
        fault={change.faults['new_password']}
      />
      <Refused why={change.faults['all']} />
      <Button variant="outlined" type="submit" disabled={old === '' || next.length < LEAST_PASSWORD || change.busy}>
        {say('account.changePassword')}
      </Button>
      {done && <Typography role="status">{say('account.passwordIsChanged')}</Typography>}
    </Box>
  )
}

type Device = NonNullable<ReturnType<typeof useAccount>['data']>['devices'][number]

function Devices({ devices }: { devices: Device[] }): ReactElement {
  const end = useVerb((id: string) => api.delete(`/me/devices/${id}`))
  const endAll = useVerb(() => api.delete('/me/devices'))
  const others = devices.filter((d) => !d.here)
  return (
    <Box component="section" aria-labelledby="devices">
      <Typography id="devices" variant="h2">
        {say('account.signedInOn')}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {devices.map((d) => (
          <Box
            component="li"
            key={d.id}
            sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 2, alignItems: 'center', minHeight: 64 }}
          >
            <Box sx={{ flexGrow: 1, minWidth: 0 }}>
              <Typography sx={{ fontWeight: d.here ? 700 : 400, overflowWrap: 'anywhere' }}>
                {programOf(d.program)}
                {d.here ? say('account.thisDevice') : ''}
              </Typography>
              <Typography variant="body2">
                {say('account.lastSeen', { at: dayAndTimeHere(d.seen_at), address: d.address ?? '–' })}
              </Typography>
            </Box>
            {!d.here && (
              <Button variant="outlined" size="small" disabled={end.busy} onClick={() => end.run(d.id)}>
                {say('account.signOutThere')}
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {others.length > 1 && (
        <Button variant="outlined" disabled={endAll.busy} onClick={() => endAll.run()} sx={{ mt: 1 }}>
          {say('account.signOutEverywhereElse')}
        </Button>
      )}
      <Refused why={end.fault ?? endAll.fault} />
    </Box>
  )
}
