import { Box, Button, TextField, Typography } from '@mui/material'
import { useMutation } from '@tanstack/react-query'
import { useRef, useState, type ReactElement } from 'react'
import { api, fileForm } from '../api/client'
import { say } from '../texts/say'

/** As a file may look, both ways; the same line. */
const EXAMPLE_CSV = 'chainage;easting;northing;level\n0;1000;2000;95.0\n60;1060;2000;96.4\n120;1120;2000;95.2'
const EXAMPLE_GEOJSON = [
  '{"type": "Feature", "properties": {"chainages": [0, 60, 120]},',
  ' "geometry": {"type": "LineString", "coordinates":',
  '  [[1000, 2000, 95.0], [1060, 2000, 96.4], [1120, 2000, 95.2]]}}',
].join('\n')

interface Props {
  text: string
  fault: string | undefined
  onText: (text: string) => void
  /** the typing of it is over */
  onTyped: () => void
  /** points that came out of a file or are the example */
  onRead: (points: number[][]) => void
}

/** The centre line: typed, or out of a file; how a file looks stands beside it, with one to load. */
export function CentreLineField({ text, fault, onText, onTyped, onRead }: Props): ReactElement {
  const file = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState('')
  const [format, setFormat] = useState<'csv' | 'geojson'>('csv')
  const example = format === 'csv' ? EXAMPLE_CSV : EXAMPLE_GEOJSON
  const reading = useMutation({
    mutationFn: (chosen: File) => api.post<{ points: number[][] }>('/centre-line', fileForm(chosen)),
    onSuccess: (read) => {
      onRead(read.points)
      const last = read.points[read.points.length - 1]![0]!
      setSaid(say('line.pointsRead', { count: read.points.length, first: read.points[0]![0], last }))
    },
    onError: (error) => setSaid(say('line.nothingWasTakenOver', { message: error.message })),
  })
  return (
    <>
      <TextField
        multiline
        minRows={5}
        maxRows={9}
        label={say('line.centreLineChainageEastingNorthingLevel')}
        value={text}
        onChange={(e) => onText(e.target.value)}
        onBlur={onTyped}
        placeholder={EXAMPLE_CSV.split('\n').slice(1).join('\n').replaceAll(';', '; ')}
        error={!!fault}
        helperText={fault ?? said}
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={() => file.current?.click()}>
          {say('line.readCsvOrGeojson')}
        </Button>
        <Button onClick={() => reading.mutate(new File([example], format === 'csv' ? 'example.csv' : 'example.geojson'))}>
          {say('line.loadTheExample')}
        </Button>
        <input
          ref={file}
          type="file"
          hidden
          accept=".csv,.txt,.json,.geojson"
          aria-label={say('line.fileWithTheCentreLine')}
          onChange={(e) => {
            const chosen = e.target.files?.[0]
            e.target.value = ''
            if (chosen) reading.mutate(chosen)
          }}
        />
      </Box>
      <Box>
        <Box role="group" aria-label={say('line.howAFileLooks')} sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
          <Typography variant="body2">{say('line.howAFileLooks')}</Typography>
          {(['csv', 'geojson'] as const).map((f) => (
            <Button
              key={f}
              size="small"
              aria-pressed={format === f}
              onClick={() => setFormat(f)}
              sx={{ fontWeight: format === f ? 700 : 400 }}
            >
              {f === 'csv' ? 'CSV' : 'GeoJSON'}
            </Button>
          ))}
        </Box>
        <Box component="pre" tabIndex={0} sx={{ m: 0, p: 1, overflowX: 'auto', bgcolor: 'background.paper', fontSize: '0.95rem' }}>
          {example}
        </Box>
        <Typography variant="body2">{say(format === 'csv' ? 'line.csvInMetres' : 'line.geojsonInMetres')}</Typography>
      </Box>
    </>
  )
}
