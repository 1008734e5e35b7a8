import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Code } from '../ui/Code'
import { Refused } from '../ui/Refused'
import { PasswordField } from './PasswordField'

/** A code beside the password, from an authenticator on one's own phone. */
export function SecondFactor({ has, must }: { has: boolean; must: boolean }): ReactElement {
  const [password, setPassword] = useState('')
  const [secret, setSecret] = useState<{ secret: string; address: string } | null>(null)
  const [code, setCode] = useState('')
  const begin = useVerb(
    () => api.post<{ secret: string; address: string }>('/me/second-factor', { password }),
    (made) => {
      setSecret(made)
      setPassword('')
    },
  )
  const add = useVerb(
    () => api.put('/me/second-factor', { code }),
    () => {
      setSecret(null)
      setCode('')
    },
  )
  const remove = useVerb(
    () => api.delete('/me/second-factor', { password }),
    () => setPassword(''),
  )
  return (
    <Box
      component="form"
      aria-labelledby="factor"
      onSubmit={(e) => {
        e.preventDefault()
        if (secret) add.run()
        else if (has) remove.run()
        else begin.run()
      }}
      sx={{ display: 'grid', gap: 2, alignContent: 'start' }}
    >
      <Typography id="factor" variant="h2">
        {say('account.secondFactor')}
      </Typography>
      {must && (
        <Typography role="alert" sx={{ fontWeight: 700, color: 'secondary.main' }}>
          {say('account.factorIsWanted')}
        </Typography>
      )}
      {secret ? (
        <>
          <Typography>{say('account.readWithAuthenticator')}</Typography>
          <Code text={secret.address} about={say('account.codeForAuthenticator')} />
          <Typography sx={{ overflowWrap: 'anywhere' }}>
            {say('account.orType', { secret: secret.secret.match(/.{1,4}/g)!.join(' ') })}
          </Typography>
          <TextField
            label={say('account.sixDigits')}
            value={code}
            onChange={(e) => setCode(e.target.value)}
            slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'one-time-code' } }}
            error={add.faults['code'] !== undefined}
            helperText={add.faults['code']}
          />
          <Refused why={add.faults['all']} />
          <Button variant="contained" type="submit" disabled={code.replace(/\s/g, '').length < 6 || add.busy}>
            {say('account.addFactor')}
          </Button>
        </>
      ) : (
        <>
          <Typography>{say(has ? 'account.factorIsOn' : 'account.factorIsOff')}</Typography>
          <PasswordField
            label={say('account.passwordOfToday')}
            value={password}
            onChange={setPassword}
            fault={(has ? remove : begin).faults['password']}
          />
          <Refused why={(has ? remove : begin).faults['all']} />
          <Button variant={must ? 'contained' : 'outlined'} type="submit" disabled={password === '' || begin.busy || remove.busy}>
            {say(has ? 'account.removeFactor' : 'account.beginFactor')}
          </Button>
        </>
      )}
    </Box>
  )
}
