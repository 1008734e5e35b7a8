import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type Subject } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { dayAndTime } from '../ui/clock'
import { Refused } from '../ui/Refused'
import { Sentence, tight } from '../ui/Verdict'
import { Sheet } from '../ui/Sheet'

type Reading = NonNullable<Subject['contested']>[number]

const MAY_DECIDE = ['foreman', 'engineer']
const LEAST = 3

/** Readings that contradict what is recorded: both are kept, and somebody says which counts. */
export function InConflict({ data, role }: { data: Subject; role: string | undefined }): ReactElement | null {
  // What a device kept from an earlier version does not have them.
  const all = data.contested ?? []
  if (all.length === 0) return null
  return (
    <Box component="section" aria-label={say('steps.readingsInConflict')} sx={{ my: 2, display: 'grid', gap: 2 }}>
      {all.map((reading) => (
        <One key={reading.id} reading={reading} data={data} mayDecide={role !== undefined && MAY_DECIDE.includes(role)} />
      ))}
    </Box>
  )
}

function One({ reading, data, mayDecide }: { reading: Reading; data: Subject; mayDecide: boolean }): ReactElement {
  const at = dayAndTime(reading.recorded_at, data.line.time_zone)
  if (reading.counts !== null)
    return (
      <Typography variant="body2">
        {tight(
          say(reading.counts ? 'steps.laterOneCounts' : 'steps.firstOneStays', {
            by: reading.by,
            title: reading.title,
            said: reading.said,
            at,
            decider: reading.decided_by ?? '',
            reason: reading.reason ?? '',
          }),
        )}
      </Typography>
    )
  const first = data.facts.filter((f) => f.step === reading.step).at(-1)
  return (
    <Box>
      <Sentence verdict="open" act={say(mayDecide ? 'steps.sayWhichCounts' : 'steps.waitsForDecision')}>
        {say('steps.recordedItToo', { by: reading.by, title: reading.title, said: reading.said, at })}
      </Sentence>
      <Typography variant="body2" sx={{ pl: 5 }}>
        {say('steps.soFarCounts', { by: first?.by || say('steps.you') })}
      </Typography>
      {mayDecide && <Decide reading={reading} closed={data.closed} />}
    </Box>
  )
}

function Decide({ reading, closed }: { reading: Reading; closed: string | null }): ReactElement {
  const [counts, setCounts] = useState<boolean | null>(null)
  const [reason, setReason] = useState('')
  const decide = useVerb(
    () => api.post(`/contested/${reading.id}/decision`, { counts, reason }),
    () => setCounts(null),
  )
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1, pl: 5 }}>
      <Button variant="outlined" size="small" onClick={() => setCounts(false)}>
        {say('steps.theFirstStays')}
      </Button>
      {closed === null && (
        <Button variant="outlined" size="small" onClick={() => setCounts(true)}>
          {say('steps.thisOneCounts')}
        </Button>
      )}
      <Sheet
        open={counts !== null}
        onClose={() => setCounts(null)}
        title={say(counts ? 'steps.thisOneCounts' : 'steps.theFirstStays')}
        actions={
          <Button variant="contained" disabled={reason.trim().length < LEAST || decide.busy} onClick={() => decide.run()}>
            {say('steps.decide')}
          </Button>
        }
      >
        <Typography>{say('steps.bothAreKept')}</Typography>
        <TextField
          autoFocus
          label={say('common.why')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          sx={{ mt: 2, mb: 1 }}
          fullWidth
        />
        <Refused why={decide.fault} />
      </Sheet>
    </Box>
  )
}
