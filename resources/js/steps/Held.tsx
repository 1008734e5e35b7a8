import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Waiting } from '../ui/Waiting'
import type { LockHere } from './lockHere'
import { say } from '../texts/say'

/** Why it cannot be done now; where only time is missing, how much of it. */
export function Held({
  lock,
  opens,
  now,
  zone,
  onGo,
}: {
  lock: LockHere | null
  opens: number | null
  now: number
  zone: string
  onGo: (key: string) => void
}): ReactElement {
  return (
    <Box sx={{ my: 2 }}>
      {opens !== null && <Waiting label={say('steps.notBefore')} at={opens} now={now} zone={zone} />}
      {lock?.protects && <Typography sx={{ fontWeight: 700, color: 'secondary.main' }}>{say('steps.shutSoThatNobodyGetsHurt')}</Typography>}
      {lock && lock.code !== 'too-early' && <Typography sx={{ fontWeight: 700 }}>{lock.text}</Typography>}
      {lock?.goTo && (
        <Button variant="outlined" sx={{ mt: 1.5 }} onClick={() => onGo(lock.goTo!.key)}>
          {say('steps.goTo', { title: lock.goTo.title })}
        </Button>
      )}
    </Box>
  )
}
