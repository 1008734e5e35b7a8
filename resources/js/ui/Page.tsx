import { Box, Button, Link, Menu, MenuItem, Typography, useMediaQuery, type Theme } from '@mui/material'
import { memo, useCallback, useLayoutEffect, useState, type ReactElement, type ReactNode } from 'react'
import { Link as RouterLink, useLocation, useNavigate } from 'react-router'
import { api, signOut } from '../api/client'
import { queries, useMe } from '../api/queries'
import { Whose } from '../outbox/Whose'
import { drop, dropPhoto } from '../outbox/outbox'
import { useOutbox } from '../outbox/useOutbox'
import { useWaitingPhotos } from '../outbox/usePhotos'
import { ClockOff } from './ClockOff'
import { Drop } from './Drop'
import { Finder } from './Finder'
import { Places } from './Places'
import { Sheet } from './Sheet'
import { useLook } from './settings'
import type { System } from './units'
import { useNearlyFull } from './useNearlyFull'
import { useOnline } from './useOnline'
import { say } from '../texts/say'

/** Little chrome: where I am, what is not yet sent, units, light, who I am. */
export function Page({
  title,
  up,
  children,
  wide,
  coming,
  findsItself,
  practice,
}: {
  title: ReactNode
  up?: { to: string; label: string }
  children: ReactNode
  wide?: boolean
  coming?: boolean
  /** the page finds its own things */
  findsItself?: boolean
  /** what is shown belongs to a project of practice: nothing in it is real work */
  practice?: boolean | undefined
}): ReactElement {
  const navigate = useNavigate()
  const [help, setHelp] = useState(false)
  const [finding, setFinding] = useState(false)
  const inCabin = useMediaQuery<Theme>((theme) => theme.breakpoints.up('md'), { noSsr: true })
  const closeHelp = useCallback(() => setHelp(false), [])
  const me = useMe()

  // From the moment at which the page is there: a key may come before anything else does.
  useLayoutEffect(() => {
    const keys = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement
      if (event.ctrlKey || event.metaKey || event.altKey || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)) return
      // While a page comes its own way up is not known: a second Escape would leave for the top.
      if (event.key === 'Escape' && up && !coming && !document.querySelector('[role=dialog]')) void navigate(up.to)
      if (event.key === '?') setHelp(true)
      if (event.key === '/' && !findsItself) {
        event.preventDefault()
        setFinding(true)
      }
      if (event.key === 'u' && me.data) void changeUnits(otherSystem(me.data.units))
    }
    window.addEventListener('keydown', keys)
    return () => window.removeEventListener('keydown', keys)
  }, [navigate, up, coming, findsItself, me.data])

  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <Box
        component="header"
        sx={{ px: { xs: 2, md: 3.5 }, pt: { xs: 1, md: 2 }, display: 'flex', columnGap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}
      >
        {up && (
          <Link
            component={RouterLink}
            to={up.to}
            underline="hover"
            sx={{
              color: 'text.secondary',
              py: 1,
              maxWidth: { xs: '46vw', md: 320 },
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              whiteSpace: 'nowrap',
            }}
          >
            ← {up.label}
          </Link>
        )}
        <Typography
          variant="h1"
          sx={{
            // A long name wraps; where one can go stays where it is.
            flex: { xs: '1 1 auto', md: '1 1 260px' },
            minWidth: 0,
            fontSize: { xs: '1.25rem', md: '1.6rem' },
            order: { xs: 3, md: 0 },
            width: { xs: '100%', md: 'auto' },
            overflowWrap: 'anywhere',
          }}
        >
          {title}
          {practice && (
            <Box component="span" sx={{ fontSize: '1rem', fontWeight: 700, whiteSpace: 'nowrap' }}>
              {' · '}
              {say('ui.practice')}
            </Box>
          )}
        </Typography>
        <Box sx={{ flexGrow: { xs: 1, md: 0 } }} />
        {/* What waits takes room from the title: where one can go stays where it is. */}
        <Status />
        {inCabin && <Places />}
        <Person />
        <ClockOff practice={practice === true} />
      </Box>
      <Box component="main" sx={{ px: { xs: 2, md: 3.5 }, pb: 3, flexGrow: 1, width: '100%', maxWidth: wide ? 'none' : 1500, mx: 'auto' }}>
        <Typography className="print-only" sx={{ mb: 1 }}>
          {say('ui.printedBy', {
            at: new Date().toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }),
            name: me.data?.name ?? '',
          })}
        </Typography>
        {children}
      </Box>
      {!inCabin && (
        <Box component="footer" sx={{ px: 1, pb: 1, borderTop: 1, borderColor: 'divider' }}>
          <Places />
        </Box>
      )}
      <Keys open={help} onClose={closeHelp} />
      {finding && <Finder onClose={() => setFinding(false)} />}
    </Box>
  )
}

/** What the keys do. It, and what stands beside it above, changes by itself and not with the page. */
const Keys = memo(function Keys({ open, onClose }: { open: boolean; onClose: () => void }): ReactElement {
  return (
    <Sheet open={open} onClose={onClose} title={say('ui.keys')}>
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: '110px 1fr', rowGap: 1, m: 0, '& dt': { fontWeight: 700 }, '& dd': { m: 0 } }}
      >
        {[
          ['← →', say('ui.walkAlongTheString')],
          ['Enter', say('ui.openRecord')],
          ['Esc', say('ui.goUp')],
          [say('ui.digits'), say('ui.typeIntoTheFigureAtHand')],
          ['Tab', say('ui.nextPositionOrField')],
          ['/', say('ui.findAJoint')],
          ['u', say('ui.metricOrUsUnits')],
          ['?', say('ui.thisList')],
        ].map(([k, what]) => [<dt key={k}>{k}</dt>, <dd key={what}>{what}</dd>])}
      </Box>
    </Sheet>
  )
})

/** The units that a person can choose, in a word for the header and in a line for the menu. */
const SYSTEM: Record<System, { short: string; long: string }> = {
  bar: { short: say('ui.mmBar'), long: say('ui.metricPressureInBar') },
  metric: { short: say('ui.mmKpa'), long: say('ui.metricPressureInKpa') },
  us: { short: say('ui.inPsi'), long: say('ui.usUnitsPressureInPsi') },
}
const SYSTEMS = Object.keys(SYSTEM) as System[]

/** US units and back to the metric ones that this person reads. */
function otherSystem(now: System): System {
  const OWN = 'metric-units'
  if (now !== 'us') localStorage.setItem(OWN, now)
  return now !== 'us' ? 'us' : localStorage.getItem(OWN) === 'bar' ? 'bar' : 'metric'
}

async function changeUnits(units: System): Promise<void> {
  await api.patch('/me', { units })
  await queries.invalidateQueries()
}

const Status = memo(function Status(): ReactElement | null {
  const waiting = useOutbox()
  const online = useOnline()
  const [open, setOpen] = useState(false)
  const photos = useWaitingPhotos()
  const refused = [...waiting, ...photos].filter((w) => w.refused !== undefined)
  const me = useMe()
  const isMine = (w: { by?: { id: number } }): boolean => w.by !== undefined && w.by.id === me.data?.id
  const count = waiting.length + photos.length
  const full = useNearlyFull(count)
  if (count === 0 && online && !full) return null
  return (
    <>
      <Button onClick={() => setOpen(true)} aria-live="polite" sx={{ minHeight: 44, px: 1, color: 'secondary.main', fontSize: '1rem' }}>
        {!online && say('ui.noNetwork')}
        {!online && count > 0 && ' · '}
        {count > 0 && say('ui.notYetSent', { count })}
        {refused.length > 0 && say('ui.countRefused', { count: refused.length })}
        {full && say('ui.deviceNearlyFull')}
      </Button>
      <Sheet open={open} onClose={() => setOpen(false)} title={say('ui.onThisDeviceNotYetSent')}>
        {full && <Typography sx={{ fontWeight: 700, pb: 1 }}>{say('ui.makeRoom')}</Typography>}
        {count === 0 && <Typography>{say('ui.everythingIsSentWhatYouRecord')}</Typography>}
        {waiting.map((w) => (
          <Box key={w.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.5, display: 'flex', gap: 2, alignItems: 'center' }}>
            <Box sx={{ flexGrow: 1 }}>
              <Typography>{w.title ?? w.body.step}</Typography>
              <Typography variant="body2">
                {w.body.recorded_at.slice(11, 16)} · {w.refused ? say('common.refused', { refused: w.refused }) : <Whose row={w} />}
              </Typography>
            </Box>
            {w.refused && isMine(w) && <Drop what={w.title ?? w.body.step} onDrop={() => void drop(w.seq!)} />}
          </Box>
        ))}
        {photos.map((p) => (
          <Box key={p.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.5, display: 'flex', gap: 2, alignItems: 'center' }}>
            <Box sx={{ flexGrow: 1 }}>
              <Typography>{say('ui.photo', { title: p.title ?? p.step })}</Typography>
              <Typography variant="body2">
                {p.takenAt.slice(11, 16)} · {p.refused ? say('common.refused', { refused: p.refused }) : <Whose row={p} />}
              </Typography>
            </Box>
            {p.refused && isMine(p) && <Drop what={say('ui.photo', { title: p.title ?? p.step })} onDrop={() => void dropPhoto(p.id)} />}
          </Box>
        ))}
      </Sheet>
    </>
  )
})

const Person = memo(function Person(): ReactElement | null {
  const me = useMe()
  const look = useLook()
  const navigate = useNavigate()
  const location = useLocation()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [leaving, setLeaving] = useState(false)
  const waiting = useOutbox()
  const photos = useWaitingPhotos()
  if (!me.data) return null
  const close = (): void => setAnchor(null)
  const mine = [...waiting, ...photos].filter((w) => w.by?.id === me.data.id).length
  const leave = async (): Promise<void> => {
    await signOut()
    queries.clear()
    const kept = await caches?.keys().catch(() => [])
    await Promise.all((kept ?? []).filter((name) => name.startsWith('answers')).map((name) => caches.delete(name)))
    void navigate('/sign-in', { state: { from: location.pathname } })
  }
  return (
    <>
      <Button
        onClick={(e) => setAnchor(e.currentTarget)}
        aria-haspopup="menu"
        sx={{ minHeight: 44, px: 1, ml: 'auto', color: 'text.secondary', fontWeight: 400, fontSize: '1rem' }}
      >
        {SYSTEM[me.data.units].short} · {me.data.name.split(' ')[0]}
        <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
          &nbsp;{me.data.name.split(' ').slice(1).join(' ')}
        </Box>
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        {SYSTEMS.map((system) => (
          <MenuItem
            key={system}
            selected={me.data.units === system}
            onClick={() => {
              close()
              void changeUnits(system)
            }}
          >
            {SYSTEM[system].long}
          </MenuItem>
        ))}
        {(['day', 'glare', 'night'] as const).map((mode) => (
          <MenuItem
            key={mode}
            selected={look.mode === mode}
            onClick={() => {
              close()
              look.setMode(mode)
            }}
          >
            {{ day: say('ui.daylight'), glare: say('ui.glareHighestContrast'), night: say('ui.night') }[mode]}
          </MenuItem>
        ))}
        <MenuItem
          onClick={() => {
            close()
            void navigate('/account')
          }}
        >
          {say('account.yourAccount')}
        </MenuItem>
        <MenuItem
          onClick={() => {
            close()
            if (mine > 0) setLeaving(true)
            else void leave()
          }}
        >
          {say('ui.signOut')}
        </MenuItem>
      </Menu>
      <Sheet
        open={leaving}
        onClose={() => setLeaving(false)}
        title={say('ui.entriesNotYetSent', { mine })}
        actions={
          <Button variant="contained" onClick={() => void leave()}>
            {say('ui.signOutAllTheSame')}
          </Button>
        }
      >
        <Typography sx={{ pb: 1 }}>{mine === 1 ? say('ui.itStaysOnThisDeviceUnder') : say('ui.theyStayOnThisDeviceUnder')}</Typography>
      </Sheet>
    </>
  )
})
