import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { useRouteError } from 'react-router'
import { Page } from './Page'

/** A page that broke: said in a sentence, with a way back. What was recorded lies in the outbox and is not touched. */
export function Fault(): ReactElement {
  const error = useRouteError()
  const said = error instanceof Error ? error.message : String(error)
  // A page that is not on this device cannot be fetched without network.
  const missing = /dynamically imported module|Importing a module script/.test(said)
  return (
    <Page title={missing ? 'This page is not on this device' : 'This page broke'} up={{ to: '/', label: 'Lines' }}>
      <Typography role="alert" sx={{ my: 2, maxWidth: '70ch' }}>
        {missing
          ? 'It comes with the network. What is recorded on this device is kept and goes out as before.'
          : 'What is recorded on this device is kept and goes out as before. Load the page again, or go back to the lines.'}
      </Typography>
      <Button variant="contained" onClick={() => window.location.reload()}>
        Load it again
      </Button>
      {!missing && (
        <Typography variant="body2" sx={{ mt: 3, overflowWrap: 'anywhere' }}>
          For whoever mends it: {said}
        </Typography>
      )}
    </Page>
  )
}
