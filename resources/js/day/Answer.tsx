import { Box, Button, Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { DayAsked, DayPage, LineFull } from '../api/client'
import { say, type MessageId } from '../texts/say'
import { hourMinute, longDay } from '../ui/clock'
import { useShow } from '../ui/units'
import { Sentence } from '../ui/Verdict'
import { lasting, when } from './said'
import { dateOf } from './spells'
import { toDo } from './words'

interface Props {
  page: DayPage
  line: LineFull
  asked: DayAsked
  busy: boolean
  onAsked: (asked: DayAsked) => void
}

const HELD: Record<string, MessageId> = {
  clamps: 'day.heldByClamps',
  crew: 'day.heldByCrew',
  box: 'day.heldByBox',
  plant: 'day.heldByPlant',
  cooling: 'day.heldByCooling',
  made: 'day.heldByMade',
}
const MORE: Record<string, MessageId> = {
  clamps: 'day.oneMoreClamps',
  crew: 'day.oneMoreCrew',
  box: 'day.oneMoreBox',
  plant: 'day.oneMorePlant',
}
const LESS: Record<string, MessageId> = {
  clamps: 'day.oneLessClamps',
  crew: 'day.oneLessCrew',
  box: 'day.oneLessBox',
  plant: 'day.oneLessPlant',
}
const COUNTED = { clamps: 'clamps', crew: 'crews', box: 'boxes', plant: 'plant' } as const

/** When the test can begin, what holds it up, what would help and what it would cost to lose something. */
export function Answer({ page, line, asked, busy, onAsked }: Props): ReactElement {
  return (
    <Box aria-busy={busy} aria-live="polite" sx={{ opacity: busy ? 0.6 : 1 }}>
      {page.missing.length > 0 ? (
        <Sentence verdict="open" act={say('day.typeIt')}>
          {say('day.nobodyKnows', { acts: page.missing.map((act) => say(toDo(act))).join(', ') })}
        </Sentence>
      ) : (
        <Earliest page={page} zone={line.time_zone} />
      )}
      <Notes page={page} zone={line.time_zone} />
      <Helps page={page} line={line} asked={asked} onAsked={onAsked} />
    </Box>
  )
}

function Earliest({ page, zone }: { page: DayPage; zone: string }): ReactElement {
  if (page.test_from === null)
    return (
      <Sentence verdict="bad" act={say('day.longerShift')}>
        {say('day.outOfSight')}
      </Sentence>
    )
  const isToday = dateOf(Date.parse(page.test_from), zone) === dateOf(Date.parse(page.now), zone)
  const [held] = page.held_up_by
  const numbers = page.bad.join(', ')
  const isMade = page.left + page.to_hang === 0
  if (isMade && page.bad.length > 0)
    return <Sentence verdict="bad">{say('day.allMadeNotGood', { count: page.bad.length, numbers })}</Sentence>
  const called = page.bad.length > 0 ? say('day.earliestIf', { count: page.bad.length, numbers }) : say('day.earliestTest')
  return (
    <>
      <Typography>{isMade ? say('day.allMade') : called}</Typography>
      {!isToday && (
        <Typography sx={{ fontSize: '1.35rem', fontWeight: 700 }}>{longDay(dateOf(Date.parse(page.test_from), zone))}</Typography>
      )}
      <Typography data-test-from={page.test_from} sx={{ fontSize: '3rem', fontWeight: 800, lineHeight: 1.1, mb: 1 }}>
        {hourMinute(page.test_from, zone)}
      </Typography>
      <TheTest page={page} zone={zone} />
      {held && (
        <Box sx={{ borderLeft: 6, borderColor: 'secondary.main', pl: 2, py: 0.5, mb: 1.5 }}>
          <Typography sx={{ fontWeight: 700, fontSize: '1.15rem' }}>
            {say(HELD[held]!)}
            {(page.waits_min ?? 0) >= 1 && held !== 'made' && ` ${say('day.standReady', { wait: lasting(page.waits_min!) })}`}
          </Typography>
        </Box>
      )}
    </>
  )
}

/** When somebody is there for it, and until when it goes on. */
function TheTest({ page, zone }: { page: DayPage; zone: string }): ReactElement | null {
  if (page.test_at === null) return null
  const isLater = page.test_at !== page.test_from
  const at = when(page.test_at, page.now, zone)
  if (page.section === null || page.test_to === null || page.test.min === null)
    return isLater ? <Typography sx={{ mb: 1 }}>{say('day.nobodyThere', { at })}</Typography> : null
  const words = { at, to: when(page.test_to, page.now, zone), takes: lasting(page.test.min) }
  return (
    <Typography sx={{ mb: 1 }}>
      {say(page.test_fits === false ? 'day.testRunsOn' : isLater ? 'day.testHasRoom' : 'day.testTakes', words)}
    </Typography>
  )
}

/** What the figure leaves out, so that nobody reads it for more than it is. */
function Notes({ page, zone }: { page: DayPage; zone: string }): ReactElement {
  const notes = [
    page.anew.length > 0 && say('day.madeAnew', { count: page.anew.length, numbers: page.anew.join(', ') }),
    page.bad.length > 0 && page.left + page.to_hang > 0 && say('day.badFirst', { count: page.bad.length, numbers: page.bad.join(', ') }),
    page.left + page.to_hang === 0 && page.unsigned > 0 && say('day.unsigned', { count: page.unsigned }),
    page.to_hang > 0 && say('day.hungToo', { count: page.to_hang }),
    page.others > 0 && say('day.othersNotPlanned', { count: page.others }),
    page.beyond > 0 && say('day.beyond', { count: page.beyond }),
    page.exact === false && page.no_sooner_than !== null && say('day.noSooner', { at: when(page.no_sooner_than, page.now, zone) }),
  ]
  return (
    <>
      {notes.map(
        (note) =>
          note && (
            <Typography key={note} sx={{ mb: 1, fontWeight: page.bad.length + page.anew.length > 0 && note === notes[0] ? 700 : 400 }}>
              {note}
            </Typography>
          ),
      )}
    </>
  )
}

function Helps({ page, line, asked, onAsked }: Omit<Props, 'busy'>): ReactElement | null {
  const show = useShow()
  const zone = line.time_zone
  const test = page.test_from === null ? Infinity : Date.parse(page.test_from)
  const helps = page.one_more
    .filter((more) => more.test_from !== null && Date.parse(more.test_from) < test - 60_000)
    .sort((a, b) => Date.parse(a.test_from!) - Date.parse(b.test_from!))
  const losses = page.one_less.filter((less) => less.test_from === null || Date.parse(less.test_from) > test + 60_000)
  const section = line.sections.find((s) => s.id === page.section)
  if (page.left + page.to_hang === 0) return section ? <ToSection id={section.id} name={section.name} /> : null
  return (
    <Box component="section" aria-labelledby="helps" sx={{ mt: 2 }}>
      <Typography id="helps" variant="h2" sx={{ mb: 1 }}>
        {say('laying.whatWouldHelp')}
      </Typography>
      {helps.map((more, i) => (
        <Button
          key={more.of}
          fullWidth
          variant={i === 0 ? 'contained' : 'outlined'}
          sx={{ mb: 1 }}
          onClick={() => onAsked({ ...asked, [COUNTED[more.of]]: (asked[COUNTED[more.of]] ?? 1) + 1 })}
        >
          <Box sx={{ textAlign: 'left', width: '100%' }}>
            <Typography sx={{ fontWeight: 700, fontSize: '1.05rem', color: 'inherit' }}>{say(MORE[more.of]!)}</Typography>
            <Typography sx={{ color: 'inherit' }}>{say('day.testFrom', { at: when(more.test_from!, page.now, zone) })}</Typography>
          </Box>
        </Button>
      ))}
      {page.today_to && (
        <Box sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
          <Typography sx={{ fontWeight: 700 }}>{say('day.onlyTo', { number: page.today_to.number })}</Typography>
          <Typography>
            {say('day.endCapAt', {
              at: when(page.today_to.test_from, page.now, zone),
              chainage: show('x_m', 'length', page.today_to.chainage_m, 1),
            })}
          </Typography>
        </Box>
      )}
      {helps.length === 0 && !page.today_to && <Typography>{say('day.nothingHelps')}</Typography>}
      {losses.map((less) => (
        <Typography key={less.of} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
          {say(LESS[less.of]!)}{' '}
          {less.test_from === null ? say('day.noTestInSight') : say('day.testFrom', { at: when(less.test_from, page.now, zone) })}
        </Typography>
      ))}
      {page.rain_costs_min !== null && (
        <Typography sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
          {page.rain_costs_min < 1
            ? say('day.rainCostsNothing')
            : say(asked.rain_min > 0 ? 'day.moreRainCosts' : 'day.rainCosts', { by: lasting(page.rain_costs_min) })}
        </Typography>
      )}
      {page.acts.some((act) => act.act === 'cool') && <Typography variant="body2">{say('day.coolingStays')}</Typography>}
    </Box>
  )
}

function ToSection({ id, name }: { id: string; name: string }): ReactElement {
  return (
    <MuiLink component={Link} to={`/sections/${id}`} sx={{ py: 1, display: 'inline-block' }}>
      {say('day.toTheTest', { name })}
    </MuiLink>
  )
}
