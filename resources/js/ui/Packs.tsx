import { Box, Button, LinearProgress, Typography } from '@mui/material'
import { useId, type ReactElement } from 'react'
import { api, type Pack } from '../api/client'
import { usePacks } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { dayAndTime } from './clock'
import { Refused } from './Refused'

interface Props {
  line: string
  timeZone: string
  kind: Pack['kind']
  /** of a test pack */
  test?: string
}

const TITLES = {
  'record-book': ['packs.recordBook', 'packs.recordBookIs'],
  archive: ['packs.archive', 'packs.archiveIs'],
  'test-pack': ['packs.testPack', 'packs.testPackIs'],
} as const

/** A file that takes longer to make than anybody waits: asked for, followed while it is made, taken when it is ready. */
export function Packs({ line, timeZone, kind, test }: Props): ReactElement {
  const packs = usePacks(line)
  const heading = useId()
  const own = (packs.data ?? []).filter((p) => p.kind === kind && p.test_id === (test ?? null))
  const going = own.find((p) => p.state === 'waiting' || p.state === 'making')
  const ready = own.find((p) => p.state === 'ready')
  const ask = useVerb(() => (test ? api.post<Pack>(`/tests/${test}/packs`, {}) : api.post<Pack>(`/lines/${line}/packs`, { kind })))
  const [title, is] = TITLES[kind]
  return (
    <Box component="section" aria-labelledby={heading} className="no-print" sx={{ borderTop: 1, borderColor: 'divider', py: 2 }}>
      <Typography id={heading} sx={{ fontWeight: 700 }}>
        {say(title)}
      </Typography>
      <Typography variant="body2" sx={{ maxWidth: 640 }}>
        {say(is)}
      </Typography>
      {going && <Going pack={going} />}
      {own[0]?.state === 'failed' && (
        <Typography role="alert" sx={{ mt: 1, fontWeight: 700 }}>
          {say('packs.failed')}
        </Typography>
      )}
      <Refused why={ask.fault} />
      <Box sx={{ display: 'flex', gap: 1.5, mt: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        {ready && (
          <Button variant="contained" component="a" href={`/api/v1/packs/${ready.id}/file`} download>
            {say('packs.take', { size: sizeOf(ready.bytes ?? 0) })}
          </Button>
        )}
        {!going && (
          <Button variant="outlined" onClick={() => ask.run()} disabled={ask.busy || packs.data === undefined}>
            {say(ready ? 'packs.makeAnew' : 'packs.make')}
          </Button>
        )}
        {ready?.as_of && <Typography variant="body2">{say('packs.asOf', { at: dayAndTime(ready.as_of, timeZone) })}</Typography>}
      </Box>
    </Box>
  )
}

function Going({ pack }: { pack: Pack }): ReactElement {
  const percent = pack.total > 0 ? Math.floor((100 * pack.done) / pack.total) : null
  const isBegun = pack.state === 'waiting' ? say('packs.waits') : say('packs.begun')
  const says = percent === null ? isBegun : say('packs.making', { percent })
  return (
    <Box sx={{ mt: 1.5, maxWidth: 480 }}>
      <Typography role="status">{says}</Typography>
      <LinearProgress
        aria-label={says}
        variant={percent === null ? 'indeterminate' : 'determinate'}
        value={percent ?? 0}
        sx={{ height: 8, my: 0.75 }}
      />
      <Typography variant="body2">{say('packs.goOn')}</Typography>
    </Box>
  )
}

/** "3.4 MB" */
function sizeOf(bytes: number): string {
  const units = ['kB', 'MB', 'GB']
  let [size, unit] = [bytes / 1000, 0]
  while (size >= 1000 && unit < units.length - 1) [size, unit] = [size / 1000, unit + 1]
  return `${size < 10 ? size.toFixed(1) : size.toFixed(0)} ${units[unit]}`
}
