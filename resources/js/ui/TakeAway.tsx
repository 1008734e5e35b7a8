import { Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api } from '../api/client'
import { useVerb } from '../api/useVerb'
import { Refused } from './Refused'
import { Sheet } from './Sheet'

interface Props {
  /** what goes, at the server */
  path: string
  /** where one is then */
  to: string
  /** what the first tap says, what is asked, what goes with it, and what the second tap says */
  first: string
  asks: string
  goes: string
  second: string
}

/** Something that was planned goes again before work begins on it; the second tap names what goes. */
export function TakeAway({ path, to, first, asks, goes, second }: Props): ReactElement {
  const navigate = useNavigate()
  const [asked, setAsked] = useState(false)
  const remove = useVerb(
    () => api.delete(path),
    () => void navigate(to),
  )
  return (
    <>
      <Button sx={{ mt: 1 }} onClick={() => setAsked(true)}>
        {first}
      </Button>
      <Sheet
        open={asked}
        onClose={() => setAsked(false)}
        title={asks}
        actions={
          <Button variant="contained" color="secondary" disabled={remove.busy} onClick={() => remove.run()}>
            {second}
          </Button>
        }
      >
        <Typography>{goes}</Typography>
        <Refused why={remove.fault} />
      </Sheet>
    </>
  )
}
