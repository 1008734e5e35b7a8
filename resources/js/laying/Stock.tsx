import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { LaidRow } from '../api/client'
import { say } from '../texts/say'
import { figureOf, noFigure } from '../ui/figureOf'
import { useShow, type Shown } from '../ui/units'
import { counted, MOST_LENGTHS, taken, withCount, withLength, withoutLength, type Asked } from './asked'

interface Props {
  asked: Asked
  rows: LaidRow[]
  unit: Shown
  fault: string | null
  onAsked: (asked: Asked) => void
}

/** Pipes on the bank by length: one more or fewer, plenty, another length. */
export function Stock({ asked, rows, unit, fault, onAsked }: Props): ReactElement {
  const show = useShow()
  const [length, setLength] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const add = (): void => {
    const why = noFigure(length)
    setWrong(why)
    if (why) return
    onAsked(withLength(asked, Number(unit.toKey(figureOf(length)!).toPrecision(12)), null))
    setLength('')
  }
  return (
    <Box component="section" aria-labelledby="bank" sx={{ mt: 3 }}>
      <Typography id="bank" variant="h2" sx={{ mb: 0.5 }}>
        {say('laying.onTheBank')}
      </Typography>
      {asked.stock.map((row, i) => {
        const name = say('laying.pipesOf', { length: show('x_m', 'length', row.length_m, 2) })
        return (
          <Box key={row.length_m} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1, alignItems: 'center' }}>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography>{name}</Typography>
              <Typography variant="body2">{say('laying.toLay', { count: taken(rows, row.length_m) })}</Typography>
              {asked.stock.length > 1 && (
                <Button
                  size="small"
                  sx={{ px: 0, minWidth: 0 }}
                  aria-label={say('laying.leaveOutOf', { of: name })}
                  onClick={() => onAsked(withoutLength(asked, i))}
                >
                  {say('laying.leaveOut')}
                </Button>
              )}
            </Box>
            <Button
              variant="outlined"
              sx={{ minWidth: 56, px: 0 }}
              aria-label={say('laying.oneFewer', { of: name })}
              disabled={row.count === null || row.count === 0}
              onClick={() => onAsked(counted(asked, i, -1))}
            >
              −
            </Button>
            <Button
              sx={{ minWidth: 64, px: 0, fontSize: '1.3rem', fontWeight: 700, color: 'text.primary' }}
              aria-label={
                row.count === null ? say('laying.countThem', { of: name }) : say('laying.thereArePlenty', { of: name, count: row.count })
              }
              onClick={() => onAsked(withCount(asked, i, row.count === null ? taken(rows, row.length_m) : null))}
            >
              {row.count ?? say('laying.plenty')}
            </Button>
            <Button
              variant="outlined"
              sx={{ minWidth: 56, px: 0 }}
              aria-label={say('laying.oneMore', { of: name })}
              disabled={row.count === null}
              onClick={() => onAsked(counted(asked, i, 1))}
            >
              +
            </Button>
          </Box>
        )
      })}
      {fault && <Typography sx={{ color: 'secondary.main', fontWeight: 700 }}>{fault}</Typography>}
      {asked.stock.length < MOST_LENGTHS && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
          <TextField
            label={`${say('laying.anotherLength')}, ${unit.symbol}`}
            value={length}
            onChange={(e) => setLength(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && add()}
            error={!!wrong}
            helperText={wrong}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <Button variant="outlined" onClick={add} sx={{ minWidth: 96 }}>
            {say('laying.add')}
          </Button>
        </Box>
      )}
    </Box>
  )
}
