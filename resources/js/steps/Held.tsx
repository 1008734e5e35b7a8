import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { LockHere } from './lockHere'
import { say } from '../texts/say'

/** Why it cannot be done now; with a clock when only time is missing. */
export function Held({
  lock,
  opens,
  now,
  onGo,
}: {
  lock: LockHere | null
  opens: number | null
  now: number
  onGo: (key: string) => void
}): ReactElement {
  const left = opens === null ? 0 : Math.max(0, Math.ceil((opens - now) / 1000))
  const shown =
    left >= 3600
      ? say('steps.hMin', { hours: Math.floor(left / 3600), minutes: Math.floor((left % 3600) / 60) })
      : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`
  return (
    <Box sx={{ my: 2 }}>
      {opens !== null && (
        <Typography
          role="timer"
          sx={{ fontSize: { xs: '3.4rem', md: '4.4rem' }, fontWeight: 700, lineHeight: 1.1, color: 'secondary.main' }}
        >
          {shown}
        </Typography>
      )}
      {lock?.protects && <Typography sx={{ fontWeight: 700, color: 'secondary.main' }}>{say('steps.shutSoThatNobodyGetsHurt')}</Typography>}
      {lock && <Typography sx={{ fontWeight: 700 }}>{lock.text}</Typography>}
      {lock?.goTo && (
        <Button variant="outlined" sx={{ mt: 1.5 }} onClick={() => onGo(lock.goTo!.key)}>
          {say('steps.goTo', { title: lock.goTo.title })}
        </Button>
      )}
    </Box>
  )
}
