import { Box, Button, Typography } from '@mui/material'
import { useRef, useState, type ReactElement } from 'react'
import { api, fileForm, type FieldSpec } from '../api/client'
import { useVerb } from '../api/useVerb'
import { recordAll } from '../outbox/outbox'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { useCalled } from './called'
import type { OneOfList } from './entries'

type Value = Record<string, unknown>

interface Read {
  entries: Value[]
  left_out: string[]
}

interface Props {
  path: string
  step: string
  /** what the file is: "a surveyor's file" */
  called: string
  fields: FieldSpec[]
  entries: OneOfList[]
  shown: (field: FieldSpec, value: unknown) => string
}

/** Entries out of a file in place of typing them: what was read is said first, then entered by one tap. */
export function EntriesFile({ path, step, called, fields, entries, shown }: Props): ReactElement {
  const title = useCalled()
  const input = useRef<HTMLInputElement>(null)
  const [read, setRead] = useState<Read | null>(null)
  const load = useVerb(async (file: File) => {
    setRead(null)
    setRead(await api.post<Read>('/files/entries', fileForm(file, { subject: path.replace(/^subjects\//, ''), step })))
  })
  const first = fields[0]!
  // A place that stands there already is put right by hand, and not entered twice.
  const fresh = (read?.entries ?? []).filter(
    (value) => !entries.some((entry) => shown(first, entry.value[first.key]) === shown(first, value[first.key])),
  )
  const known = (read?.entries.length ?? 0) - fresh.length
  const enter = useVerb(async () => {
    await recordAll(
      path,
      fresh.map((value) => ({ fact: { step, value }, title })),
    )
    setRead(null)
  })
  return (
    <Box sx={{ my: 2 }}>
      <Button variant="outlined" fullWidth disabled={load.busy} onClick={() => input.current?.click()}>
        {say('steps.readFile', { file: called })}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.txt"
        aria-label={say('steps.fileOf', { file: called })}
        onChange={(e) => {
          const chosen = e.target.files?.[0]
          e.target.value = ''
          if (chosen) load.run(chosen)
        }}
      />
      <Refused why={load.fault} />
      {read && (
        <Box role="status" sx={{ mt: 1 }}>
          <Typography sx={{ fontWeight: 700 }}>
            {fresh.length === 0
              ? say('steps.nothingToEnter')
              : say('steps.wasRead', {
                  count: fresh.length,
                  from: shown(first, fresh[0]![first.key]),
                  to: shown(first, fresh[fresh.length - 1]![first.key]),
                })}
          </Typography>
          {known > 0 && <Typography>{say('steps.entersAlready', { count: known })}</Typography>}
          {read.left_out.map((why) => (
            <Typography key={why}>{why}</Typography>
          ))}
          {fresh.length > 0 && (
            <Button variant="contained" fullWidth sx={{ mt: 1 }} disabled={enter.busy} onClick={() => enter.run()}>
              {say('steps.enterThem', { count: fresh.length })}
            </Button>
          )}
          <Refused why={enter.fault} />
        </Box>
      )}
    </Box>
  )
}
