import { Box, Button, Typography } from '@mui/material'
import { useMutation } from '@tanstack/react-query'
import { useRef, useState, type ReactElement } from 'react'
import { api, fileForm, Refusal, type FileSamples } from '../api/client'
import { newId } from '../outbox/id'
import { record } from '../outbox/outbox'
import { Sheet } from '../ui/Sheet'
import { useCalled } from './called'
import { FromFile } from './FromFile'
import { useReplacing } from './replacing'
import { say } from '../texts/say'

interface FileProps {
  subject: string
  stepKey: string
  path: string
  accept: string
  what: string
  /** of the place: files mostly write the time without it */
  zone: string
  /** what is stored beside the samples */
  extra: (rows: number[][]) => Record<string, unknown>
  /** several may be chosen together, and become one */
  several?: boolean
  /** why no file can be loaded yet */
  hold?: string | null
  onDone: () => void
}

interface Chosen {
  chosen: File[]
  /** of its dates, where they can be read in two ways */
  order?: 'DMY' | 'MDY'
}

interface Read {
  chosen: File[]
  read: FileSamples
}

const NO_REASON = 3
/** A name as it is stored; of several files each counts. */
const LONGEST_NAME = 120

const nameOf = (files: File[]): string =>
  files
    .map((file) => file.name)
    .join(', ')
    .slice(0, LONGEST_NAME)

/** A file of a device: read by the server, held against the work, stored as a trace, or refused with its sentence. */
export function FileEntry({ subject, stepKey, path, accept, what, zone, extra, several, hold, onDone }: FileProps): ReactElement {
  const called = useCalled()
  const replacing = useReplacing()
  const input = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState<{ text: string; bad?: boolean } | null>(null)
  const [asking, setAsking] = useState<File[] | null>(null)
  const [doubted, setDoubted] = useState<Read | null>(null)
  const store = async ({ chosen, read }: Read): Promise<void> => {
    setDoubted(null)
    const value = Object.fromEntries(
      Object.entries({
        trace: newId(),
        part: 0,
        final: true,
        samples: read.samples,
        source: 'file',
        file: nameOf(chosen),
        first_at: read.first_at ?? undefined,
        last_at: read.last_at ?? undefined,
        ...extra(read.samples),
      }).filter(([, v]) => v !== undefined),
    )
    const supersedes = replacing ? { supersedes: replacing.fact, reason: replacing.reason } : {}
    await record(subject, { step: stepKey, value, ...supersedes }, called)
    const summary = read.summary as
      { kept: number; spikes?: number; gaps?: number; excursions?: unknown[]; thinned_to: number | null } | undefined
    const apart = summary?.excursions?.length ?? 0
    const found = [say('steps.rowsRead', { count: summary?.kept ?? read.samples.length })]
    if (summary?.thinned_to) found.push(say('steps.thinnedTo', { kept: summary.thinned_to }))
    if (summary) found.push(say('steps.spikesDropped', { spikes: summary.spikes ?? 0 }), say('steps.gaps', { gaps: summary.gaps ?? 0 }))
    if (apart > 0) found.push(say('steps.stretchesApart', { apart }))
    setSaid({ text: `${found.join(', ')}.` })
    onDone()
  }
  const reading = useMutation({
    mutationFn: ({ chosen, order }: Chosen) => {
      const of = { subject: subject.replace(/^subjects\//, ''), step: stepKey }
      return api.post<FileSamples>(path, fileForm(chosen, { ...of, ...(order ? { date_order: order } : {}) }))
    },
    onMutate: () => {
      setSaid({ text: say('steps.readingTheFile') })
      setAsking(null)
    },
    onSuccess: async (read, { chosen }) => {
      if ((read.doubts ?? []).length === 0) return store({ chosen, read })
      setSaid(null)
      setDoubted({ chosen, read })
    },
    onError: (error, { chosen }) => {
      if (error instanceof Refusal && error.errors.some((e) => e.field === 'date_order')) setAsking(chosen)
      setSaid({ text: say('steps.nothingWasStored', { message: error.message }), bad: true })
    },
  })
  const why = replacing && replacing.reason.trim().length < NO_REASON ? say('steps.sayWhyFirst') : (hold ?? null)
  return (
    <Box sx={{ mt: 1 }}>
      <Button variant="outlined" fullWidth onClick={() => (why ? setSaid({ text: why, bad: true }) : input.current?.click())}>
        {hold === undefined ? say('steps.loadAFromAFile', { what }) : say('steps.chooseTheFile')}
      </Button>
      {doubted && (
        <Sheet
          open
          onClose={() => setDoubted(null)}
          close={say('steps.notThisFile')}
          title={say('steps.doesThisFileBelongHere')}
          actions={
            <Button variant="contained" color="secondary" onClick={() => void store(doubted)}>
              {say('steps.storeItAllTheSame')}
            </Button>
          }
        >
          <Typography sx={{ mb: 1 }}>
            <FromFile name={nameOf(doubted.chosen)} first={doubted.read.first_at} last={doubted.read.last_at} zone={zone} />
          </Typography>
          {(doubted.read.doubts ?? []).map((doubt) => (
            <Typography key={doubt} sx={{ fontWeight: 700, mb: 1 }}>
              {doubt}
            </Typography>
          ))}
        </Sheet>
      )}
      <input
        ref={input}
        type="file"
        hidden
        multiple={several ?? false}
        accept={accept}
        aria-label={say('steps.fileWithThe', { what })}
        onChange={(e) => {
          const chosen = [...(e.target.files ?? [])]
          e.target.value = ''
          if (chosen.length > 0) reading.mutate({ chosen })
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
