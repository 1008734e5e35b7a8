import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type LogProgramme } from '../api/client'
import { idOf } from '../api/subject'
import { useVerb } from '../api/useVerb'
import { store } from '../outbox/db'
import { startRun } from '../outbox/runs'
import { Refused } from '../ui/Refused'
import { useCalled } from './called'
import { LogChart } from './charts'
import { FileEntry } from './FileEntry'
import { useRun } from './useRun'

/** A test log, live from the stand-in for pump and logger or from a logger's file. */
export function LoggerEntry({ subject, stepKey, onDone }: { subject: string; stepKey: string; onDone: () => void }): ReactElement {
  const called = useCalled()
  const [fault, setFault] = useState('none')
  const [speed, setSpeed] = useState(1200)
  const key = `${subject}/${stepKey}`
  const running = useRun(key)
  const begin = useVerb(async () => {
    const programme = await api.get<LogProgramme>(`/tests/${idOf(subject)}/stand-in?fault=${fault}`)
    await startRun({
      key,
      subject,
      title: called,
      step: stepKey,
      speed,
      samples: programme.rows,
      secondsPerUnit: 60,
      extra: { source: 'stand-in', marks: programme.marks },
    })
  })
  if (running) {
    const { run, come } = running
    const rows = run.samples.slice(0, come)
    const last = rows[rows.length - 1]
    return (
      <Box>
        <Typography role="timer" sx={{ fontSize: { xs: '2.6rem', md: '3.4rem' }, fontWeight: 700, lineHeight: 1 }}>
          {last ? `${Math.round(last[1]!)} kPa` : 'Pump starts'}
        </Typography>
        <Typography variant="body2">
          minute {Math.floor(last?.[0] ?? 0)} of {Math.ceil(run.samples[run.samples.length - 1]![0]!)} · {run.speed} times as fast as real
        </Typography>
        <LogChart rows={rows} />
        <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => void store.runs.update(key, { stopped: true })}>
          Stop the test
        </Button>
      </Box>
    )
  }
  return (
    <Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' }, gap: 1, mb: 1 }}>
        <TextField select label="Stand-in for pump and logger plays" value={fault} onChange={(e) => setFault(e.target.value)}>
          {[
            ['none', 'a tight section'],
            ['leak', 'a small hole'],
            ['air', 'trapped air'],
            ['sun', 'sun on the pipe'],
            ['closed-valve', 'a closed valve inside'],
          ].map(([id, about]) => (
            <MenuItem key={id} value={id}>
              {about}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="Speed" value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
          {[1, 60, 1200].map((s) => (
            <MenuItem key={s} value={s}>
              {s === 1 ? 'as in the trench' : `${s} times`}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Button variant="contained" fullWidth disabled={begin.busy} onClick={() => begin.run()}>
        Start pump and logger
      </Button>
      {begin.busy && (
        <Typography role="status" sx={{ mt: 1 }}>
          The stand-in is made ready.
        </Typography>
      )}
      <Refused why={begin.fault} />
      <FileEntry
        subject={subject}
        stepKey={stepKey}
        path="/files/pressure-log"
        accept=".csv,.txt"
        what="log"
        extra={() => ({})}
        onDone={onDone}
      />
    </Box>
  )
}
