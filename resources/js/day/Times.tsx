import { Box, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { DayAsked, DayPage } from '../api/client'
import { say } from '../texts/say'
import { figureOf, noFigure } from '../ui/figureOf'
import { ACT } from './words'

type Act = DayPage['acts'][number]

interface Props {
  acts: DayPage['acts']
  /** how long the test takes; null: all of the line is looked at, which has no test of its own */
  test: Act | null
  missing: string[]
  asked: DayAsked
  faults: Record<string, string>
  onAsked: (asked: DayAsked) => void
}

const shown = (min: number | null): string => (min === null ? '' : String(Number(min.toFixed(1))))

/** From where a time is known, so that nobody takes a start value for a measured one. */
function known(act: Act): string {
  switch (act.from) {
    case 'typed':
      return say('day.typed')
    case 'read':
      return say('day.readOff', { source: act.source })
    case 'crew':
      return say(act.act === 'test' ? 'day.byTheTests' : 'day.byTheCrew', { count: act.joints })
    case 'text':
      return say(act.certainty === 'memory' ? 'day.fromMemory' : 'day.startValue', { source: act.source })
    default:
      return say('day.nobodyKnowsIt')
  }
}

/** How long each act takes, and how that is known. What is typed counts most; emptied, what is known counts again. */
export function Times({ acts, test, missing, asked, faults, onAsked }: Props): ReactElement | null {
  if (acts.length === 0 && test === null) return null
  return (
    <Box component="section" aria-labelledby="times" sx={{ mt: 3, display: 'grid', gap: 1.5 }}>
      <Typography id="times" variant="h2">
        {say('day.howLong')}
      </Typography>
      {acts.length > 0 && (
        <Minutes
          key={`open-${String(asked.open_min)}`}
          label={say('day.act.open')}
          value={asked.open_min ?? null}
          known=""
          note={say(asked.open_min == null ? 'day.nobodyWaitsForIt' : 'day.openIsTyped')}
          fault={faults['open_min'] ?? null}
          onValue={(open_min) => onAsked({ ...asked, open_min })}
        />
      )}
      {acts.map((act) => {
        const key = `${act.act}_min` as 'prepare_min'
        return (
          <Minutes
            key={`${act.act}-${String(asked[key])}-${String(act.min)}`}
            label={say(ACT[act.act])}
            value={asked[key] ?? null}
            known={shown(act.min)}
            note={known(act)}
            fault={faults[key] ?? (missing.includes(act.act) ? say('day.nobodyKnowsIt') : null)}
            onValue={(value) => onAsked({ ...asked, [key]: value })}
          />
        )
      })}
      {acts.some((act) => act.from === 'crew' && act.act === 'prepare') && <Typography variant="body2">{say('day.crewNote')}</Typography>}
      {acts.some((act) => act.act === 'cool') && (
        <Minutes
          key={`move-${asked.move_min}`}
          label={say('day.act.move')}
          value={asked.move_min}
          known=""
          note={say('day.moveIsTyped')}
          fault={faults['move_min'] ?? null}
          onValue={(value) => value !== null && onAsked({ ...asked, move_min: value })}
        />
      )}
      {test && (
        <Minutes
          key={`test-${String(asked.test_min)}-${String(test.min)}`}
          label={say('day.act.test')}
          value={asked.test_min ?? null}
          known={shown(test.min)}
          note={known(test)}
          fault={faults['test_min'] ?? null}
          onValue={(test_min) => onAsked({ ...asked, test_min })}
        />
      )}
    </Box>
  )
}

function Minutes({
  label,
  value,
  known: before,
  note,
  fault,
  onValue,
}: {
  label: string
  value: number | null
  known: string
  note: string
  fault: string | null
  onValue: (value: number | null) => void
}): ReactElement {
  const [text, setText] = useState(value === null ? '' : shown(value))
  const [wrong, setWrong] = useState<string | null>(null)
  const take = (): void => {
    const isEmpty = text.trim() === ''
    const why = isEmpty ? null : noFigure(text)
    setWrong(why)
    const typed = isEmpty ? null : figureOf(text)
    if (!why && typed !== value) onValue(typed)
  }
  return (
    <TextField
      label={`${label}, min`}
      value={text}
      placeholder={before}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => e.key === 'Enter' && take()}
      error={!!(wrong ?? fault)}
      helperText={wrong ?? fault ?? note}
      slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
      sx={{ '& input::placeholder': { color: 'text.primary', opacity: 1 } }}
    />
  )
}
