import { Box, Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { LaidRow } from '../api/client'
import { say } from '../texts/say'
import { useShow } from '../ui/units'
import { bendWords, turnWords } from '../ui/turn'

/** So many rows at a time. */
const SHOWN = 40

/** On a phone the joint stands in a line of its own under the figures of its pipe. */
const TABLE = {
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: '1rem',
  '& td, & th': { p: 0.75, textAlign: 'left', verticalAlign: 'top', whiteSpace: 'nowrap' },
  '& td:last-of-type': { whiteSpace: 'normal' },
  '& tr': { borderTop: 1, borderColor: 'divider' },
  '@media (max-width: 700px)': {
    '& thead': { position: 'absolute', clip: 'rect(0 0 0 0)' },
    '& tr': { display: 'grid', gridTemplateColumns: '3ch 1fr 1fr', py: 0.5 },
    '& td': { whiteSpace: 'normal' },
    '& td[data-label]::before': { content: 'attr(data-label)', display: 'block', color: 'text.secondary' },
    '& td:nth-of-type(1)': { fontWeight: 700 },
    '& td:nth-of-type(4)': { gridColumn: 2 },
    '& td:last-of-type': { gridColumn: '2 / -1' },
  },
}

/** The plan as a table: length, chainage, level, laser, and the joint before it. */
export function Pipes({ rows, at, onAt }: { rows: LaidRow[]; at: number | null; onAt: (row: number) => void }): ReactElement {
  const show = useShow()
  const [from, setFrom] = useState(0)
  const start = Math.min(at !== null && (at < from || at >= from + SHOWN) ? at - (at % SHOWN) : from, Math.max(0, rows.length - 1))
  const heads = ['laying.pipe', 'laying.length', 'laying.begins', 'laying.invertBoth', 'laying.laser', 'laying.jointBefore'] as const
  return (
    <Box component="section" aria-labelledby="list" sx={{ mt: 4 }}>
      <Typography id="list" variant="h2">
        {say('laying.pipeByPipe')}
      </Typography>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-labelledby="list">
        <Box component="table" sx={TABLE}>
          <thead>
            <tr>
              {heads.map((head) => (
                <th key={head} scope="col">
                  {say(head)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(start, start + SHOWN).map((row, i) => (
              <Box
                component="tr"
                key={row.from_m}
                onClick={() => onAt(start + i)}
                sx={{ cursor: 'pointer', bgcolor: start + i === at ? 'divider' : undefined }}
              >
                <td>{row.pipe}</td>
                <td>
                  {row.bend ? <strong>{bendWords(row.bend)}</strong> : show('x_m', 'length', row.length_m, 3)}
                  {row.cut_from_m !== null && <strong> {say('laying.cutFrom', { from: show('x_m', 'length', row.cut_from_m, 2) })}</strong>}
                </td>
                <td data-label={say('laying.begins')}>{show('x_m', 'length', row.from_m, 3)}</td>
                <td data-label={say('laying.invert')}>
                  {show('x_m', 'length', row.from.invert_m, 3)}
                  <br />
                  {show('x_m', 'length', row.to.invert_m, 3)}
                </td>
                <td
                  data-label={say('laying.laser')}
                >{`${row.grade_ratio < 0 ? '−' : '+'}${Math.abs(100 * row.grade_ratio).toFixed(2)} %`}</td>
                <td>{turnWords(row, show)}</td>
              </Box>
            ))}
          </tbody>
        </Box>
      </Box>
      {rows.length > SHOWN && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'center' }}>
          <Button variant="outlined" disabled={start === 0} onClick={() => setFrom(Math.max(0, start - SHOWN))}>
            {say('laying.before')}
          </Button>
          <Button variant="outlined" disabled={start + SHOWN >= rows.length} onClick={() => setFrom(start + SHOWN)}>
            {say('laying.after')}
          </Button>
          <Typography>{say('laying.rowsOf', { from: start + 1, to: Math.min(rows.length, start + SHOWN), of: rows.length })}</Typography>
        </Box>
      )}
    </Box>
  )
}
