import { MenuItem, TextField } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../../texts/say'
import type { Entered } from '../entry'
import { ItemEntry } from '../ItemEntry'
import { LayoutEntry } from '../LayoutEntry'
import { Choice } from './Choice'
import { Delivered, type Batch } from './Delivered'
import { SignaturePad } from './SignaturePad'
import type { Slot } from './slots'
import { YesNo } from './YesNo'

/** More ways than that are a list that drops down. */
const MOST_LINES = 4

interface Props {
  slot: Slot
  value: Entered
  /** whose stores are chosen from */
  project: number
  wrong: string | undefined
  /** what was delivered of it; left out: it does not come by deliveries */
  batches: Batch[] | undefined
  onChange: (value: Entered) => void
  /** it is at hand now */
  onHand: () => void
  /** Enter in a text: was there another one to go on to? */
  onEnter: () => boolean
  inputRef: (el: HTMLInputElement | null) => void
}

/** Whatever is asked for and is no figure. */
export function Asked({ slot: { id, field }, value, project, wrong, batches, onChange, onHand, onEnter, inputRef }: Props): ReactElement {
  const answer = (given: Entered): void => {
    onChange(given)
    onHand()
  }
  switch (field.type) {
    case 'yesno':
      return <YesNo field={field} name={id} value={value} onChange={answer} inputRef={inputRef} />
    case 'item':
      return <ItemEntry field={field} project={project} value={value as never} onChange={onChange} />
    case 'signature':
      return <SignaturePad label={field.label} value={String(value ?? '')} onChange={onChange} />
    case 'layout':
      return <LayoutEntry value={value as never} onChange={(layout) => onChange(layout as unknown as Entered)} fault={wrong} />
    case 'choice':
      return (field.options ?? []).length <= MOST_LINES ? (
        <Choice field={field} name={id} value={value} onChange={answer} />
      ) : (
        <TextField select label={field.label} value={value ?? ''} onChange={(e) => onChange(e.target.value)} sx={{ my: 1 }}>
          {(field.options ?? []).map((o) => (
            <MenuItem key={o.value} value={o.value}>
              {o.label}
            </MenuItem>
          ))}
        </TextField>
      )
    default:
      return (
        <>
          <TextField
            label={field.label + (field.optional ? say('steps.suffixIfKnown') : '')}
            name={id}
            type={field.type === 'day' ? 'date' : field.type === 'time' ? 'datetime-local' : 'text'}
            sx={{ my: 1 }}
            slotProps={{
              inputLabel: field.type === 'day' || field.type === 'time' ? { shrink: true } : {},
              htmlInput: field.type === 'code' ? { inputMode: 'numeric', style: { letterSpacing: '0.05em' } } : {},
            }}
            inputRef={inputRef}
            value={String(value ?? '')}
            onChange={(e) => onChange(e.target.value)}
            onFocus={onHand}
            onKeyDown={(e) => {
              if (e.key === 'Enter' && onEnter()) e.preventDefault()
            }}
            error={wrong !== undefined}
          />
          {batches && (value ?? '') === '' && <Delivered field={field} batches={batches} onTake={onChange} />}
        </>
      )
  }
}
