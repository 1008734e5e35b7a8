import { Box, Button, Typography } from '@mui/material'
import { useMutation } from '@tanstack/react-query'
import { useRef, useState, type ReactElement } from 'react'
import { api, fileForm, Refusal, type FileSamples } from '../api/client'
import { newId, record } from '../outbox/outbox'
import { useCalled } from './called'
import { say } from '../texts/say'

interface FileProps {
  subject: string
  stepKey: string
  path: string
  accept: string
  what: string
  /** what is stored beside the samples */
  extra: (rows: number[][]) => Record<string, unknown>
  /** why no file can be loaded yet */
  hold?: string | null
  onDone: () => void
}

interface Chosen {
  chosen: File
  /** of its dates, where they can be read in two ways */
  order?: 'DMY' | 'MDY'
}

/** A file of a device: read by the server, stored as a trace, or refused with its sentence. */
export function FileEntry({ subject, stepKey, path, accept, what, extra, hold, onDone }: FileProps): ReactElement {
  const called = useCalled()
  const input = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState<{ text: string; bad?: boolean } | null>(null)
  const [asking, setAsking] = useState<File | null>(null)
  const reading = useMutation({
    mutationFn: ({ chosen, order }: Chosen) => api.post<FileSamples>(path, fileForm(chosen, order ? { date_order: order } : {})),
    onMutate: () => {
      setSaid({ text: say('steps.readingTheFile') })
      setAsking(null)
    },
    onSuccess: async (read, { chosen }) => {
      const summary = read.summary as { spikes?: number; gaps?: number; excursions?: unknown[] } | undefined
      const apart = summary?.excursions?.length ?? 0
      const value = Object.fromEntries(
        Object.entries({
          trace: newId(),
          part: 0,
          final: true,
          samples: read.samples,
          source: 'file',
          file: chosen.name.slice(0, 120),
          ...extra(read.samples),
        }).filter(([, v]) => v !== undefined),
      )
      await record(subject, { step: stepKey, value }, called)
      const found = [say('steps.rowsRead', { count: read.samples.length })]
      if (summary) found.push(say('steps.spikesDropped', { spikes: summary.spikes ?? 0 }), say('steps.gaps', { gaps: summary.gaps ?? 0 }))
      if (apart > 0) found.push(say('steps.stretchesApart', { apart }))
      setSaid({ text: `${found.join(', ')}.` })
      onDone()
    },
    onError: (error, { chosen }) => {
      if (error instanceof Refusal && error.errors.some((e) => e.field === 'date_order')) setAsking(chosen)
      setSaid({ text: say('steps.nothingWasStored', { message: error.message }), bad: true })
    },
  })
  return (
    <Box sx={{ mt: 1 }}>
      <Button variant="outlined" fullWidth onClick={() => (hold ? setSaid({ text: hold, bad: true }) : input.current?.click())}>
        {hold === undefined ? say('steps.loadAFromAFile', { what }) : say('steps.chooseTheFile')}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label={say('steps.fileWithThe', { what })}
        onChange={(e) => {
          const chosen = e.target.files?.[0]
          e.target.value = ''
          if (chosen) reading.mutate({ chosen })
        }}
      />
      {said && (
        <Typography
          role={said.bad ? 'alert' : 'status'}
          sx={{ mt: 1, color: said.bad ? 'secondary.main' : 'text.primary', fontWeight: said.bad ? 700 : 400 }}
        >
          {said.text}
        </Typography>
      )}
      {asking && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
          <Button variant="outlined" onClick={() => reading.mutate({ chosen: asking, order: 'DMY' })}>
            {say('steps.dayFirst')}
          </Button>
          <Button variant="outlined" onClick={() => reading.mutate({ chosen: asking, order: 'MDY' })}>
            {say('steps.monthFirst')}
          </Button>
        </Box>
      )}
    </Box>
  )
}
