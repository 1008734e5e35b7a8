import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import type { FieldSpec, StoreItem } from '../api/client'
import { useStores } from '../api/queries'
import { Sheet } from '../ui/Sheet'
import { tight, VerdictMark } from '../ui/Verdict'
import { say } from '../texts/say'
import { rowButton } from '../ui/rowButton'

type Chosen = Record<string, unknown> & { id: string; name: string }

const KEY = 'stores-used'

/** What was used last on this device, one's own card, or the only one there is: the next joint most often takes the same. */
export function usedLast(kind: string, items: StoreItem[], who: string | undefined): Chosen | null {
  const things = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string>
  const here = items.filter((i) => i.kind === kind)
  const item =
    here.find((i) => i.thing_id === things[kind]) ?? here.find((i) => i.name === who) ?? (here.length === 1 ? here[0] : undefined)
  return item ? (item.snapshot as Chosen) : null
}

export function remember(kind: string, item: StoreItem): void {
  const things = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string>
  localStorage.setItem(KEY, JSON.stringify({ ...things, [kind]: item.thing_id }))
}

/** Something out of the stores: its state is said before it is taken. */
export function ItemEntry({
  field,
  value,
  project,
  onChange,
}: {
  field: FieldSpec
  value: Chosen | null
  project: number
  onChange: (item: Chosen | null) => void
}): ReactElement {
  const stores = useStores()
  const [open, setOpen] = useState(false)
  const [find, setFind] = useState('')
  // What may be used stands first.
  const items = (stores.data ?? [])
    .filter((i) => i.kind === field.of && i.project_id === project)
    .sort((a, b) => Number(a.verdict === 'bad') - Number(b.verdict === 'bad'))
  const shown = items.filter((i) => `${i.name} ${i.summary ?? ''}`.toLowerCase().includes(find.toLowerCase()))
  const current = items.find((i) => i.id === value?.id)
  return (
    <Box>
      <Box
        component="button"
        type="button"
        onClick={() => setOpen(true)}
        aria-label={`${field.label}: ${value?.name ?? say('steps.choose')}`}
        sx={{
          ...rowButton,
          minHeight: 56,
        }}
      >
        <Typography component="span" sx={{ flexGrow: 1 }}>
          {field.label}
          {field.optional ? say('steps.suffixIfAny') : ''}
        </Typography>
        <Typography component="span" sx={{ fontWeight: 700, textAlign: 'right', color: value ? 'text.primary' : 'text.secondary' }}>
          {value?.name ?? say(field.optional ? 'common.none' : 'steps.choose')}
        </Typography>
        {current && current.verdict !== 'good' && <VerdictMark verdict={current.verdict} />}
        <span aria-hidden="true">›</span>
      </Box>
      {current && current.verdict === 'bad' && (
        <Typography sx={{ color: 'secondary.main', fontWeight: 700, pb: 1 }}>
          {current.reasons[0]?.text} {current.reasons[0]?.do}
        </Typography>
      )}
      <Sheet open={open} onClose={() => setOpen(false)} title={field.label}>
        {items.length > 7 && <TextField label={say('steps.find')} value={find} onChange={(e) => setFind(e.target.value)} sx={{ mt: 1 }} />}
        {shown.map((item) => (
          <Box
            key={item.id}
            component="button"
            type="button"
            aria-current={item.id === value?.id}
            onClick={() => {
              remember(item.kind, item)
              onChange(item.snapshot as Chosen)
              setOpen(false)
            }}
            sx={{
              ...rowButton,
              minHeight: 64,
              borderTop: 1,
              borderColor: 'divider',
              py: 1,
            }}
          >
            <VerdictMark verdict={item.verdict} />
            <Box sx={{ flexGrow: 1 }}>
              <Typography sx={{ fontWeight: item.id === value?.id ? 700 : 400, fontSize: '1.1rem' }}>
                {item.name}
                {item.summary && item.summary !== '–' ? `, ${item.summary}` : ''}
              </Typography>
              <Typography variant="body2">{tight(item.reasons[0]?.text ?? '')}</Typography>
            </Box>
          </Box>
        ))}
        {items.length === 0 && (
          <Typography sx={{ my: 2 }}>
            {stores.data ? say('steps.thereIsNoneInTheStores') : say('steps.theStoresCannotBeReadNow')}
          </Typography>
        )}
        {field.optional && value && (
          <Button
            variant="outlined"
            fullWidth
            sx={{ mt: 1 }}
            onClick={() => {
              onChange(null)
              setOpen(false)
            }}
          >
            {say('steps.none')}
          </Button>
        )}
      </Sheet>
    </Box>
  )
}
