import { Button } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { say } from '../texts/say'

/** Lets go what was refused: the first tap asks, and says what it is that goes. */
export function Drop({ what, onDrop }: { what: string; onDrop: () => void }): ReactElement {
  const [asked, setAsked] = useState(false)
  return asked ? (
    <Button variant="contained" color="secondary" onClick={onDrop}>
      {say('ui.dropWhat', { what })}
    </Button>
  ) : (
    <Button variant="outlined" onClick={() => setAsked(true)}>
      {say('ui.dropIt')}
    </Button>
  )
}
