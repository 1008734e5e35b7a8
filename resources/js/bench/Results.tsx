import { Box, Typography } from '@mui/material'
import { Fragment, type ReactElement, type ReactNode } from 'react'
import type { Verdict } from '../api/client'
import { useMe, useUnits } from '../api/queries'
import { say } from '../texts/say'
import { dayAndTime } from '../ui/clock'
import { quantityOf, shownAs } from '../ui/units'
import { VerdictMark, WORD } from '../ui/Verdict'
import { keyShown } from './soil'
import { written } from './typed'
import { codeWords, outputWords } from './words'

/** More rows than this of a table nobody reads here. */
const SHOWN = 40

/** Short figures for reading; the sum goes on with all of them. */
const DIGITS = 6

interface Props {
  calculation: string
  /** its cubic metres are soil or concrete */
  isSoil: boolean
  out: Record<string, unknown>
}

/** What came out, by its names in words, with units. */
export function Results({ calculation, isSoil, out }: Props): ReactElement {
  const me = useMe()
  const units = useUnits()
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
  const value = (key: string, of: unknown): ReactNode => {
    if (of === null || of === undefined) return '–'
    if (key === 'verdict' && typeof of === 'string' && of in WORD)
      return (
        <Box component="span" sx={{ display: 'inline-flex', gap: 1, alignItems: 'center' }}>
          <VerdictMark verdict={of as Verdict} />
          {WORD[of as Verdict]}
        </Box>
      )
    if (typeof of === 'boolean') return say(of ? 'common.yes' : 'common.no')
    if (typeof of === 'number') return figure(key, of)
    if (typeof of === 'string') return /^\d{4}-\d\d-\d\dT/.test(of) ? dayAndTime(of, zone) : codeWords(of, calculation)
    if (Array.isArray(of)) return listOf(key, of)
    return <Table rows={[of as Record<string, unknown>]} />
  }
  const figure = (key: string, number: number): string => {
    if (/_(pct|percent)$/.test(key)) return `${short(number)} %`
    if (/_deg$/.test(key)) return `${short(number)}°`
    if (/(_clock_h|_hour)$/.test(key)) return clockOf(number)
    const quantity = quantityOf(key, units.data ?? {})
    if (quantity === null) return short(number)
    const shown = shownAs(keyShown(key, quantity, isSoil), quantity, me.data?.units ?? 'metric', units.data)
    return `${short(shown.fromKey(number))} ${shown.symbol}`.trim()
  }
  const listOf = (key: string, list: unknown[]): ReactNode => {
    if (list.length === 0) return say('common.none')
    if (list.every((item) => typeof item === 'object' && item !== null && !Array.isArray(item)))
      return <Table rows={list as Record<string, unknown>[]} />
    if (list.every(Array.isArray))
      return (
        <Box sx={{ fontWeight: 400, fontSize: '1rem' }}>
          {list.slice(0, SHOWN).map((row, i) => (
            <div key={i}>{row.map((cell) => (typeof cell === 'number' ? short(cell) : String(cell))).join(' · ')}</div>
          ))}
          {list.length > SHOWN && say('bench.moreRows', { count: list.length - SHOWN })}
        </Box>
      )
    return list.map((item) => value(key, item)).map((said, i) => <Fragment key={i}>{i > 0 ? <>, {said}</> : said}</Fragment>)
  }
  const Table = ({ rows }: { rows: Record<string, unknown>[] }): ReactElement => {
    const keys = [...new Set(rows.flatMap((row) => Object.keys(row)))]
    return (
      <Box sx={{ overflowX: 'auto', fontWeight: 400 }} tabIndex={0} role="region" aria-label={say('bench.tableOfResults')}>
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            fontSize: '1rem',
            // A wide table is drawn aside: no word of it is broken.
            overflowWrap: 'normal',
            '& th, & td': { textAlign: 'left', verticalAlign: 'top', pr: 2, py: 0.25 },
          }}
        >
          <thead>
            <tr>
              {keys.map((k) => (
                <th key={k} scope="col" style={{ fontWeight: 400 }}>
                  {outputWords(calculation, k)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, SHOWN).map((row, i) => (
              <tr key={i}>
                {keys.map((k) => (
                  <td key={k}>
                    <strong>{value(k, row[k])}</strong>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
        {rows.length > SHOWN && <Typography variant="body2">{say('bench.moreRows', { count: rows.length - SHOWN })}</Typography>}
      </Box>
    )
  }
  return (
    <Box
      component="dl"
      aria-live="polite"
      sx={{
        mt: 3,
        mb: 0,
        display: 'grid',
        gridTemplateColumns: 'minmax(140px, 240px) minmax(0, 1fr)',
        columnGap: 3,
        rowGap: 1,
        '& dt, & dd': { borderTop: 1, borderColor: 'divider', pt: 1 },
        '& dd': { m: 0, fontWeight: 700, fontSize: '1.15rem', overflowWrap: 'anywhere' },
      }}
    >
      {Object.entries(out).map(([key, of]) => (
        <Fragment key={key}>
          <dt>{outputWords(calculation, key)}</dt>
          <dd>{value(key, of)}</dd>
        </Fragment>
      ))}
    </Box>
  )
}

const short = (number: number): string => written(Number(number.toPrecision(DIGITS)))

/** "7:30" of 7.5 hours of the clock. */
function clockOf(hours: number): string {
  const minutes = Math.round(hours * 60) % 720
  return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, '0')}`
}
