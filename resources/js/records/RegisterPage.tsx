import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useMemo, useRef, useState, type ReactElement } from 'react'
import { Link, useParams } from 'react-router'
import type { Register } from '../api/client'
import { useLine, useRegister } from '../api/queries'
import { whileComing } from '../ui/whileComing'
import { Packs } from '../ui/Packs'
import { Page } from '../ui/Page'
import { usePrinting } from '../ui/usePrinting'
import { useShow } from '../ui/units'
import { VerdictMark, WORD } from '../ui/Verdict'
import { say } from '../texts/say'
import { chainSays } from './chainSays'
import { Seals } from './Seals'
import { stateWord } from '../texts/words'

const ROW = 48
const VIEW = 560

/** Everything of a line in one table, filtered as one types; only the rows in view are drawn. */
export default function RegisterPage(): ReactElement {
  const { id = '' } = useParams()
  const register = useRegister(id)
  const line = useLine(id)
  const show = useShow()
  const [text, setText] = useState('')
  const [state, setState] = useState('all')
  const [top, setTop] = useState(0)
  const scroller = useRef<HTMLDivElement>(null)
  const printing = usePrinting()
  const rows = useMemo(() => {
    const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean)
    return (register.data?.joints ?? []).filter(
      (r) =>
        (state === 'all' || r.state === state || r.verdict === state) &&
        words.every((w) =>
          [r.joint, r.pipe_a, r.pipe_b, ...Object.values(r.told), r.signed_by, r.remark, r.state, r.verdict]
            .join(' ')
            .toLowerCase()
            .includes(w),
        ),
    )
  }, [register.data, text, state])
  if (!register.data) return whileComing(register, { to: `/lines/${id}`, label: say('common.line') })
  const { data } = register
  const from = Math.max(0, Math.floor(top / ROW) - 6)
  const seen = rows.slice(from, from + Math.ceil(VIEW / ROW) + 12)
  // Times go into the exports: here they would fill the width.
  const told = Object.entries(data.columns).filter(([name]) => !name.endsWith('_utc'))
  const columns = `90px 100px 120px 150px 110px ${'150px '.repeat(told.length)}150px minmax(200px, 1fr)`
  const width = 930 + 150 * told.length
  return (
    <Page
      wide
      title={say('records.registerOf', { line: data.line['name'] ?? '' })}
      up={{ to: `/lines/${id}`, label: data.line['name'] ?? say('common.line') }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 2, alignItems: 'center' }}>
        <TextField
          label={say('records.jointPipeSerialName')}
          value={text}
          onChange={(e) => {
            setText(e.target.value)
            scroller.current?.scrollTo({ top: 0 })
          }}
          sx={{ width: { xs: '100%', sm: 320 } }}
        />
        <TextField select label={say('common.show')} value={state} onChange={(e) => setState(e.target.value)} sx={{ width: 180 }}>
          {[
            ['all', say('records.allJoints')],
            ['accepted', stateWord('accepted')],
            ['made', say('records.madeUnsigned')],
            ['begun', stateWord('begun')],
            ['planned', stateWord('planned')],
            ['bad', WORD.bad.toLowerCase()],
            ['cut-out', say('common.cutOut')],
            ['pulled-apart', stateWord('pulled-apart')],
          ].map(([v, l]) => (
            <MenuItem key={v} value={v}>
              {l}
            </MenuItem>
          ))}
        </TextField>
        <Box sx={{ flexGrow: 1 }} />
        <Button variant="outlined" component="a" href={`/api/v1/lines/${id}/register.csv`}>
          {say('records.csv')}
        </Button>
        <Button variant="outlined" component="a" href={`/api/v1/lines/${id}/line.geojson`}>
          {say('records.geojson')}
        </Button>
      </Box>
      <Typography sx={{ mb: 1 }}>
        {say('records.ofJoints', {
          found: rows.length,
          all: data.joints.length,
          seals: chainSays(data),
        })}
      </Typography>
      {printing ? (
        <OnPaper rows={rows} told={told} />
      ) : (
        <Box
          ref={scroller}
          tabIndex={0}
          role="table"
          aria-label={say('common.joints')}
          aria-rowcount={rows.length + 1}
          onScroll={(e) => setTop(e.currentTarget.scrollTop)}
          sx={{ height: Math.min(VIEW, rows.length * ROW + 60), overflow: 'auto', border: 1, borderColor: 'divider' }}
        >
          <Box
            role="row"
            sx={{
              display: 'grid',
              gridTemplateColumns: columns,
              minWidth: width,
              position: 'sticky',
              top: 0,
              bgcolor: 'background.default',
              borderBottom: 2,
              fontWeight: 700,
              px: 1.5,
              py: 1.25,
              zIndex: 1,
            }}
          >
            {headings(told).map((h) => (
              <span key={h} role="columnheader">
                {h}
              </span>
            ))}
          </Box>
          <Box sx={{ height: rows.length * ROW, minWidth: width, position: 'relative' }} role="rowgroup">
            {seen.map((r, i) => (
              <Box
                key={r.id}
                role="row"
                aria-rowindex={from + i + 2}
                sx={{
                  position: 'absolute',
                  top: (from + i) * ROW,
                  left: 0,
                  right: 0,
                  height: ROW,
                  display: 'grid',
                  gridTemplateColumns: columns,
                  alignItems: 'center',
                  px: 1.5,
                  borderBottom: 1,
                  borderColor: 'divider',
                  '& > span': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap', pr: 1 },
                }}
              >
                <span role="cell">
                  <Link to={`/joints/${r.id}`}>{r.joint}</Link>
                </span>
                <span role="cell">{show('x_m', 'length', r.chainage_m)}</span>
                <span role="cell">
                  {r.pipe_a} → {r.pipe_b}
                </span>
                <span role="cell">
                  {stateWord(r.state)}
                  {r.replaces ? say('records.inPlaceOf', { replaces: r.replaces }) : ''}
                </span>
                <span role="cell" style={{ display: 'flex', gap: 6, alignItems: 'center' }}>
                  {r.state !== 'planned' && <VerdictMark verdict={r.verdict} size={18} />} {r.state === 'planned' ? '' : WORD[r.verdict]}
                </span>
                {told.map(([name]) => (
                  <span key={name} role="cell">
                    {r.told[name]}
                  </span>
                ))}
                <span role="cell">{r.signed_by}</span>
                <span role="cell" title={r.cut_out_reason || r.remark}>
                  {r.cut_out_reason || (r.state === 'planned' ? '' : r.remark)}
                </span>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      {data.tests.length > 0 && (
        <Box sx={{ mt: 4 }}>
          <Typography variant="h2">{say('records.tests')}</Typography>
          {data.tests.map((t) => (
            <Box
              key={t.id}
              sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}
            >
              <VerdictMark verdict={t.verdict} />
              <Link to={`/tests/${t.id}`}>{say('records.test', { section: t.section, number: t.number })}</Link>
              <span>
                {WORD[t.verdict]}
                {t.state === 'accepted' ? say('records.andSigned') : ''}
                {t.asked_kpa ? `, ${say('records.forLessThanAsked')}` : ''}
              </span>
              <Typography variant="body2">{t.headline}</Typography>
              {!t.pack_is_long && (
                <a href={`/api/v1/tests/${t.id}/pack.pdf`} target="_blank" rel="noopener">
                  {say('records.testPack')}
                </a>
              )}
            </Box>
          ))}
        </Box>
      )}
      <Seals line={id} register={data} mayMend={line.data?.role === 'engineer'} timeZone={line.data?.time_zone} />
      {line.data && (
        <Box component="section" aria-labelledby="hand-over" className="no-print" sx={{ mt: 4 }}>
          <Typography id="hand-over" variant="h2" sx={{ mb: 1 }}>
            {say('packs.handOver')}
          </Typography>
          <Packs line={id} timeZone={line.data.time_zone} kind="record-book" />
          <Packs line={id} timeZone={line.data.time_zone} kind="archive" />
        </Box>
      )}
    </Page>
  )
}

type Row = Register['joints'][number]

/** What stands above the columns, on the page and on paper. */
const headings = (told: [string, string][]): string[] => [
  say('records.joint'),
  say('records.chainage'),
  say('common.pipes'),
  say('common.state'),
  say('records.verdict'),
  ...told.map(([, label]) => label),
  say('records.signedBy'),
  say('records.remark'),
]

/** All rows as a table whose heading stands again on each sheet. */
function OnPaper({ rows, told }: { rows: Row[]; told: [string, string][] }): ReactElement {
  const show = useShow()
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: '9pt',
        '& th, & td': { textAlign: 'left', verticalAlign: 'top', borderBottom: 1, borderColor: 'divider', p: 0.5 },
      }}
    >
      <thead>
        <tr>
          {headings(told).map((h) => (
            <th key={h} scope="col">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.id}>
            <td>{r.joint}</td>
            <td>{show('x_m', 'length', r.chainage_m)}</td>
            <td>{`${r.pipe_a} → ${r.pipe_b}`}</td>
            <td>{stateWord(r.state)}</td>
            <td>{r.state === 'planned' ? '' : WORD[r.verdict]}</td>
            {told.map(([name]) => (
              <td key={name}>{r.told[name]}</td>
            ))}
            <td>{r.signed_by}</td>
            <td>{r.cut_out_reason || (r.state === 'planned' ? '' : r.remark)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  )
}
