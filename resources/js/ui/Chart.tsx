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
  height?: number
  title: string
}

/** A chart with units, limits and phases. Loaded only where one is shown. */
export default function Chart({ x, xLabel, lines, leftLabel, rightLabel, limits, bands, height = 300, title }: Props): ReactElement {
  const c = useTheme().colours
  const host = useRef<HTMLDivElement>(null)
  const plot = useRef<uPlot | null>(null)
  const extras = useRef({ limits, bands })
  extras.current = { limits, bands }

  useEffect(() => {
    const element = host.current
    if (!element) return
    const axis = { stroke: c.ink, grid: { stroke: c.rule, width: 1 }, ticks: { stroke: c.rule }, font: '14px "Atkinson Hyperlegible Next Variable"', labelFont: '14px "Atkinson Hyperlegible Next Variable"' }
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
    const dashes = [[], [8, 5], [2, 4]]
    const options: uPlot.Options = {
      width: element.clientWidth, height,
      scales: { x: { time: false }, y: { range: (_u, min, max) => [Math.min(0, min ?? 0), (max ?? 1) * 1.12 || 1] }, right: { range: (_u, min, max) => [Math.min(0, min ?? 0), (max ?? 1) * 1.12 || 1] } },
      series: [{ label: xLabel }, ...lines.map((l, i) => ({ label: l.label, scale: l.axis === 'right' ? 'right' : 'y', stroke: i === 0 ? c.ink : i === 1 ? c.water : c.accent, width: 2, dash: dashes[i] ?? [], points: { show: false } }))],
      axes: [{ ...axis, label: xLabel }, { ...axis, label: leftLabel, size: 66 }, ...(rightLabel ? [{ ...axis, label: rightLabel, scale: 'right', side: 1 as const, grid: { show: false }, size: 60 }] : [])],
      hooks: { drawClear: [under] },
      legend: { show: true },
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

  return <Box ref={host} role="img" aria-label={title} sx={{ width: '100%', minHeight: height, '& .u-legend': { fontSize: 14, color: 'text.primary' } }} />
}
