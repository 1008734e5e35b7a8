import { Button } from '@mui/material'
import type { ReactElement } from 'react'
import { useMe } from '../api/queries'
import type { Waiting, WaitingPhoto } from './db'
import { useOnline } from '../ui/useOnline'
import { claim } from './outbox'
import { say } from '../texts/say'

/** What an entry on this device waits for: the network, or the person whose it is. */
export function Whose({ row }: { row: Waiting | WaitingPhoto }): ReactElement {
  const me = useMe()
  const online = useOnline()
  if (!row.by) {
    return (
      <>
        {say('outbox.recordedBeforeAnybodyWasSignedIn')}
        {me.data && (
          <Button onClick={() => void claim(row)} sx={{ ml: 1 }}>
            {say('outbox.itWasMe', { name: me.data.name })}
          </Button>
        )}
      </>
    )
  }
  return (
    <>
      {row.by.id === me.data?.id
        ? say(online ? 'outbox.notTakenYet' : 'outbox.waitsForTheNetwork')
        : say('outbox.recordedByWaitsUntilSignsIn', { name: row.by.name })}
    </>
  )
}
