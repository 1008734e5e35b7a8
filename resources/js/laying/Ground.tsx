import { Box, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { say } from '../texts/say'
import type { Shown } from '../ui/units'
import { smallUnit, type Asked } from './asked'
import { Figure, type Figured } from './Figure'
import { groundOf, groundText } from './ground'

interface Props {
  asked: Asked
  unit: Shown
  faults: Record<string, string>
  /** what is wrong with the table as the server says it */
  fault: string | null
  onAsked: (asked: Asked) => void
}

/** Where the ground is, as it is known: a table that is pasted or typed, the cover that is wanted, how well the ground is known. */
export function Ground({ asked, unit, faults, fault, onAsked }: Props): ReactElement {
  const { symbol, per } = smallUnit(unit)
  const cover: Figured = {
    label: 'laying.leastCover',
    symbol: unit.symbol,
    out: (v) => unit.fromKey(v),
    back: (v) => unit.toKey(v),
    free: true,
  }
  const known: Figured = { label: 'laying.groundKnownTo', symbol, out: (v) => v * per, back: (v) => v / per, free: true }
  const ground = asked.ground ?? []
  return (
    <Box component="section" aria-labelledby="ground" sx={{ mt: 3, display: 'grid', gap: 1.5 }}>
      <Typography id="ground" variant="h2">
        {say('laying.ground')}
      </Typography>
      <Table key={groundText(ground, unit)} asked={asked} unit={unit} fault={fault} onAsked={onAsked} />
      {ground.length > 0 && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
          {(
            [
              ['least_cover_m', cover],
              ['ground_u_m', known],
            ] as const
          ).map(([key, field]) => (
            <Figure
              key={`${key}-${String(asked[key])}-${field.symbol}`}
              field={field}
              value={asked[key] ?? null}
              fault={faults[key] ?? null}
              onValue={(value) => onAsked({ ...asked, [key]: value })}
            />
          ))}
        </Box>
      )}
    </Box>
  )
}

function Table({ asked, unit, fault, onAsked }: Omit<Props, 'faults'>): ReactElement {
  const before = groundText(asked.ground ?? [], unit)
  const [text, setText] = useState(before)
  const [wrong, setWrong] = useState<string | null>(null)
  const take = (): void => {
    const read = groundOf(text, unit)
    setWrong(read.wrong)
    if (!read.wrong && groundText(read.ground, unit) !== before) onAsked({ ...asked, ground: read.ground })
  }
  return (
    <TextField
      multiline
      minRows={2}
      maxRows={8}
      label={say('laying.groundTable', { unit: unit.symbol })}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      error={!!(wrong ?? fault)}
      helperText={wrong ?? fault ?? say('laying.groundHow')}
    />
  )
}
