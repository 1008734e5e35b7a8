import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { say } from '../texts/say'
import { figureOf, noFigure } from '../ui/figureOf'
import { useShow, type Shown } from '../ui/units'
import { smallUnit, withBend, withLeg, withoutBend, type Asked } from './asked'

/** Stock bends, degrees. */
const STOCK_DEG = [11.25, 22.5, 45, 90]

interface Props {
  asked: Asked
  unit: Shown
  fault: string | null
  onAsked: (asked: Asked) => void
}

/** Bends that are set into corners of the line: how far each reaches, as its maker says; another one; one less. */
export function Bends({ asked, unit, fault, onAsked }: Props): ReactElement {
  const show = useShow()
  const bends = asked.bends ?? []
  return (
    <Box component="section" aria-labelledby="bends" sx={{ mt: 3 }}>
      <Typography id="bends" variant="h2" sx={{ mb: 0.5 }}>
        {say('laying.bends')}
      </Typography>
      {bends.map((bend, i) => {
        const name = say('laying.helpBend', { bend: `${bend.bend_deg}°`, at: show('x_m', 'length', bend.at_m, 2) })
        return (
          <Box
            key={bend.at_m}
            sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5, pb: 1, display: 'flex', gap: 1.5, alignItems: 'flex-start' }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography>{name}</Typography>
              <Button
                size="small"
                sx={{ px: 0, minWidth: 0 }}
                aria-label={say('laying.leaveOutOf', { of: name })}
                onClick={() => onAsked(withoutBend(asked, i))}
              >
                {say('laying.leaveOut')}
              </Button>
            </Box>
            <Leg
              key={`${bend.leg_m} ${unit.symbol}`}
              of={name}
              metres={bend.leg_m}
              unit={unit}
              onLeg={(leg_m) => onAsked(withLeg(asked, i, leg_m))}
            />
          </Box>
        )
      })}
      {fault && <Typography sx={{ color: 'secondary.main', fontWeight: 700 }}>{fault}</Typography>}
      {bends.length > 0 && <Typography sx={{ my: 1 }}>{say('laying.bendsPush')}</Typography>}
      <Another asked={asked} unit={unit} onAsked={onAsked} />
    </Box>
  )
}

function Leg({ of, metres, unit, onLeg }: { of: string; metres: number; unit: Shown; onLeg: (metres: number) => void }): ReactElement {
  const small = smallUnit(unit)
  const [text, setText] = useState(String(Number((metres * small.per).toPrecision(5))))
  const [wrong, setWrong] = useState<string | null>(null)
  const take = (): void => {
    const why = noFigure(text)
    setWrong(why)
    if (!why) onLeg(Number((figureOf(text)! / small.per).toPrecision(12)))
  }
  return (
    <TextField
      label={`${say('laying.centreToJoint')}, ${small.symbol}`}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => e.key === 'Enter' && take()}
      error={!!wrong}
      helperText={wrong}
      sx={{ width: 190 }}
      slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${say('laying.centreToJoint')}: ${of}, ${small.symbol}` } }}
    />
  )
}

/** A bend that the drawings have, whether or not the plan asks for it. */
function Another({ asked, unit, onAsked }: Pick<Props, 'asked' | 'unit' | 'onAsked'>): ReactElement {
  const [at, setAt] = useState('')
  const [degrees, setDegrees] = useState(STOCK_DEG[2]!)
  const [wrong, setWrong] = useState<string | null>(null)
  const add = (): void => {
    const why = noFigure(at)
    setWrong(why)
    if (why) return
    onAsked(
      withBend(asked, {
        at_m: Number(unit.toKey(figureOf(at)!).toPrecision(12)),
        bend_deg: degrees,
        leg_m: asked.bends?.[0]?.leg_m ?? 0.2,
      }),
    )
    setAt('')
  }
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
      <TextField
        label={`${say('laying.cornerAt')}, ${unit.symbol}`}
        value={at}
        onChange={(e) => setAt(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && add()}
        error={!!wrong}
        helperText={wrong}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
      <TextField
        select
        label={say('laying.bend')}
        value={degrees}
        onChange={(e) => setDegrees(Number(e.target.value))}
        sx={{ minWidth: 110 }}
      >
        {STOCK_DEG.map((one) => (
          <MenuItem key={one} value={one}>{`${one}°`}</MenuItem>
        ))}
      </TextField>
      <Button variant="outlined" onClick={add} sx={{ minWidth: 96, px: 1, whiteSpace: 'nowrap' }}>
        {say('laying.setBend')}
      </Button>
    </Box>
  )
}
