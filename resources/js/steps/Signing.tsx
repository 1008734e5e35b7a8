import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { StepState } from '../api/client'
import { useMe } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { useOnline } from '../ui/useOnline'

interface Props {
  title: string
  /** written down from memory: who signs has confirmed them */
  limits: StepState['limits']
  /** it seals: the person signs, and not whoever holds the device */
  asksPassword: boolean
  onSign: (password: string) => void | Promise<void>
  onClose: () => void
}

/** The last look before a name stands under it. */
export function Signing({ title, limits, asksPassword, onSign, onClose }: Props): ReactElement {
  const me = useMe()
  const online = useOnline()
  const [confirmed, setConfirmed] = useState(false)
  const [password, setPassword] = useState('')
  const sign = useVerb(async () => onSign(password))
  const isReady = (limits.length === 0 || confirmed) && (!asksPassword || (password !== '' && online))
  return (
    <Sheet
      open
      onClose={onClose}
      title={title}
      actions={
        <Button variant="contained" type="submit" form="signing" disabled={!isReady || sign.busy}>
          {say('steps.signAs', { name: me.data?.name ?? '' })}
        </Button>
      }
    >
      <Box
        component="form"
        id="signing"
        onSubmit={(e) => {
          e.preventDefault()
          if (isReady) sign.run()
        }}
      >
        {limits.length > 0 && (
          <>
            <Typography sx={{ fontWeight: 700 }}>{say('steps.writtenDownFromMemory')}</Typography>
            <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
              {limits.map((l) => (
                <li key={l.name}>
                  {say('steps.limitWithSource', { label: l.label, value: l.shown ?? String(l.value), source: l.source })}
                </li>
              ))}
            </Box>
            <FormControlLabel
              sx={{ minHeight: 56, mb: 1 }}
              control={<Checkbox checked={confirmed} onChange={(e) => setConfirmed(e.target.checked)} />}
              label={say('steps.iHaveConfirmedThem', { count: limits.length })}
            />
          </>
        )}
        <Typography>{say(asksPassword ? 'steps.signedAndSealed' : 'steps.signedOnly')}</Typography>
        {asksPassword && (
          <>
            {/* So that a device's own store of passwords finds the right one. */}
            <input type="text" name="username" autoComplete="username" value={me.data?.email ?? ''} readOnly hidden />
            <TextField
              label={say('steps.yourPassword')}
              type="password"
              autoComplete="current-password"
              autoFocus
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              sx={{ mt: 2, mb: 1 }}
              fullWidth
            />
          </>
        )}
        <Refused why={asksPassword && !online ? say('steps.sealNeedsTheServer') : sign.fault} />
      </Box>
    </Sheet>
  )
}
