import { Box, useTheme } from '@mui/material'
import { useEffect, useRef, type ReactElement } from 'react'
import uPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'

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
  marks,
  leftRange,
  xMax,
  height = 300,
  title,
}: Props): ReactElement {
  const c = useTheme().colours
  const host = useRef<HTMLDivElement>(null)
  const plot = useRef<uPlot | null>(null)
  const extras = useRef({ limits, bands, marks, leftRange, xMax })
  extras.current = { limits, bands, marks, leftRange, xMax }

  useEffect(() => {
    const element = host.current
    if (!element) return
    const axis = {
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
        ctx.fillStyle = c.faint
        ctx.font = `${13 * devicePixelRatio}px "Atkinson Hyperlegible Next Variable"`
        if (b - a > 40 * devicePixelRatio) ctx.fillText(band.label, a + 6 * devicePixelRatio, top + 16 * devicePixelRatio)
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
        y: { range: (_u, min, max) => extras.current.leftRange ?? [Math.min(0, min ?? 0), (max ?? 1) * 1.12 || 1] },
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
      hooks: { drawClear: [under], draw: [over] },
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

  return (
    <Box
      ref={host}
      role="img"
      aria-label={title}
      sx={{
        width: '100%',
        minHeight: height,
        '& .uplot': { fontFamily: 'inherit' },
        '& .u-legend': { fontSize: 14, color: 'text.primary' },
        '& .uplot:not(:hover) .u-value, & .uplot:not(:hover) .u-series:first-of-type': { visibility: 'hidden' },
      }}
    />
  )
}
