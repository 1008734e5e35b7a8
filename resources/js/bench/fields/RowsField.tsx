import { Box, Button } from '@mui/material'
import type { ClipboardEvent, ReactElement } from 'react'
import { say } from '../../texts/say'

export interface Column {
  key: string
  name: string
  /** answers to choose from; without them it is typed */
  options?: { value: string; label: string }[]
  time?: boolean
}

interface Props {
  /** what the table is called */
  label: string
  columns: Column[]
  rows: string[][]
  onRows: (rows: string[][]) => void
}

/** More rows than this are not shown one by one: they came out of a file. */
const SHOWN = 60

/** A table is typed as a table: a row a line, and what is copied from a spreadsheet falls into its cells. */
export function RowsField({ label, columns, rows, onRows }: Props): ReactElement {
  const empty = columns.map(() => '')
  const all = rows.length === 0 ? [empty] : rows
  const shown = all.slice(0, SHOWN)
  const set = (row: number, column: number, text: string): void =>
    onRows(all.map((cells, r) => (r === row ? columns.map((_, c) => (c === column ? text : (cells[c] ?? ''))) : cells)))
  const paste = (event: ClipboardEvent, row: number, column: number): void => {
    const pasted = tableOf(event.clipboardData.getData('text'))
    if (pasted.length < 2 && (pasted[0]?.length ?? 0) < 2) return
    event.preventDefault()
    const next = [...all]
    pasted.forEach((cells, r) => {
      const at = [...(next[row + r] ?? empty)]
      cells.forEach((cell, c) => {
        if (column + c < columns.length) at[column + c] = cell
      })
      next[row + r] = at
    })
    onRows(next)
  }
  return (
    <Box>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={label}>
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            '& th': { textAlign: 'left', fontWeight: 400, verticalAlign: 'bottom', pr: 1, pb: 0.5, minWidth: 92, maxWidth: 160 },
            '& td': { pr: 1, pb: 0.5 },
            '& input, & select': {
              font: 'inherit',
              width: '100%',
              minWidth: 92,
              minHeight: 44,
              border: 1,
              borderStyle: 'solid',
              borderColor: 'divider',
              borderRadius: 1,
              bgcolor: 'background.default',
              color: 'text.primary',
              px: 1,
              boxSizing: 'border-box',
            },
          }}
        >
          <thead>
            <tr>
              {columns.map((c) => (
                <th key={c.key} scope="col">
                  {c.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((cells, r) => (
              <tr key={r}>
                {columns.map((c, i) => {
                  const at = { 'aria-label': say('bench.cell', { name: c.name, row: r + 1 }), value: cells[i] ?? '' }
                  return (
                    <td key={c.key}>
                      {c.options ? (
                        <select {...at} onChange={(e) => set(r, i, e.target.value)}>
                          <option value="">–</option>
                          {c.options.map((o) => (
                            <option key={o.value} value={o.value}>
                              {o.label}
                            </option>
                          ))}
                        </select>
                      ) : (
                        <input
                          {...at}
                          type={c.time ? 'datetime-local' : 'text'}
                          inputMode={c.time ? undefined : 'decimal'}
                          onChange={(e) => set(r, i, e.target.value)}
                          onPaste={(e) => paste(e, r, i)}
                        />
                      )}
                    </td>
                  )
                })}
                <td>
                  {all.length > 1 && (
                    <Button
                      aria-label={say('bench.removeRow', { row: r + 1 })}
                      onClick={() => onRows(all.filter((_, k) => k !== r))}
                      sx={{ minWidth: 44, minHeight: 44, p: 0 }}
                    >
                      ✕
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      {all.length > SHOWN && <Box sx={{ py: 0.5 }}>{say('bench.moreRows', { count: all.length - SHOWN })}</Box>}
      <Button onClick={() => onRows([...all, empty])} sx={{ px: 0.5 }}>
        {say('bench.addARow')}
      </Button>
    </Box>
  )
}

/** Rows and cells of what was copied or stands in a file; lines without a figure are headings. */
export function tableOf(text: string): string[][] {
  const separator = text.includes('\t') ? '\t' : text.includes(';') ? ';' : ','
  return text
    .split(/\r?\n/)
    .filter((line) => /\d/.test(line))
    .map((line) => line.split(separator).map((cell) => cell.trim()))
}
