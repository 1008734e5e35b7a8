import { Box, useTheme } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import type { LineShort } from '../api/client'
import { say } from '../texts/say'

type Part = LineShort['parts'][number]

/** Parts into which the server cuts a line. */
const PARTS = 60
const RING = 11
const STEP = 34
const HEIGHT = 40
const Y = 18

/** So many neighbours counted together at a time. */
function merged(parts: Part[], together: number): Part[] {
  const groups = new Map<number, Part>()
  for (const part of parts) {
    const at = Math.floor(part.at / together)
    const group = groups.get(at) ?? { at, total: 0, begun: 0, made: 0, accepted: 0, bad: 0 }
    for (const count of ['total', 'begun', 'made', 'accepted', 'bad'] as const) group[count] += part[count]
    groups.set(at, group)
  }
  return [...groups.values()]
}

function called(part: Part): string {
  const joints = say('line.joints', { total: part.total })
  const bad = part.bad > 0 ? say('line.andBad', { bad: part.bad }) : ''
  return say('line.partOfLine', { joints, made: part.made, accepted: part.accepted, bad })
}

/** A line from end to end as a row of rings, each for the joints of its part: as far closed as they are made. */
export function LineParts({ line }: { line: LineShort }): ReactElement {
  const c = useTheme().colours
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(340)
  useEffect(() => {
    const element = box.current
    if (!element) return
    const watch = new ResizeObserver(() => setWidth(element.clientWidth))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  // As many that their rings do not touch.
  const together = Math.ceil((PARTS * STEP) / Math.max(STEP, width - 24))
  const parts = merged(line.parts, together)
  const x = (part: Part): number => 12 + (((part.at + 0.5) * together) / PARTS) * (width - 24)
  const laid = parts.filter((part) => part.begun > 0)
  const colour = { water: c.water, sewer: c.sewer, gas: c.gas }[line.service]
  return (
    <Box ref={box} sx={{ height: HEIGHT, overflow: 'hidden' }}>
      <svg
        width={width}
        height={HEIGHT}
        role="group"
        aria-label={say('line.fromBeginningToEnd', { name: line.name })}
        style={{ display: 'block' }}
      >
        <line x1={8} x2={width - 8} y1={Y} y2={Y} stroke={c.rule} strokeWidth={3} strokeDasharray="10 8" />
        {laid.length > 0 && <line x1={8} x2={x(laid[laid.length - 1]!)} y1={Y} y2={Y} stroke={colour} strokeWidth={9} />}
        {parts.map((part) => (
          <Ring key={part.at} part={part} x={x(part)} />
        ))}
      </svg>
    </Box>
  )
}

function Ring({ part, x }: { part: Part; x: number }): ReactElement {
  const c = useTheme().colours
  const round = 2 * Math.PI * RING
  const share = part.made / part.total
  return (
    <g transform={`translate(${x} ${Y})`} role="img" aria-label={called(part)}>
      <circle
        r={RING}
        fill={c.ground}
        stroke={part.begun > 0 ? c.rule : c.faint}
        strokeWidth={1.4}
        strokeDasharray={part.begun > 0 ? undefined : `${round * 0.72} ${round}`}
        transform="rotate(-30)"
      />
      {part.begun > 0 && (
        <circle
          r={RING}
          fill="none"
          stroke={c.ink}
          strokeWidth={3.4}
          strokeDasharray={share === 1 ? undefined : `${round * Math.max(0.08, share)} ${round}`}
          transform="rotate(-90)"
        />
      )}
      {part.accepted === part.total && <circle r={4.6} fill={c.ink} />}
      {part.bad > 0 && <line x1={-14} y1={14} x2={14} y2={-14} stroke={c.accent} strokeWidth={3.4} />}
    </g>
  )
}
