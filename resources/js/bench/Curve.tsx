import { Box, MenuItem, TextField, Typography, useMediaQuery, useTheme, type Theme } from '@mui/material'
import { useEffect, useState, type ReactElement } from 'react'
import { useQuery } from '@tanstack/react-query'
import { api, type PointAlong, type Verdict } from '../api/client'
import { useMe, useUnits, type CalcSchema } from '../api/queries'
import { say } from '../texts/say'
import { ticksOf } from '../ui/ticks'
import { quantityOf, shownAs, type Shown } from '../ui/units'
import { WORD } from '../ui/Verdict'
import { keyShown } from './soil'
import { spansOf, stretchAbout, type Span } from './stretch'
import { written } from './typed'
import { inputWords, outputWords } from './words'

const HEIGHT = 300
const [LEFT, RIGHT, TOP, FOOT] = [76, 18, 18, 62]
/** Where a verdict holds over fewer points than this about the figure, one looks closer. */
const FEW = 3
const [CLOSER, CLOSEST] = [0.1, 0.001]
/** How high the strip of a verdict is: what is worse stands higher. */
const STRIP: Record<string, number> = { good: 4, close: 8, open: 8, bad: 12 }

interface Props {
  name: string
  schema: CalcSchema
  /** as it went to the core: figures under the key of their unit */
  input: Record<string, unknown>
  out: Record<string, unknown>
}

/** How a result goes with one of the inputs while all others stand: the picture of the sum, and up to where it is good. */
export function Curve({ name, schema, input, out }: Props): ReactElement | null {
  const me = useMe()
  const units = useUnits()
  const system = me.data?.units ?? 'metric'
  const figures = Object.entries(schema.properties).flatMap(([key, of]) => {
    const shown = of['x-quantity'] ? shownAs(keyShown(key, of['x-quantity'], schema['x-soil']), of['x-quantity'], system, units.data) : null
    const value = input[shown?.key ?? key]
    return typeof value === 'number' ? [{ key, of, shown, sent: shown?.key ?? key, value }] : []
  })
  const results = Object.keys(out).filter((key) => typeof out[key] === 'number')
  const [chosen, setChosen] = useState<{ along?: string; of?: string }>({})
  const along = figures.find((f) => f.key === chosen.along) ?? figures[0]
  const result = results.find((key) => key === chosen.of) ?? results[0]
  const [share, setShare] = useState(1)
  const about = along ? stretchAbout(along.shown?.toKey(along.value) ?? along.value, along.of, along.key, share) : null
  const stretch = along && about ? inShown(about, along.shown) : null
  const points = useQuery<PointAlong[]>({
    queryKey: ['along', name, along?.sent, stretch, input],
    queryFn: () => api.post(`/calculations/${name}/along`, { input, key: along!.sent, from: stretch![0], to: stretch![1] }),
    enabled: along !== undefined && stretch !== null && stretch[0] < stretch[1],
    staleTime: Infinity,
    retry: false,
  })
  const span = along && spansOf(points.data ?? []).find((s) => s.from <= along.value && along.value <= s.to)
  const isTooWide = span !== undefined && points.data!.filter((p) => p.at >= span.from && p.at <= span.to).length < FEW
  useEffect(() => {
    if (isTooWide) setShare((now) => Math.max(CLOSEST, now * CLOSER))
  }, [isTooWide])
  if (!along || !result) return null
  const quantity = quantityOf(result, units.data ?? {})
  const shownResult = quantity === null ? null : shownAs(keyShown(result, quantity, schema['x-soil']), quantity, system, units.data)
  const inputName = (f: (typeof figures)[number]): string =>
    [inputWords(name, f.key, f.of).name, f.shown?.symbol ?? ''].filter((part) => part !== '').join(', ')
  const resultName = (key: string): string => {
    const of = quantityOf(key, units.data ?? {})
    const symbol =
      of === null ? (/_(pct|percent)$/.test(key) ? '%' : '') : shownAs(keyShown(key, of, schema['x-soil']), of, system, units.data).symbol
    return [outputWords(name, key), symbol].filter((part) => part !== '').join(', ')
  }
  return (
    <Box role="region" aria-label={say('bench.howItGoes')} sx={{ mt: 3 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 }}>
        <TextField select label={say('bench.picture')} value={result} onChange={(e) => setChosen((c) => ({ ...c, of: e.target.value }))}>
          {results.map((key) => (
            <MenuItem key={key} value={key}>
              {resultName(key)}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label={say('bench.along')}
          value={along.key}
          onChange={(e) => {
            setShare(1)
            setChosen((c) => ({ ...c, along: e.target.value }))
          }}
        >
          {figures.map((f) => (
            <MenuItem key={f.key} value={f.key}>
              {inputName(f)}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {points.error && <Typography sx={{ mt: 1 }}>{points.error.message}</Typography>}
      {points.data && (
        <Drawn
          points={points.data.map((p) => ({
            at: p.at,
            value: p.out[result] === undefined ? null : (shownResult?.fromKey(p.out[result]) ?? p.out[result]),
            verdict: p.verdict,
          }))}
          here={[along.value, shownResult?.fromKey(out[result] as number) ?? (out[result] as number)]}
          says={say('bench.resultAlong', { result: resultName(result), input: inputName(along) })}
          symbol={along.shown?.symbol ?? ''}
        />
      )}
    </Box>
  )
}

/** Ends of a stretch in the unit in which it is typed. */
const inShown = (ends: [number, number], shown: Shown | null): [number, number] =>
  shown === null ? ends : [shown.fromKey(ends[0]), shown.fromKey(ends[1])]

interface Point {
  at: number
  value: number | null
  verdict: string | null
}

function Drawn({ points, here, says, symbol }: { points: Point[]; here: [number, number]; says: string; symbol: string }): ReactElement {
  const c = useTheme().colours
  // On a phone as large as elsewhere, so that its figures can be read.
  const WIDTH = useMediaQuery<Theme>((theme) => theme.breakpoints.up('sm'), { noSsr: true }) ? 640 : 380
  const known = points.filter((p): p is Point & { value: number } => p.value !== null)
  const values = [...known.map((p) => p.value), here[1]]
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const slack = (most - least) * 0.06 || Math.abs(most) * 0.1 || 1
  const [low, high] = [least - slack, most + slack]
  const [from, to] = [points[0]!.at, points.at(-1)!.at]
  const x = (at: number): number => LEFT + ((at - from) / (to - from)) * (WIDTH - LEFT - RIGHT)
  const y = (value: number): number => HEIGHT - FOOT - ((value - low) / (high - low)) * (HEIGHT - TOP - FOOT)
  const half = (to - from) / (points.length - 1) / 2
  const spans = spansOf(points)
  return (
    <>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} style={{ width: '100%', display: 'block', marginTop: 8 }} role="img" aria-label={says}>
        <g stroke={c.rule} strokeWidth={1} fill={c.ink} fontSize={15}>
          {ticksOf(low, high, 4).map((v) => (
            <g key={v}>
              <path d={`M${LEFT} ${y(v)}H${WIDTH - RIGHT}`} />
              <text x={LEFT - 8} y={y(v) + 5} textAnchor="end" stroke="none">
                {written(v)}
              </text>
            </g>
          ))}
          {ticksOf(from, to, WIDTH / 110).map((at) => (
            <g key={at}>
              <path d={`M${x(at)} ${HEIGHT - FOOT}v7`} stroke={c.ink} />
              <text x={x(at)} y={HEIGHT - FOOT + 24} textAnchor="middle" stroke="none">
                {written(at)}
              </text>
            </g>
          ))}
          <path d={`M${LEFT} ${HEIGHT - FOOT}H${WIDTH - RIGHT}`} stroke={c.ink} />
        </g>
        {spans.map((s) => (
          <rect
            key={s.from}
            x={Math.max(LEFT, x(s.from - half))}
            y={HEIGHT - 12 - STRIP[s.verdict]! / 2}
            width={Math.min(WIDTH - RIGHT, x(s.to + half)) - Math.max(LEFT, x(s.from - half))}
            height={STRIP[s.verdict]!}
            fill={s.verdict === 'bad' ? c.accent : s.verdict === 'open' ? 'none' : c.ink}
            stroke={s.verdict === 'bad' ? c.accent : c.ink}
            strokeDasharray={s.verdict === 'open' ? '4 4' : undefined}
          />
        ))}
        <path d={`M${x(here[0])} ${TOP}V${HEIGHT - 4}`} stroke={c.ink} strokeDasharray="3 5" />
        {runsOf(points).map((run) => (
          <polyline
            key={run[0]!.at}
            fill="none"
            stroke={c.water}
            strokeWidth={3.5}
            strokeLinejoin="round"
            points={run.map((p) => `${x(p.at)},${y(p.value)}`).join(' ')}
          />
        ))}
        <circle cx={x(here[0])} cy={y(here[1])} r={6} fill={c.ground} stroke={c.ink} strokeWidth={2.5} />
      </svg>
      <Typography variant="body2">{told(spans, most - least, symbol)}</Typography>
    </>
  )
}

/** The line is broken where the sum is refused. */
function runsOf(points: Point[]): (Point & { value: number })[][] {
  const runs: (Point & { value: number })[][] = [[]]
  for (const p of points) {
    if (p.value === null) runs.push([])
    else runs.at(-1)!.push({ ...p, value: p.value })
  }
  return runs.filter((run) => run.length > 0)
}

function told(spans: Span[], range: number, symbol: string): string {
  const short = (n: number): string => `${written(Number(n.toPrecision(4)))} ${symbol}`.trim()
  const parts = spans.map((s) => {
    const verdict = WORD[s.verdict as Verdict]
    return s.from === s.to
      ? say('bench.verdictAt', { verdict, at: short(s.from) })
      : say('bench.verdictFromTo', { verdict, from: short(s.from), to: short(s.to) })
  })
  return [...(range === 0 ? [say('bench.doesNotDepend')] : []), ...(parts.length > 0 ? [`${parts.join('; ')}.`] : [])].join(' ')
}
