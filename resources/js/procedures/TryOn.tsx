import { Box, MenuItem, TextField } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useLine, useLines } from '../api/queries'
import { say } from '../texts/say'

/** The joint on which a procedure is tried: one that was recorded already. */
export function TryOn({ joint, onJoint }: { joint: string | null; onJoint: (id: string | null) => void }): ReactElement {
  const lines = useLines()
  const [line, setLine] = useState('')
  const chosen = useLine(line)
  const recorded = (line === '' ? [] : (chosen.data?.joints ?? [])).filter((j) => j.done > 0)
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2, mt: 1, maxWidth: 760 }}>
      <TextField
        select
        label={say('procedures.line')}
        value={line}
        onChange={(e) => {
          setLine(e.target.value)
          onJoint(null)
        }}
      >
        {(lines.data ?? []).map((l) => (
          <MenuItem key={l.id} value={l.id}>
            {l.name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={say('procedures.joint')}
        value={recorded.some((j) => j.id === joint) ? joint : ''}
        disabled={recorded.length === 0}
        onChange={(e) => onJoint(e.target.value)}
      >
        {recorded.map((j) => (
          <MenuItem key={j.id} value={j.id}>
            {j.number}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  )
}
