import { Box, Button, Typography } from '@mui/material'
import { useRef, useState, type ReactElement } from 'react'
import { api, fileForm } from '../api/client'
import { useVerb } from '../api/useVerb'
import { recordAll } from '../outbox/outbox'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import type { PlanStep } from './bolts'
import { useCalled } from './called'
import { StandInFold } from './StandInFold'

interface Props {
  subject: string
  stepKey: string
  /** what the plan still wants */
  left: PlanStep[]
  practice: boolean
  onDone: () => void
}

interface Reading {
  bolt: number
  pass: number
  torque_nm: number
  time: string
}

/** How far a stand-in's reading lies off its aim at most, as a share. */
const SCATTER = 0.02

/** What a digital wrench kept, out of its file; or a stand-in that turns the bolts. */
export function OfDevice(props: Props): ReactElement {
  return (
    <Box sx={{ mt: 2 }}>
      <FromWrenchFile {...props} />
      {props.practice ? (
        <StandIn {...props} />
      ) : (
        <StandInFold>
          <StandIn {...props} />
        </StandInFold>
      )}
    </Box>
  )
}

function FromWrenchFile({ subject, stepKey, onDone }: Props): ReactElement {
  const called = useCalled()
  const input = useRef<HTMLInputElement>(null)
  const [taken, setTaken] = useState<number | null>(null)
  const load = useVerb(async (file: File) => {
    setTaken(null)
    const of = { subject: subject.replace(/^subjects\//, ''), step: stepKey }
    const { readings } = await api.post<{ readings: Reading[] }>('/files/wrench', fileForm(file, of))
    const facts = readings.map(({ time, ...value }) => ({
      fact: { step: stepKey, value: { ...value, source: 'file' }, recorded_at: time },
      title: called,
    }))
    await recordAll(subject, facts)
    setTaken(facts.length)
    onDone()
  })
  return (
    <Box>
      <Button variant="outlined" fullWidth disabled={load.busy} onClick={() => input.current?.click()}>
        {say('steps.fileOfTheWrench')}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.txt"
        aria-label={say('steps.fileWithTheReadings')}
        onChange={(e) => {
          const chosen = e.target.files?.[0]
          e.target.value = ''
          if (chosen) load.run(chosen)
        }}
      />
      {taken !== null && (
        <Typography role="status" sx={{ mt: 1 }}>
          {say('steps.readingsTaken', { count: taken })}
        </Typography>
      )}
      <Refused why={load.fault} />
    </Box>
  )
}

function StandIn({ subject, stepKey, left, onDone }: Props): ReactElement {
  const called = useCalled()
  const turned = (of: PlanStep[]): void => {
    const facts = of.map((s) => ({
      fact: { step: stepKey, value: { bolt: s.bolt, pass: s.pass, torque_nm: played(s.torque_nm ?? 0), source: 'stand-in' } },
      title: called,
    }))
    void recordAll(subject, facts).then(onDone)
  }
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
      <Button variant="outlined" sx={{ flex: 1 }} onClick={() => turned(left.slice(0, 1))}>
        {say('steps.standInTurnsThis')}
      </Button>
      <Button variant="outlined" sx={{ flex: 1 }} onClick={() => turned(left)}>
        {say('steps.standInTurnsAll')}
      </Button>
    </Box>
  )
}

/** To a tenth, as such wrenches show it. */
const played = (aim: number): number => Math.round(aim * (1 + SCATTER * (2 * Math.random() - 1)) * 10) / 10
