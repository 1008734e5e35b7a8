import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useRouteError } from 'react-router'
import { Page } from './Page'
import { say } from '../texts/say'

/** A page that broke: said in a sentence, with a way back. What was recorded lies in the outbox and is not touched. */
export function Fault(): ReactElement {
  const error = useRouteError()
  const said = error instanceof Error ? error.message : String(error)
  // A page that is not on this device cannot be fetched without network.
  const missing = /dynamically imported module|Importing a module script/.test(said)
  return (
    <Page title={missing ? say('ui.thisPageIsNotOnThis') : say('ui.thisPageBroke')} up={{ to: '/', label: say('common.lines') }}>
      <Typography role="alert" sx={{ my: 2, maxWidth: '70ch' }}>
        {missing ? say('ui.itComesWithTheNetworkWhat') : say('ui.whatIsRecordedOnThisDevice')}
      </Typography>
      <Button variant="contained" onClick={() => window.location.reload()}>
        {say('ui.loadItAgain')}
      </Button>
      {!missing && (
        <Typography variant="body2" sx={{ mt: 3, overflowWrap: 'anywhere' }}>
          {say('ui.forWhoeverMendsIt', { said })}
        </Typography>
      )}
    </Page>
  )
}
