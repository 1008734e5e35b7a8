import { Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useLocation } from 'react-router'
import { say } from '../texts/say'
import { Finder } from './Finder'
import { Page } from './Page'

/** An address at which nothing is, with the ways on from there. */
export function NotFound(): ReactElement {
  const { pathname } = useLocation()
  const [finding, setFinding] = useState(false)
  return (
    <Page title={say('ui.nothingHere')} up={{ to: '/', label: say('common.lines') }}>
      <Typography sx={{ my: 2, overflowWrap: 'anywhere' }}>{say('ui.nothingAt', { address: pathname })}</Typography>
      <Button variant="contained" onClick={() => setFinding(true)}>
        {say('ui.find')}
      </Button>
      {finding && <Finder onClose={() => setFinding(false)} />}
    </Page>
  )
}
