import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { api } from './api/client'
import { queries } from './api/queries'
import { useVerb } from './api/useVerb'
import { useOutbox } from './outbox/useOutbox'
import { Refused } from './ui/Refused'
import { say } from './texts/say'
import { listed } from './texts/listed'

export default function SignIn(): ReactElement {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const navigate = useNavigate()
  const from = (useLocation().state as { from?: string } | null)?.from ?? '/'
  const names = [...new Set(useOutbox().flatMap((w) => w.by?.name ?? []))]
  const [code, setCode] = useState('')
  const [asked, setAsked] = useState(false)
  const enter = useVerb(
    () => api.post('/session', { email, password, ...(code ? { code } : {}) }),
    () => {
      queries.clear()
      void navigate(from, { replace: true })
    },
    (faults) => {
      if (faults['code'] !== undefined) setAsked(true)
    },
  )
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', px: 2 }}>
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault()
          enter.run()
        }}
        sx={{ width: '100%', maxWidth: 380, display: 'grid', gap: 2 }}
      >
        <svg viewBox="0 0 380 60" aria-hidden="true" style={{ width: '100%' }}>
          <line x1="0" x2="238" y1="30" y2="30" stroke="var(--water)" strokeWidth="12" />
          <line x1="238" x2="380" y1="30" y2="30" stroke="var(--rule)" strokeWidth="4" strokeDasharray="12 9" />
          {[48, 128].map((x) => (
            <g key={x}>
              <circle cx={x} cy="30" r="17" fill="var(--ground)" stroke="var(--ink)" strokeWidth="5" />
              <circle cx={x} cy="30" r="7" fill="var(--ink)" />
            </g>
          ))}
          <circle cx="216" cy="30" r="17" fill="var(--ground)" stroke="var(--accent)" strokeWidth="5" strokeDasharray="70 40" />
        </svg>
        <Typography variant="h1" sx={{ fontSize: '2rem' }}>
          {say('signIn.diastoma')}
        </Typography>
        <Typography>{say('signIn.planMeasureJudgeAndRecordThe')}</Typography>
        <TextField
          label={say('signIn.eMail')}
          type="email"
          autoComplete="username"
          value={email}
          onChange={(e) => setEmail(e.target.value)}
          autoFocus
        />
        <TextField
          label={say('signIn.password')}
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        {asked && (
          <TextField
            label={say('account.sixDigits')}
            value={code}
            onChange={(e) => setCode(e.target.value)}
            slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'one-time-code' } }}
            autoFocus
          />
        )}
        {names.length > 0 && <Typography>{say('signIn.entriesOnThisDeviceWaitTo', { names: listed(names) })}</Typography>}
        <Refused why={enter.fault} />
        <Button variant="contained" type="submit" disabled={enter.busy}>
          {say('signIn.signIn')}
        </Button>
      </Box>
    </Box>
  )
}
