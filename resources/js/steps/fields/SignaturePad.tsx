import { Box, Button, Typography, useTheme } from '@mui/material'
import { useRef, type ReactElement } from 'react'
import { say } from '../../texts/say'

/** The core takes no longer one. */
const LONGEST = 11_500

/** Points closer than this say nothing new, of a thousand across. */
const LEAST = 8

interface Props {
  label: string
  value: string
  onChange: (path: string) => void
}

/** A place to write one's name on with a finger. Kept as strokes from 0 to 1000 across and down, whatever the screen. */
export function SignaturePad({ label, value, onChange }: Props): ReactElement {
  const c = useTheme().colours
  const pad = useRef<HTMLDivElement>(null)
  const stroke = useRef<[number, number] | null>(null)
  const path = useRef(value)
  path.current = value
  const at = (e: React.PointerEvent): [number, number] => {
    const box = pad.current!.getBoundingClientRect()
    const part = (of: number, from: number, size: number): number => Math.min(1000, Math.max(0, Math.round((1000 * (of - from)) / size)))
    return [part(e.clientX, box.left, box.width), part(e.clientY, box.top, box.height)]
  }
  const add = (command: 'M' | 'L', point: [number, number]): void => {
    if (path.current.length > LONGEST) return
    stroke.current = point
    path.current += `${command}${point[0]} ${point[1]}`
    onChange(path.current)
  }
  return (
    <Box sx={{ py: 0.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', minHeight: 48 }}>
        <Typography>{label}</Typography>
        {value !== '' && <Button onClick={() => onChange('')}>{say('steps.writeItAgain')}</Button>}
      </Box>
      <Box
        ref={pad}
        role="img"
        aria-label={say(value === '' ? 'steps.signHereWithAFinger' : 'steps.signedHere')}
        data-signature
        sx={{ height: 132, border: 2, borderColor: 'text.primary', touchAction: 'none', position: 'relative', bgcolor: 'background.paper' }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId)
          add('M', at(e))
        }}
        onPointerMove={(e) => {
          const [x, y] = at(e)
          const from = stroke.current
          if (from !== null && Math.hypot(x - from[0], y - from[1]) >= LEAST) add('L', [x, y])
        }}
        onPointerUp={() => {
          stroke.current = null
        }}
        onPointerCancel={() => {
          stroke.current = null
        }}
      >
        {value === '' && (
          <Typography sx={{ position: 'absolute', inset: 0, display: 'grid', placeItems: 'center', color: 'text.secondary' }}>
            {say('steps.signHereWithAFinger')}
          </Typography>
        )}
        <svg width="100%" height="100%" viewBox="0 0 1000 1000" preserveAspectRatio="none" aria-hidden>
          <path d={value} fill="none" stroke={c.ink} strokeWidth={3} vectorEffect="non-scaling-stroke" />
        </svg>
      </Box>
    </Box>
  )
}
