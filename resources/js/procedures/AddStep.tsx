import { Box, Button, MenuItem, TextField } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { StepText } from '../api/client'
import { say } from '../texts/say'
import { plainTitle, type Asked } from './adapt'

const KINDS: Record<Asked['kind'], string> = {
  yes: say('procedures.askedYes'),
  no: say('procedures.askedNo'),
  length: say('procedures.askedLength'),
  temperature: say('procedures.askedTemperature'),
  pressure: say('procedures.askedPressure'),
  time: say('procedures.askedTime'),
  text: say('procedures.askedText'),
}

/** A step that the crew is to do besides: what it is called, why, and what it asks. */
export function AddStep({
  steps,
  onAdd,
}: {
  steps: StepText[]
  onAdd: (after: number, step: { title: string; why: string; asked: Asked[] }) => void
}): ReactElement {
  const [open, setOpen] = useState(false)
  const [after, setAfter] = useState(0)
  const [title, setTitle] = useState('')
  const [why, setWhy] = useState('')
  const [asked, setAsked] = useState<Asked[]>([{ label: '', kind: 'yes' }])
  const named = asked.filter((a) => a.label.trim() !== '')
  if (!open)
    return (
      <Button variant="outlined" sx={{ mt: 1 }} onClick={() => setOpen(true)}>
        {say('procedures.addAStep')}
      </Button>
    )
  const set = (index: number, change: Partial<Asked>): void => setAsked(asked.map((a, i) => (i === index ? { ...a, ...change } : a)))
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault()
        onAdd(after, { title, why, asked: named })
        setOpen(false)
        setTitle('')
        setWhy('')
        setAsked([{ label: '', kind: 'yes' }])
      }}
      sx={{ display: 'grid', gap: 2, mt: 2, maxWidth: 760, borderLeft: 3, borderColor: 'divider', pl: 2 }}
    >
      <TextField select label={say('procedures.after')} value={after} onChange={(e) => setAfter(Number(e.target.value))}>
        {steps.map((s, i) => (
          <MenuItem key={i} value={i}>
            {`${i + 1} ${plainTitle(s)}`}
          </MenuItem>
        ))}
      </TextField>
      <TextField label={say('procedures.titleOfTheStep')} value={title} onChange={(e) => setTitle(e.target.value)} />
      <TextField label={say('procedures.why')} value={why} onChange={(e) => setWhy(e.target.value)} />
      {asked.map((a, i) => (
        <Box key={i} sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' }, gap: 1 }}>
          <TextField label={say('procedures.whatIsAsked')} value={a.label} onChange={(e) => set(i, { label: e.target.value })} />
          <TextField
            select
            label={say('procedures.answer')}
            value={a.kind}
            onChange={(e) => set(i, { kind: e.target.value as Asked['kind'] })}
          >
            {Object.entries(KINDS).map(([kind, label]) => (
              <MenuItem key={kind} value={kind}>
                {label}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button onClick={() => setAsked([...asked, { label: '', kind: 'yes' }])}>{say('procedures.askMore')}</Button>
        <Button variant="outlined" type="submit" disabled={title.trim() === '' || named.length === 0}>
          {say('procedures.addTheStep')}
        </Button>
        <Button onClick={() => setOpen(false)}>{say('procedures.notNow')}</Button>
      </Box>
    </Box>
  )
}
