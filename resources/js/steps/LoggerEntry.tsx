import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { api, type LogProgramme } from '../api/client'
import { idOf } from '../api/subject'
import { useVerb } from '../api/useVerb'
import { store, type Run } from '../outbox/db'
import { startRun } from '../outbox/runs'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { useCalled } from './called'
import { InChartPlace } from './ChartPlace'
import { LogChart } from './charts'
import { FileEntry } from './FileEntry'
import { GaugeNow } from './GaugeNow'
import { BeginByHand, HandLog } from './HandLog'
import { useHoldNow, type Live } from './useHoldNow'
import { DRAWN, drawn, PLAYED } from './played'
import { useReplacing } from './replacing'
import { StandInFold } from './StandInFold'
import { useRun } from './useRun'
import { say } from '../texts/say'

/** A test log, live from the stand-in for pump and logger or from a logger's file. */
export function LoggerEntry({
  subject,
  stepKey,
  practice,
  live,
  begun,
  zone,
  onDone,
}: {
  subject: string
  stepKey: string
  /** the project is one of practice: a stand-in plays pump and logger */
  practice: boolean
  /** what says what to do while the readings come */
  live: Live | null
  /** a log of this test was begun, and its end has not come */
  begun: boolean
  zone: string
  onDone: () => void
}): ReactElement {
  const called = useCalled()
  const replacing = useReplacing()
  const [fault, setFault] = useState('none')
  const [speed, setSpeed] = useState(1200)
  const key = `${subject}/${stepKey}`
  const running = useRun(key)
  const begin = useVerb(async () => {
    const played = fault === DRAWN ? drawn() : fault
    const programme = await api.get<LogProgramme>(`/tests/${idOf(subject)}/stand-in?fault=${played}`)
    await startRun({
      key,
      subject,
      title: called,
      step: stepKey,
      speed,
      samples: programme.rows,
      secondsPerUnit: 60,
      extra: { source: 'stand-in', marks: programme.marks, played },
    })
  })
  if (running) return <Running {...running} live={live} zone={zone} />
  const play = (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' }, gap: 1.5, mt: 2, mb: 1 }}>
        <TextField select label={say('steps.standInForPumpAndLogger')} value={fault} onChange={(e) => setFault(e.target.value)}>
          {[...Object.entries(PLAYED), [DRAWN, say('steps.aFaultThatIsDrawn')] as const].map(([id, about]) => (
            <MenuItem key={id} value={id}>
              {about}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label={say('steps.speed')} value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
          {[1, 60, 1200, 12_000].map((s) => (
            <MenuItem key={s} value={s}>
              {s === 1 ? say('steps.asInTheTrench') : say('steps.times', { speed: s })}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Button variant="contained" fullWidth disabled={begin.busy} onClick={() => begin.run()}>
        {say('steps.startPumpAndLogger')}
      </Button>
      {begin.busy && (
        <Typography role="status" sx={{ mt: 1 }}>
          {say('steps.theStandInIsMadeReady')}
        </Typography>
      )}
      <Refused why={begin.fault} />
    </>
  )
  const file = (
    <FileEntry
      subject={subject}
      stepKey={stepKey}
      path="/files/pressure-log"
      accept=".csv,.txt"
      what="log"
      several
      zone={zone}
      extra={() => ({})}
      onDone={onDone}
    />
  )
  const byHand = <BeginByHand subject={subject} stepKey={stepKey} />
  const begunElsewhere = begun && (
    <Typography role="status" sx={{ fontWeight: 700, mb: 1.5 }}>
      {say('steps.logBegunElsewhere')}
    </Typography>
  )
  if (replacing) return file
  return practice ? (
    <Box>
      {begunElsewhere}
      {play}
      {file}
      {byHand}
    </Box>
  ) : (
    <Box>
      {begunElsewhere}
      {file}
      {byHand}
      <StandInFold>{play}</StandInFold>
    </Box>
  )
}

/** While readings come, played or read: what to do now, and the course so far. */
function Running({ run, come, live, zone }: { run: Run; come: number; live: Live | null; zone: string }): ReactElement {
  const rows = useMemo(() => run.samples.slice(0, come), [run.samples, come])
  const last = rows[rows.length - 1]
  const isByHand = run.byHand !== undefined
  const [isEnding, setEnding] = useState(false)
  const end = (): void => void store.runs.update(run.key, { stopped: true })
  const said = useHoldNow(run.trace, live, rows)
  const readAt = isByHand && last ? run.startedAt + last[0]! * 60_000 : null
  return (
    <Box>
      {isByHand ? (
        <HandLog run={run} zone={zone} isOver={said?.act === 'fell'}>
          {last && <GaugeNow compact said={said} rows={rows} readAt={readAt} speed={run.speed} zone={zone} />}
        </HandLog>
      ) : (
        <GaugeNow said={said} rows={rows} readAt={readAt} speed={run.speed} zone={zone} />
      )}
      {!isByHand && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          {last
            ? say('steps.minuteOf', {
                minute: Math.floor(last[0]!),
                of: Math.ceil(run.samples[run.samples.length - 1]![0]!),
                speed: run.speed,
              })
            : say('steps.pumpStarts')}
        </Typography>
      )}
      <Button variant="outlined" fullWidth sx={{ my: 1 }} onClick={() => (isByHand ? setEnding(true) : end())}>
        {say(isByHand ? 'steps.endTheLog' : 'steps.stopTheTest')}
      </Button>
      {isEnding && (
        <Sheet
          open
          onClose={() => setEnding(false)}
          close={say('steps.goOnReading')}
          title={say('steps.isTheLogWhole')}
          actions={
            <Button variant="contained" color="secondary" onClick={end}>
              {say('steps.endTheLog')}
            </Button>
          }
        >
          <Typography>{say('steps.nothingIsAddedAfter', { count: rows.length })}</Typography>
        </Sheet>
      )}
      {rows.length > 1 && (
        <InChartPlace>
          <LogChart rows={rows} />
        </InChartPlace>
      )}
    </Box>
  )
}
