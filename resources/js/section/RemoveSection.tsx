import { Button, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'

/** A section that was planned otherwise goes before its first test; the second tap names what goes. */
export function RemoveSection({ id, name, line }: { id: string; name: string; line: string }): ReactElement {
  const navigate = useNavigate()
  const [asked, setAsked] = useState(false)
  const remove = useVerb(
    () => api.delete(`/sections/${id}`),
    () => void navigate(`/lines/${line}`),
  )
  return (
    <>
      <Button sx={{ mt: 1 }} onClick={() => setAsked(true)}>
        {say('section.removeTheSection')}
      </Button>
      <Sheet
        open={asked}
        onClose={() => setAsked(false)}
        title={say('section.remove', { name })}
        actions={
          <Button variant="contained" color="secondary" disabled={remove.busy} onClick={() => remove.run()}>
            {say('section.removeIt')}
          </Button>
        }
      >
        <Typography>{say('section.itsPlanGoes')}</Typography>
        <Refused why={remove.fault} />
      </Sheet>
    </>
  )
}
