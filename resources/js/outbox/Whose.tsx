import { Button } from '@mui/material'
import type { ReactElement } from 'react'
import { useMe } from '../api/queries'
import type { Waiting, WaitingPhoto } from './db'
import { claim } from './outbox'

/** What an entry on this device waits for: the network, or the person whose it is. */
export function Whose({ row }: { row: Waiting | WaitingPhoto }): ReactElement {
  const me = useMe()
  if (!row.by) {
    return (
      <>
        recorded before anybody was signed in here
        {me.data && (
          <Button onClick={() => void claim(row)} sx={{ ml: 1 }}>
            It was me, {me.data.name}
          </Button>
        )}
      </>
    )
  }
  return <>{row.by.id === me.data?.id ? 'waits for the network' : `recorded by ${row.by.name}, waits until ${row.by.name} signs in here`}</>
}
