import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useBox } from '../api/queries'
import { startRun } from '../outbox/runs'
import { say } from '../texts/say'
import { BoxFigures } from './box/BoxFigures'
import { BoxFile } from './box/BoxFile'
import { FusionRuns } from './box/FusionRuns'
import { num } from './box/num'
import { useCalled } from './called'
import { useReplacing } from './replacing'
import { StandInFold } from './StandInFold'
import { useRun } from './useRun'

interface Props {
  subject: string
  stepKey: string
  /** what the procedure tells the box and shows beside it: `u_v`, `t_s`, `r_ohm`, `temp_c` …, worked out by the core */
  device: Record<string, unknown>
  /** tolerance of the voltage, percent */
  tolerance: number | null
  /** what the button says */
  action: string
  /** a trace of this step whose end has not come, with the number of its next part */
  begun: { trace: string; part: number } | null
  /** the project is one of practice: a stand-in plays its box */
  practice: boolean
  /** of the place */
  zone: string
  onDone: () => void
}

const round = (n: number, d: number): number => Number(n.toFixed(d))

/** A fusion, from the stand-in for the box or from a file of a real one: one calm page. */
export function BoxEntry({ subject, stepKey, device, tolerance, action, begun, practice, zone, onDone }: Props): ReactElement {
  const box = useBox()
  const called = useCalled()
  const replacing = useReplacing()
  const [fault, setFault] = useState('none')
  const [speed, setSpeed] = useState(20)
  const key = `${subject}/${stepKey}`
  const running = useRun(key)
  const [volts, planned, ohms] = [num(device['u_v']), num(device['t_s']), num(device['r_ohm'])]
  const programme = box.data?.[fault]
  const source = num(device['supply_v']) ?? 230
  const supply = programme ? Math.round(source * programme.supply_ratio) : null
  const cold = programme && ohms !== null ? round(ohms * programme.r_ratio, 4) : null
  const samples = useMemo(
    () =>
      programme && volts !== null && ohms !== null && planned !== null
        ? programme.samples.map((s) => [round(s[0]! * planned, 2), round(s[1]! * volts, 2), round((s[2]! * volts) / ohms, 3)])
        : null,
    [programme, volts, ohms, planned],
  )

  if (running)
    return (
      <FusionRuns
        run={running}
        keyOf={key}
        volts={volts}
        planned={planned}
        tolerance={tolerance}
        cooling={num(device['cooling_min'])}
        precool={num(device['precool_min'])}
        zone={zone}
      />
    )
  if (begun) {
    return (
      <Box sx={{ my: 2 }}>
        <Typography sx={{ fontWeight: 700 }}>{say('steps.itWasBegunHereAndIts')}</Typography>
        <Typography sx={{ mt: 0.5 }}>{say('steps.anotherDeviceMayStillRunIt')}</Typography>
        <BoxFile subject={subject} stepKey={stepKey} begun={begun} zone={zone} onDone={onDone} />
      </Box>
    )
  }
  const play = (
    <>
      <Button
        variant="contained"
        fullWidth
        disabled={!samples}
        sx={{ minHeight: 72, fontSize: '1.3rem' }}
        onClick={() =>
          void startRun({
            key,
            subject,
            title: called,
            step: stepKey,
            speed,
            samples: samples!,
            secondsPerUnit: 1,
            extra: { cold_r_ohm: cold, supply_v: supply, source: 'stand-in' },
          })
        }
      >
        {action}
      </Button>
      {!samples && (
        <Typography sx={{ mt: 1 }}>
          {say('steps.theBoxCannotBeSet', {
            why: ohms === null ? say('steps.theResistanceOfTheFittingIs') : say('steps.voltageOrTimeIsNotKnown'),
          })}
        </Typography>
      )}
    </>
  )
  const choices = (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' }, gap: 1, mt: 3 }}>
      <TextField select label={say('steps.standInForTheBoxPlays')} value={fault} onChange={(e) => setFault(e.target.value)}>
        {Object.entries(box.data ?? {}).map(([id, p]) => (
          <MenuItem key={id} value={id}>
            {p.about}
          </MenuItem>
        ))}
      </TextField>
      <TextField select label={say('steps.speed')} value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
        {[1, 20, 100, 1000].map((s) => (
          <MenuItem key={s} value={s}>
            {s === 1 ? say('steps.asInTheTrench') : say('steps.times', { speed: s })}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  )
  const file = <BoxFile subject={subject} stepKey={stepKey} begun={null} zone={zone} onDone={onDone} />
  if (replacing) return file
  return (
    <Box>
      <BoxFigures device={device} supply={practice ? supply : null} cold={practice ? cold : null} />
      {practice ? (
        <>
          {play}
          {file}
          {choices}
        </>
      ) : (
        <>
          {file}
          <StandInFold>
            {play}
            {choices}
          </StandInFold>
        </>
      )}
    </Box>
  )
}
