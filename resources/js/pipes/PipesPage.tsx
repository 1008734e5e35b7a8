import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useParams } from 'react-router'
import type { LineFull, LinePipe } from '../api/client'
import { useLine, usePipes } from '../api/queries'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { useShow } from '../ui/units'
import { OnePipe } from './OnePipe'
import { PipeSheet } from './PipeSheet'
import { sizeOf } from './sizeOf'
import { STATE } from './words'
import { say } from '../texts/say'
import { listed } from '../texts/listed'
import { rowButton } from '../ui/rowButton'

/** More rows than these help nobody: the search is narrowed. */
const SHOWN = 100

/** The pipes of a line: what each of them is, where it lies, and which must not be laid. */
export default function PipesPage(): ReactElement {
  const { id = '' } = useParams()
  const line = useLine(id)
  const pipes = usePipes(id)
  const [text, setText] = useState('')
  const [state, setState] = useState('all')
  const [open, setOpen] = useState<LinePipe | 'new' | null>(null)
  const found = useMemo(() => {
    const words = text.trim().toLowerCase()
    const named = (p: LinePipe): boolean =>
      [p.number, p.number.replace(/^0+/, ''), p.serial ?? '', sizeOf(p.pipe)].some((t) => t.toLowerCase().includes(words))
    return (pipes.data ?? []).filter((p) => (state === 'all' || p.state === state) && (words === '' || named(p)))
  }, [pipes.data, text, state])
  if (!pipes.data || !line.data) return whileComing(pipes.error ? pipes : line, { to: `/lines/${id}`, label: say('common.line') })
  const plans = line.data.role === 'engineer' || line.data.role === 'foreman'
  return (
    <Page wide title={say('common.pipes')} up={{ to: `/lines/${id}`, label: line.data.name }}>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 2, alignItems: 'center' }}>
        <TextField
          label={say('pipes.numberSerialSize')}
          value={text}
          onChange={(e) => setText(e.target.value)}
          sx={{ width: { xs: '100%', sm: 300 } }}
        />
        <TextField select label={say('common.show')} value={state} onChange={(e) => setState(e.target.value)} sx={{ width: 180 }}>
          <MenuItem value="all">{say('pipes.allPipes')}</MenuItem>
          {Object.entries(STATE).map(([value, said]) => (
            <MenuItem key={value} value={value}>
              {said}
            </MenuItem>
          ))}
        </TextField>
        <Box sx={{ flexGrow: 1 }} />
        {plans && (
          <Button variant="outlined" onClick={() => setOpen('new')}>
            {say('pipes.addAPipe')}
          </Button>
        )}
      </Box>
      <Typography sx={{ mb: 1 }}>{count(pipes.data, line.data)}</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {found.slice(0, SHOWN).map((p) => (
          <Row key={p.id} pipe={p} planned={sizeOf(line.data.pipe) === sizeOf(p.pipe)} onOpen={() => setOpen(p)} />
        ))}
      </Box>
      {found.length === 0 && <Typography sx={{ my: 2 }}>{say('pipes.noPipeOfThisLineIs')}</Typography>}
      {found.length > SHOWN && (
        <Typography sx={{ my: 2 }}>{say('pipes.moreTypeANumberToFind', { count: found.length - SHOWN })}</Typography>
      )}
      {open === 'new' && <PipeSheet line={line.data} pipe={null} onClose={() => setOpen(null)} />}
      {open !== null && open !== 'new' && <OnePipe line={line.data} pipe={open} plans={plans} onClose={() => setOpen(null)} />}
    </Page>
  )
}

function count(pipes: LinePipe[], line: LineFull): string {
  const of = (state: LinePipe['state']): number => pipes.filter((p) => p.state === state).length
  const other = pipes.filter((p) => sizeOf(p.pipe) !== sizeOf(line.pipe)).length
  const said = [
    say('pipes.countLaid', { count: of('laid') }),
    say('pipes.countToHand', { count: of('to-hand') }),
    ...(of('rejected') > 0 ? [say('pipes.countRejected', { count: of('rejected') })] : []),
  ]
  const others = other > 0 ? say('pipes.others', { other }) : ''
  return say('pipes.allOfThem', { count: pipes.length, said: said.join(', '), pipe: sizeOf(line.pipe), others })
}

function Row({ pipe, planned, onOpen }: { pipe: LinePipe; planned: boolean; onOpen: () => void }): ReactElement {
  const show = useShow()
  const rejected = pipe.state === 'rejected'
  const facts = [
    pipe.bend_deg === null ? '' : say('laying.bendOf', { bend: `${pipe.bend_deg}°` }),
    pipe.length_m === null ? '' : show('x_m', 'length', pipe.length_m),
    pipe.serial ?? '',
    pipe.joints.length > 0 ? say('pipes.inJoints', { count: pipe.joints.length, joints: listed(pipe.joints) }) : say('pipes.inNoJoint'),
  ]
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider' }}>
      <Box
        component="button"
        type="button"
        onClick={onOpen}
        aria-label={say('pipes.pipeAndState', { number: pipe.number, state: STATE[pipe.state] })}
        sx={{
          ...rowButton,
          minHeight: 56,
          py: 0.75,
          display: 'grid',
          gridTemplateColumns: { xs: '72px 1fr', md: '90px 240px 1fr' },
          columnGap: 2,
          rowGap: 0,
        }}
      >
        <Box component="span" sx={{ fontWeight: 700, fontSize: '1.15rem', textDecoration: rejected ? 'line-through' : 'none' }}>
          {pipe.number}
        </Box>
        <Box component="span" sx={{ fontWeight: planned ? 400 : 700 }}>
          {sizeOf(pipe.pipe)}
        </Box>
        <Box
          component="span"
          sx={{
            gridColumn: { xs: 2, md: 'auto' },
            color: rejected ? 'secondary.main' : 'text.secondary',
            fontWeight: rejected ? 700 : 400,
          }}
        >
          {rejected
            ? say('pipes.rejectedBecause', { reason: pipe.reason ?? '' })
            : [STATE[pipe.state], ...facts].filter(Boolean).join(' · ')}
        </Box>
      </Box>
    </Box>
  )
}
