import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { figureInput } from '../../ui/figureInput'
import { say } from '../../texts/say'
import type { Slot } from './slots'

interface Props {
  slot: Slot
  symbol: string
  /** the same in other words, such as the time of day of a minute */
  means?: string | null | undefined
  text: string
  active: boolean
  wrong: boolean
  /** digits that stand there already */
  prefix: string | undefined
  inputRef: (el: HTMLInputElement | null) => void
  onText: (text: string) => void
  onFocus: () => void
  onEnter: () => void
}

/** A figure, large, against its unit; the pad types into it. */
export function FigureRow({ slot, symbol, means, text, active, wrong, prefix, inputRef, onText, onFocus, onEnter }: Props): ReactElement {
  const { field, end } = slot
  const spoken = [field.label, symbol, end.name].filter((part) => part !== '').join(', ')
  return (
    <Box component="label" sx={{ display: 'flex', alignItems: 'center', gap: 1.5, minHeight: 56 }}>
      <Typography component="span" sx={{ flexGrow: 1, minWidth: 0, fontWeight: active ? 700 : 400 }}>
        {field.label}
        {field.optional ? say('steps.suffixIfKnown') : ''}
      </Typography>
      {means && <Typography component="span">{means}</Typography>}
      <input
        ref={inputRef}
        inputMode="none"
        autoComplete="off"
        name={slot.id}
        aria-label={spoken}
        aria-invalid={wrong}
        data-at-hand={active || undefined}
        value={text}
        placeholder={prefix}
        onChange={(e) => onText(e.target.value)}
        onFocus={onFocus}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault()
            onEnter()
          }
        }}
        style={{
          ...figureInput,
          width: 132,
          flexShrink: 0,
          fontSize: '1.75rem',
          borderBottom: `3px solid ${active ? 'var(--accent)' : 'transparent'}`,
          padding: '2px 4px',
        }}
      />
      <Typography component="span" sx={{ width: 44, flexShrink: 0, color: 'text.secondary' }}>
        {symbol}
      </Typography>
    </Box>
  )
}
