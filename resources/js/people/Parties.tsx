import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type ProjectPeople } from '../api/client'
import { queries } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'

/** For whom a project is built and by whom, as it stands on what is handed over. */
export function Parties({ project, mayChange }: { project: ProjectPeople; mayChange: boolean }): ReactElement {
  const [open, setOpen] = useState(false)
  const [client, setClient] = useState(project.client)
  const [contractor, setContractor] = useState(project.contractor)
  const [own, setOwn] = useState(project.accepts_own_work)
  const keep = useVerb(
    () => api.patch(`/projects/${project.id}`, { client, contractor, accepts_own_work: own }),
    () => {
      setOpen(false)
      void queries.invalidateQueries({ queryKey: ['people'] })
    },
  )
  const stated = (name: string): string => (name === '' ? say('desk.notStated') : name)
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, alignItems: 'baseline', mt: 0.5 }}>
      <Typography sx={{ overflowWrap: 'anywhere' }}>
        {say('desk.builtFor', { client: stated(project.client), contractor: stated(project.contractor) })}
      </Typography>
      {project.accepts_own_work && <Typography>{say('desk.ownWorkAllowed')}</Typography>}
      {mayChange && (
        <Button
          variant="outlined"
          size="small"
          onClick={() => setOpen(true)}
          aria-label={say('desk.changeTheParties', { name: project.name })}
        >
          {say('desk.change')}
        </Button>
      )}
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={project.name}
        actions={
          <Button variant="contained" disabled={keep.busy} onClick={() => keep.run()}>
            {say('desk.keep')}
          </Button>
        }
      >
        <Typography variant="body2">{say('desk.standsOnTheTestPack')}</Typography>
        <TextField label={say('desk.client')} value={client} onChange={(e) => setClient(e.target.value)} sx={{ mt: 2 }} fullWidth />
        <TextField
          label={say('desk.contractor')}
          value={contractor}
          onChange={(e) => setContractor(e.target.value)}
          sx={{ mt: 2 }}
          fullWidth
        />
        <FormControlLabel
          sx={{ mt: 1, minHeight: 48 }}
          control={<Checkbox checked={own} onChange={(e) => setOwn(e.target.checked)} />}
          label={say('desk.acceptsOwnWork')}
        />
        <Refused why={keep.fault} />
      </Sheet>
    </Box>
  )
}
