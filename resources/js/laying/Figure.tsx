import { TextField } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { say, type MessageId } from '../texts/say'
import { figureOf, noFigure } from '../ui/figureOf'

export interface Figured {
  label: MessageId
  symbol: string
  /** from what is kept to what is typed, and back */
  out: (value: number) => number
  back: (typed: number) => number
  /** may be left empty */
  free?: boolean
}

/** A figure that is typed, and taken when it is left. */
export function Figure({
  field,
  value,
  fault,
  onValue,
}: {
  field: Figured
  value: number | null
  fault: string | null
  onValue: (value: number | null) => void
}): ReactElement {
  const [text, setText] = useState(value === null ? '' : String(Number(field.out(value).toPrecision(6))))
  const [wrong, setWrong] = useState<string | null>(null)
  const take = (): void => {
    const isEmpty = text.trim() === ''
    const why = isEmpty && field.free ? null : noFigure(text)
    setWrong(why)
    if (!why) onValue(isEmpty ? null : Number(field.back(figureOf(text)!).toPrecision(12)))
  }
  return (
    <TextField
      label={`${say(field.label)}, ${field.symbol}`}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => e.key === 'Enter' && take()}
      error={!!(wrong ?? fault)}
      helperText={wrong ?? fault}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
}
