import { Box } from '@mui/material'
import type { ReactElement } from 'react'

/** A place on the axis of a chart that can be moved: by finger, mouse or arrow keys. */
export interface Handle {
  key: string
  label: string
  x: number
  /** what is said of where it stands */
  says: string
  onMove: (x: number) => void
}

/** Where it is drawn, px inside the chart, and what the axis goes from and to. */
export interface Area {
  left: number
  top: number
  width: number
  height: number
  min: number
  max: number
}

/** px */
const WIDE = 32

/** How far an arrow key moves it, and how far with the shift key. */
const STEP = 1
const LEAP = 10

export function ChartHandles({ handles, area }: { handles: Handle[]; area: Area }): ReactElement {
  const { left, top, width, height, min, max } = area
  const within = (x: number): number => Math.min(max, Math.max(min, x))
  return (
    <>
      {handles.map((h, i) => (
        <Box
          key={h.key}
          role="slider"
          tabIndex={0}
          aria-label={h.label}
          aria-valuemin={min}
          aria-valuemax={max}
          aria-valuenow={h.x}
          aria-valuetext={h.says}
          onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
          onPointerMove={(e) => {
            if (!e.currentTarget.hasPointerCapture(e.pointerId)) return
            const plot = e.currentTarget.parentElement!.getBoundingClientRect().left + left
            h.onMove(within(min + ((e.clientX - plot) / width) * (max - min)))
          }}
          onKeyDown={(e) => {
            const way = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
            if (way === 0) return
            e.preventDefault()
            e.stopPropagation()
            h.onMove(within(h.x + way * (e.shiftKey ? LEAP : STEP)))
          }}
          sx={{
            position: 'absolute',
            top,
            height,
            left: left + ((h.x - min) / (max - min)) * width - WIDE / 2,
            width: WIDE,
            cursor: 'ew-resize',
            touchAction: 'none',
            '&::before': { content: '""', position: 'absolute', left: WIDE / 2 - 1, top: 0, bottom: 0, width: 2, bgcolor: 'text.primary' },
            '&::after': {
              content: '""',
              position: 'absolute',
              left: 4,
              // Two that stand close can both be taken hold of.
              bottom: 6 + (i % 2) * WIDE,
              width: WIDE - 8,
              height: WIDE - 8,
              borderRadius: '50%',
              border: 2,
              borderColor: 'text.primary',
              bgcolor: 'background.default',
            },
          }}
        />
      ))}
    </>
  )
}
