import { Box, TextField, Typography } from '@mui/material'
import { useEffect, useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import type { Found } from '../api/client'
import { useFound } from '../api/queries'
import { say } from '../texts/say'
import { rowButton } from './rowButton'
import { Sheet } from './Sheet'

/** So long nobody has typed before it is looked for, ms. */
const REST_MS = 200

const KINDS: Record<Found['kind'], { word: string; address: (found: Found) => string }> = {
  line: { word: say('ui.foundLine'), address: (f) => `/lines/${f.id}` },
  joint: { word: '', address: (f) => `/joints/${f.id}` },
  pipe: { word: say('ui.foundPipe'), address: (f) => `/lines/${f.id}/pipes` },
  thing: { word: say('stores.stores'), address: () => '/stores' },
  procedure: { word: say('ui.foundProcedure'), address: () => '/procedures' },
}

/** Finds anything by what people call it; Enter opens the nearest. */
export function Finder({ onClose }: { onClose: () => void }): ReactElement {
  const navigate = useNavigate()
  const [text, setText] = useState('')
  const [asked, setAsked] = useState('')
  useEffect(() => {
    const rest = window.setTimeout(() => setAsked(text.trim()), REST_MS)
    return () => window.clearTimeout(rest)
  }, [text])
  const found = useFound(asked)
  const rows = asked === '' ? [] : (found.data ?? [])
  const open = (one: Found | undefined): void => {
    if (!one) return
    onClose()
    void navigate(KINDS[one.kind].address(one))
  }
  return (
    <Sheet open onClose={onClose} title={say('ui.find')}>
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault()
          if (asked === text.trim()) open(rows[0])
        }}
      >
        <TextField
          autoFocus
          fullWidth
          label={say('ui.lineJointPipeSerial')}
          value={text}
          onChange={(e) => setText(e.target.value)}
          sx={{ mt: 1 }}
        />
      </Box>
      <Box component="ul" aria-label={say('ui.found')} sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {rows.map((one) => (
          <Box component="li" key={`${one.kind} ${one.id} ${one.name}`} sx={{ borderTop: 1, borderColor: 'divider' }}>
            <Box component="button" type="button" onClick={() => open(one)} sx={{ ...rowButton, minHeight: 56 }}>
              <Box component="span" sx={{ flexGrow: 1 }}>
                {KINDS[one.kind].word} <strong>{one.name}</strong>
              </Box>
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {one.of}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
      {asked !== '' && found.data?.length === 0 && <Typography sx={{ mt: 1 }}>{say('ui.nothingIsCalledSo', { text: asked })}</Typography>}
      {found.error && <Typography sx={{ mt: 1 }}>{found.error.message}</Typography>}
    </Sheet>
  )
}
