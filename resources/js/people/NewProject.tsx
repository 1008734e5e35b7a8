import { Button, Checkbox, FormControlLabel, TextField } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'

const FIELDS = ['name', 'place', 'client', 'contractor', 'time_zone'] as const

const LABEL: Record<(typeof FIELDS)[number], string> = {
  name: say('people.projectName'),
  place: say('people.place'),
  client: say('desk.client'),
  contractor: say('desk.contractor'),
  time_zone: say('people.timeZone'),
}

/** A project, in the time of its place; who makes it is its first engineer. */
export function NewProject(): ReactElement {
  const [open, setOpen] = useState(false)
  const begin = { name: '', place: '', client: '', contractor: '', time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone }
  const [said, setSaid] = useState(begin)
  const [practice, setPractice] = useState(false)
  const make = useVerb(
    () => api.post('/organisation/projects', { ...said, practice }),
    () => {
      setOpen(false)
      setSaid(begin)
      setPractice(false)
    },
  )
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        {say('people.newProject')}
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('people.newProject')}
        actions={
          <Button variant="contained" disabled={make.busy} onClick={() => make.run()}>
            {say('people.makeProject')}
          </Button>
        }
      >
        {FIELDS.map((key) => (
          <TextField
            key={key}
            label={LABEL[key]}
            value={said[key]}
            onChange={(e) => setSaid({ ...said, [key]: e.target.value })}
            error={make.faults[key] !== undefined}
            helperText={make.faults[key]}
            sx={{ mt: 2 }}
            fullWidth
          />
        ))}
        <FormControlLabel
          sx={{ mt: 1, minHeight: 48 }}
          control={<Checkbox checked={practice} onChange={(e) => setPractice(e.target.checked)} />}
          label={say('people.itIsForPractice')}
        />
        <Refused why={make.faults['all']} />
      </Sheet>
    </>
  )
}
