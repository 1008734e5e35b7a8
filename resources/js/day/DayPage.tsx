import { Box, MenuItem, TextField } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useParams } from 'react-router'
import type { DayAsked, DayPage as Days, LineFull } from '../api/client'
import { useDay, useLine } from '../api/queries'
import { faultsOf } from '../api/useVerb'
import { say } from '../texts/say'
import { BESIDE, besideAt } from '../ui/beside'
import { Page } from '../ui/Page'
import { Refused } from '../ui/Refused'
import { whileComing } from '../ui/whileComing'
import { Answer } from './Answer'
import { DayDrawing } from './DayDrawing'
import { Means } from './Means'
import { Take } from './Take'
import { Times } from './Times'
import { useTried } from './useTried'
import { Week } from './Week'

/** All of the line, where a section could stand. */
const WHOLE = 'line'

/** The days to come against the clock: when the section can be tested, what holds it up, what would help. */
export default function DayPage(): ReactElement {
  const { id = '' } = useParams()
  const [section, setSection] = useState('')
  const line = useLine(id)
  const days = useDay(id, section)
  if (!line.data) return whileComing(line, { to: '/', label: say('common.lines') })
  if (!days.data) return whileComing(days, { to: `/lines/${id}`, label: line.data.name })
  return (
    <Page wide practice={line.data.practice} up={{ to: `/lines/${id}`, label: line.data.name }} title={say('day.title')}>
      <Plan key={days.data.section ?? WHOLE} line={line.data} starts={days.data} onSection={setSection} />
    </Page>
  )
}

function Plan({ line, starts, onSection }: { line: LineFull; starts: Days; onSection: (section: string) => void }): ReactElement {
  const [asked, setAsked] = useState<DayAsked>({ ...starts.asked, section: starts.section })
  const tried = useTried(line.id, asked)
  const page = tried.data ?? starts
  const faults = useMemo(() => faultsOf(tried.error instanceof Error ? tried.error : null), [tried.error])
  const isFused = page.acts.some((act) => act.act === 'fuse')
  return (
    <Box sx={BESIDE}>
      <Box sx={besideAt(2, 1, 2)}>
        <TextField select label={say('day.of')} value={starts.section ?? WHOLE} onChange={(e) => onSection(e.target.value)} sx={{ mb: 2 }}>
          {line.sections.map((section) => (
            <MenuItem key={section.id} value={section.id}>
              {section.name}
            </MenuItem>
          ))}
          <MenuItem value={WHOLE}>{say('day.wholeLine')}</MenuItem>
        </TextField>
        <Answer page={page} line={line} asked={asked} busy={tried.isPlaceholderData} onAsked={setAsked} />
        <Refused why={faults['all'] ?? faults['section']} />
      </Box>
      <Box sx={besideAt(1, 1, 3)}>
        <DayDrawing page={page} zone={line.time_zone} />
        <Week page={page} zone={line.time_zone} />
        <Take line={line} page={page} asked={asked} />
      </Box>
      <Box sx={besideAt(2, 2, 4)}>
        <Means asked={asked} isFused={isFused} atWork={page.clamps_at_work} inStores={page.in_stores} faults={faults} onAsked={setAsked} />
        <Times
          acts={page.acts}
          test={page.section === null ? null : page.test}
          missing={page.missing}
          asked={asked}
          faults={faults}
          onAsked={setAsked}
        />
      </Box>
    </Box>
  )
}
