import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useEffect, useMemo, useState, type ReactElement } from 'react'
import { useBox } from '../api/queries'
import { store } from '../outbox/db'
import { deviceTime } from '../outbox/deviceTime'
import { startRun } from '../outbox/runs'
import { Sheet } from '../ui/Sheet'
import { hourMinute } from '../ui/clock'
import { VerdictMark } from '../ui/Verdict'
import { figureOf, noFigure } from '../ui/figureOf'
import { useCalled } from './called'
import { FusionChart } from './charts'
import { FileEntry } from './FileEntry'
import { useReplacing } from './replacing'
import { StandInFold } from './StandInFold'
import { useRun } from './useRun'
import { Message } from '../texts/Message'
import { say } from '../texts/say'

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

const num = (v: unknown): number | null => (typeof v === 'number' ? v : null)
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
  const [volts, planned, ohms, fitting] = [num(device['u_v']), num(device['t_s']), num(device['r_ohm']), num(device['temp_c'])]
  const programme = box.data?.[fault]
  const source = num(device['supply_v']) ?? 230
  const against = device['code_against_label']
  const differ = (key: string): boolean | null => (Array.isArray(against) ? against.includes(key) : null)
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
      <Running
        run={running}
        keyOf={key}
        volts={volts}
        planned={planned}
        tolerance={tolerance}
        cooling={num(device['cooling_min'])}
        precool={num(device['precool_min'])}
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
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          my: 1.5,
          '& th, & td': { textAlign: 'left', py: 0.75, borderTop: 1, borderColor: 'divider', fontWeight: 400 },
          '& td': { fontWeight: 700, fontSize: '1.2rem', fontVariantNumeric: 'tabular-nums' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">
              <span style={{ position: 'absolute', left: -9999 }}>{say('steps.what')}</span>
            </th>
            <th scope="col">{say('steps.code')}</th>
            <th scope="col">{say('steps.label')}</th>
            <th scope="col">
              <span style={{ position: 'absolute', left: -9999 }}>{say('steps.agree')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <Pair what={say('steps.voltage')} unit="V" code={num(device['code_u_v'])} label={volts} differ={differ('voltage_v')} />
          <Pair
            what={say('steps.time')}
            unit="s"
            code={num(device['code_t_s'])}
            label={num(device['label_t_s'])}
            differ={differ('time_s')}
          />
        </tbody>
      </Box>
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'auto 1fr',
          columnGap: 2,
          rowGap: 0.75,
          m: 0,
          mb: 2,
          '& dd': { m: 0, fontWeight: 700, fontSize: '1.2rem' },
        }}
      >
        <dt>{say('steps.boxSets')}</dt>
        <dd>
          {planned === null ? say('common.notKnownYet') : `${planned} s`}
          <Small>
            {planned !== null && fitting !== null && planned !== num(device['label_t_s']) ? say('steps.forC', { fitting }) : ''}
          </Small>
        </dd>
        <dt>{say('steps.supply')}</dt>
        <dd>
          {supply === null || !practice ? '–' : `${supply} V`}
          <Small>{between(device['supply_min_v'], device['supply_max_v'], 0)}</Small>
        </dd>
        <dt>{say('steps.winding')}</dt>
        <dd>
          {cold === null || !practice ? say('common.notKnown') : `${cold.toFixed(2)} Ω`}
          <Small>{between(device['r_min_ohm'], device['r_max_ohm'], 2)}</Small>
        </dd>
      </Box>
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

function Small({ children }: { children: string }): ReactElement {
  return (
    <Typography component="span" sx={{ color: 'text.secondary', fontWeight: 400, fontSize: '1rem', ml: 1 }}>
      {children}
    </Typography>
  )
}

const between = (low: unknown, high: unknown, decimals: number): string =>
  num(low) !== null && num(high) !== null
    ? say('steps.lowToHigh', { low: num(low)!.toFixed(decimals), high: num(high)!.toFixed(decimals) })
    : ''

/** One figure as the code has it and as the label has it; whether they differ, the core says. */
function Pair({
  what,
  unit,
  code,
  label,
  differ,
}: {
  what: string
  unit: string
  code: number | null
  label: number | null
  differ: boolean | null
}): ReactElement {
  return (
    <tr>
      <th scope="row">{what}</th>
      <td>{code === null ? '–' : `${code} ${unit}`}</td>
      <td>{label === null ? '–' : `${label} ${unit}`}</td>
      <td>{code !== null && label !== null && differ !== null && <VerdictMark verdict={differ ? 'bad' : 'good'} />}</td>
    </tr>
  )
}

/** The fusion as it goes: what is left, whether the voltage holds, what comes after. */
function Running({
  run: { run, come },
  keyOf,
  volts,
  planned,
  tolerance,
  cooling,
  precool,
}: {
  run: NonNullable<ReturnType<typeof useRun>>
  keyOf: string
  volts: number | null
  planned: number | null
  tolerance: number | null
  cooling: number | null
  precool: number | null
}): ReactElement {
  const rows = run.samples.slice(0, come)
  // The button that starts it stands low on a phone: the eye goes up to the time that is left.
  useEffect(() => {
    if (Date.now() - run.startedAt < 2_000) document.getElementById('step-title')?.focus()
  }, [run.startedAt])
  const last = rows[rows.length - 1]
  const total = planned ?? run.samples[run.samples.length - 1]![0]!
  const left = Math.max(0, Math.ceil(total - (last?.[0] ?? 0)))
  const band = volts !== null && tolerance !== null ? [volts * (1 - tolerance / 100), volts * (1 + tolerance / 100)] : null
  const inside = !last || !band || (last[1]! >= band[0]! && last[1]! <= band[1]!)
  const after = new Date(Date.now() + (left / run.speed + (cooling ?? 0) * 60) * 1000)
  return (
    <Box>
      <Box sx={{ height: 10, bgcolor: (t) => t.colours.raised, borderRadius: 1, overflow: 'hidden', mt: 1 }} aria-hidden="true">
        <Box sx={{ height: '100%', width: `${Math.min(100, (100 * (last?.[0] ?? 0)) / total)}%`, bgcolor: 'text.primary' }} />
      </Box>
      <Typography role="timer" sx={{ fontSize: '1.6rem', fontWeight: 700, lineHeight: 1.05, mt: 1 }}>
        <Message
          id="ui.leftSeconds"
          values={{ seconds: left }}
          parts={[<Box component="span" sx={{ fontSize: { xs: '4.4rem', md: '5rem' } }} />]}
        />
      </Typography>
      <Typography sx={{ fontSize: '1.3rem', fontWeight: 700, color: inside ? 'text.primary' : 'secondary.main' }}>
        {last ? `${last[1]!.toFixed(1)} V, ${last[2]!.toFixed(1)} A` : say('steps.begins')}
        <Small>
          {band
            ? inside
              ? say('steps.insideToV', { low: band[0]!.toFixed(1), high: band[1]!.toFixed(1) })
              : say('steps.outsideToV', { low: band[0]!.toFixed(1), high: band[1]!.toFixed(1) })
            : ''}
        </Small>
      </Typography>
      <FusionChart rows={rows} volts={volts} tolerance={tolerance} planned={total} height={220} />
      <Typography sx={{ mt: 1 }}>
        {say('steps.then', {
          cooling:
            cooling !== null
              ? say('steps.minInTheClampUntouchedOff', { cooling, after: hourMinute(after) })
              : precool !== null
                ? say('steps.minToCoolThenFeelThe', { precool })
                : say('steps.letItCool'),
          played: run.speed > 1 ? say('steps.playedTimesAsFastAsReal', { speed: run.speed }) : '',
        })}
      </Typography>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => void store.runs.update(keyOf, { stopped: true })}>
        {say('steps.stopIt')}
      </Button>
    </Box>
  )
}

/** A file of a real box holds the samples; what it does not hold is asked for, never made up. */
function BoxFile({
  subject,
  stepKey,
  begun,
  zone,
  onDone,
}: {
  subject: string
  stepKey: string
  begun: Props['begun']
  zone: string
  onDone: () => void
}): ReactElement {
  const [open, setOpen] = useState(false)
  const [end, setEnd] = useState('')
  const [supply, setSupply] = useState('')
  const [ohms, setOhms] = useState('')
  const figure = (text: string): number | undefined => figureOf(text) ?? undefined
  const wrong = (text: string): string | undefined => (text.trim() === '' ? undefined : (noFigure(text) ?? undefined))
  return (
    <>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => setOpen(true)}>
        {say('steps.loadATraceFromAFile')}
      </Button>
      <Sheet open={open} onClose={() => setOpen(false)} title={say('steps.aTraceFromTheBox')}>
        <Box sx={{ display: 'grid', gap: 2, mt: 1 }}>
          <TextField
            type="datetime-local"
            label={say('steps.powerWentOffAt')}
            value={end}
            onChange={(e) => setEnd(e.target.value)}
            helperText={say('steps.theCoolingClockStartsHere')}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }}
          />
          <TextField
            label={say('steps.supplyBeforeTheFusionVIf')}
            value={supply}
            onChange={(e) => setSupply(e.target.value)}
            error={!!wrong(supply)}
            helperText={wrong(supply)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <TextField
            label={say('steps.coldResistanceByTheBoxIf')}
            value={ohms}
            onChange={(e) => setOhms(e.target.value)}
            error={!!wrong(ohms)}
            helperText={wrong(ohms)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <FileEntry
            subject={subject}
            stepKey={stepKey}
            path="/files/fusion-trace"
            accept=".csv,.json,.txt"
            what="trace"
            onDone={() => {
              setOpen(false)
              onDone()
            }}
            zone={zone}
            hold={end === '' ? say('steps.sayFirstWhenThePowerWent') : (wrong(supply) ?? wrong(ohms) ?? null)}
            extra={(rows) => {
              const ended = new Date(end)
              return {
                ...begun,
                supply_v: figure(supply),
                cold_r_ohm: figure(ohms),
                ended_at: deviceTime(ended),
                started_at: deviceTime(new Date(ended.getTime() - ((rows[rows.length - 1]?.[0] ?? 0) - (rows[0]?.[0] ?? 0)) * 1000)),
              }
            }}
          />
        </Box>
      </Sheet>
    </>
  )
}
