import { Box, useTheme } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import uPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'
import { ChartHandles, type Area, type Handle } from './ChartHandles'

export interface ChartLine {
  label: string
  values: (number | null)[]
  axis?: 'left' | 'right'
}

export interface Band {
  from: number
  to: number
  label: string
}

interface Props {
  x: number[]
  xLabel: string
  lines: ChartLine[]
  leftLabel: string
  rightLabel?: string
  /** Tolerance of the left values. */
  limits?: [number, number]
  bands?: Band[]
  /** What the left values are held against, where it holds. */
  heldTo?: { label: string; line: [number, number][] }[]
  /** Places that can be moved along. */
  handles?: Handle[]
  /** What was found, as an upright line at its place. */
  marks?: { x: number; label: string }[]
  /** Seen close: what lies outside is cut off. */
  leftRange?: [number, number]
  xMax?: number
  height?: number
  title: string
}

/** A chart with units, limits and phases. Loaded only where one is shown. */
export default function Chart({
  x,
  xLabel,
  lines,
  leftLabel,
  rightLabel,
  limits,
  bands,
  heldTo,
  handles,
  marks,
  leftRange,
  xMax,
  height = 300,
  title,
}: Props): ReactElement {
  const c = useTheme().colours
  const host = useRef<HTMLDivElement>(null)
  const plot = useRef<uPlot | null>(null)
  const [area, setArea] = useState<Area | null>(null)
  const extras = useRef({ limits, bands, heldTo, marks, leftRange, xMax })
  extras.current = { limits, bands, heldTo, marks, leftRange, xMax }

  useEffect(() => {
    const element = host.current
    if (!element) return
    const axis = {
      // As all other figures: no comma between the thousands.
      values: (_u: uPlot, at: number[]) => at.map((v) => String(Math.round(v * 1e6) / 1e6)),
      labelSize: 22,
      labelGap: 0,
      gap: 4,
      stroke: c.ink,
      grid: { stroke: c.rule, width: 1 },
      ticks: { stroke: c.rule },
      font: '14px "Atkinson Hyperlegible Next Variable"',
      labelFont: '14px "Atkinson Hyperlegible Next Variable"',
    }
    const under = (u: uPlot): void => {
      const ctx = u.ctx
      const { left, top, width, height: h } = u.bbox
      ctx.save()
      ctx.beginPath()
      ctx.rect(left, top, width, h)
      ctx.clip()
      extras.current.bands?.forEach((band, i) => {
        const a = u.valToPos(band.from, 'x', true)
        const b = u.valToPos(band.to, 'x', true)
        ctx.fillStyle = i % 2 === 0 ? c.raised : c.ground
        ctx.fillRect(a, top, b - a, h)
        ctx.fillStyle = c.ink
        ctx.font = `${14 * devicePixelRatio}px "Atkinson Hyperlegible Next Variable"`
        if (b - a > ctx.measureText(band.label).width + 8 * devicePixelRatio)
          ctx.fillText(band.label, a + 4 * devicePixelRatio, top + 17 * devicePixelRatio)
        ctx.fillStyle = c.rule
        ctx.fillRect(a, top, devicePixelRatio, h)
      })
      if (extras.current.limits) {
        const [low, high] = extras.current.limits
        const yTop = u.valToPos(high, 'y', true)
        const yBottom = u.valToPos(low, 'y', true)
        ctx.fillStyle = c.raised
        ctx.fillRect(left, yTop, width, yBottom - yTop)
      }
      ctx.restore()
    }
    // Labels climb so that two finds near one another can both be read.
    const over = (u: uPlot): void => {
      const ctx = u.ctx
      const { left, top, width, height: h } = u.bbox
      extras.current.heldTo?.forEach(({ label, line }) => {
        ctx.save()
        ctx.beginPath()
        ctx.rect(left, top, width, h)
        ctx.clip()
        // Rust is for what needs somebody now.
        ctx.strokeStyle = ctx.fillStyle = c.ink
        ctx.lineWidth = 1.5 * devicePixelRatio
        ctx.setLineDash([7 * devicePixelRatio, 4 * devicePixelRatio])
        ctx.beginPath()
        line.forEach(([at, value], i) => ctx[i === 0 ? 'moveTo' : 'lineTo'](u.valToPos(at, 'x', true), u.valToPos(value, 'y', true)))
        ctx.stroke()
        ctx.font = `${14 * devicePixelRatio}px "Atkinson Hyperlegible Next Variable"`
        const [from, to] = [u.valToPos(line[0]![0], 'x', true), u.valToPos(line.at(-1)![0], 'x', true)]
        const y = u.valToPos(line[0]![1], 'y', true)
        const below = extras.current.heldTo!.map((other) => u.valToPos(other.line[0]![1], 'y', true) - y)
        const isCrowded = below.some((by) => by > 0 && by < 24 * devicePixelRatio)
        if (to - from > ctx.measureText(label).width)
          // Two lines that stand together have their names above and below them.
          ctx.fillText(label, from + 4 * devicePixelRatio, y + (isCrowded ? -6 : 17) * devicePixelRatio)
        ctx.restore()
      })
      extras.current.marks?.forEach((mark, i) => {
        const at = u.valToPos(mark.x, 'x', true)
        if (at < left - 1 || at > left + width + 1) return
        ctx.save()
        ctx.strokeStyle = ctx.fillStyle = c.accent
        ctx.lineWidth = 2 * devicePixelRatio
        ctx.beginPath()
        ctx.moveTo(at, top)
        ctx.lineTo(at, top + h)
        ctx.stroke()
        ctx.font = `700 ${14 * devicePixelRatio}px "Atkinson Hyperlegible Next Variable"`
        ctx.textAlign = at > left + width * 0.7 ? 'right' : 'left'
        ctx.fillText(
          mark.label,
          at + (ctx.textAlign === 'left' ? 6 : -6) * devicePixelRatio,
          top + h - (14 + 18 * (i % 4)) * devicePixelRatio,
        )
        ctx.restore()
      })
    }
    const dashes = [[], [8, 5], [2, 4]]
    const options: uPlot.Options = {
      width: element.clientWidth,
      height,
      scales: {
        x: { time: false, range: (_u, min, max) => [min ?? 0, Math.max(max ?? 1, extras.current.xMax ?? -Infinity)] },
        y: {
          range: (_u, min, max) =>
            extras.current.leftRange ?? [Math.min(0, min ?? 0), (max ?? 1) * (extras.current.bands ? 1.28 : 1.12) || 1],
        },
        right: { range: (_u, min, max) => [Math.min(0, min ?? 0), (max ?? 1) * 1.12 || 1] },
      },
      series: [
        { label: xLabel },
        ...lines.map((l, i) => ({
          label: l.label,
          scale: l.axis === 'right' ? 'right' : 'y',
          stroke: i === 0 ? c.ink : i === 1 ? c.water : c.accent,
          width: 2,
          dash: dashes[i] ?? [],
          points: { show: false },
        })),
      ],
      axes: [
        { ...axis, label: xLabel },
        { ...axis, label: leftLabel, size: 66 },
        ...(rightLabel ? [{ ...axis, label: rightLabel, scale: 'right', side: 1 as const, grid: { show: false }, size: 60 }] : []),
      ],
      hooks: {
        drawClear: [under],
        draw: [
          over,
          (u) => {
            const { left, top, width, height: high } = u.bbox
            const { min, max } = u.scales['x']!
            const px = (n: number): number => n / devicePixelRatio
            const now = { left: px(left), top: px(top), width: px(width), height: px(high), min: min ?? 0, max: max ?? 1 }
            setArea((was) => (was && Object.entries(now).every(([key, value]) => was[key as keyof Area] === value) ? was : now))
          },
        ],
      },
      // A finger does not hover: without a cursor the legend only names the lines.
      legend: { show: true, live: window.matchMedia?.('(hover: hover)').matches ?? false },
      cursor: { drag: { x: false, y: false } },
    }
    plot.current = new uPlot(options, [x, ...lines.map((l) => l.values)] as uPlot.AlignedData, element)
    const watch = new ResizeObserver(() => plot.current?.setSize({ width: element.clientWidth, height }))
    watch.observe(element)
    return () => {
      watch.disconnect()
      plot.current?.destroy()
      plot.current = null
    }
    // Made anew only when its shape changes; figures go in below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [c, height, lines.length, xLabel, leftLabel, rightLabel])

  useEffect(() => {
    plot.current?.setData([x, ...lines.map((l) => l.values)] as uPlot.AlignedData)
  }, [x, lines])

  // Bands and limits are drawn over the same figures.
  useEffect(() => {
    plot.current?.redraw(false)
  }, [bands, heldTo])

  return (
    <Box sx={{ position: 'relative' }}>
      <Box
        ref={host}
        role="img"
        aria-label={title}
        sx={{
          width: '100%',
          minHeight: height,
          '& .uplot, & .u-legend': { fontFamily: 'inherit' },
          '& .u-legend': { fontSize: 16, color: 'text.primary' },
          '& .u-legend th': { fontWeight: 400 },
          '& .u-value': { fontWeight: 700, minWidth: 44, textAlign: 'left' },
          // Where values follow the pointer, the first name is that of the axis.
          '& .uplot:not(:hover) .u-live .u-value, & .uplot:not(:hover) .u-live .u-series:first-of-type': { visibility: 'hidden' },
        }}
      />
      {handles && area && <ChartHandles handles={handles} area={area} />}
    </Box>
  )
}
