import { Box, Button } from '@mui/material'
import { lazy, Suspense, useMemo, type ReactElement } from 'react'
import { say } from '../../texts/say'
import { figureOf } from '../../ui/figureOf'
import { columnWords } from '../words'
import { RowsField, tableOf } from './RowsField'

const Chart = lazy(() => import('../../ui/Chart'))

/** A log or a profile: typed as a table, pasted or loaded as a file, and drawn as it stands. */
export function SeriesField({
  label,
  columns,
  rows,
  onRows,
}: {
  label: string
  columns: string[]
  rows: string[][]
  onRows: (rows: string[][]) => void
}): ReactElement {
  const points = useMemo(
    () =>
      rows
        .map((row) => [figureOf(row[0] ?? ''), figureOf(row[1] ?? '')] as const)
        .filter((p): p is readonly [number, number] => p[0] !== null && p[1] !== null)
        .sort((a, b) => a[0] - b[0]),
    [rows],
  )
  const x = useMemo(() => points.map((p) => p[0]), [points])
  const lines = useMemo(() => [{ label: columnWords(columns[1] ?? ''), values: points.map((p) => p[1]) }], [points, columns])
  return (
    <Box>
      {points.length > 1 && (
        <Suspense fallback={<Box sx={{ height: 220 }} />}>
          <Chart title={label} x={x} xLabel={columnWords(columns[0] ?? '')} leftLabel="" lines={lines} height={220} />
        </Suspense>
      )}
      <RowsField label={label} columns={columns.map((c) => ({ key: c, name: columnWords(c) }))} rows={rows} onRows={onRows} />
      <Button component="label" variant="outlined" sx={{ mt: 0.5 }}>
        {say('bench.loadAFile')}
        <input
          type="file"
          hidden
          accept=".csv,.txt"
          onChange={(e) => void e.target.files?.[0]?.text().then((text) => onRows(tableOf(text)))}
        />
      </Button>
    </Box>
  )
}
