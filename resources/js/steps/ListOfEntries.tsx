import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { FieldSpec, Photo } from '../api/client'
import type { OneOfList } from './entries'
import { SignatureShown } from './fields/SignatureShown'
import { PhotoStrip } from './Photos'
import { useShownField } from './useShownField'
import { say } from '../texts/say'

interface Props {
  fields: FieldSpec[]
  entries: OneOfList[]
  subject: string
  photos: Photo[]
  /** none: they are only read */
  onChange?: ((entry: OneOfList) => void) | undefined
}

/** What stands in a list: each entry by its first answer, the others beneath, a signature as it was written. */
export function ListOfEntries({ fields, entries, subject, photos, onChange }: Props): ReactElement | null {
  const said = useShownField()
  if (entries.length === 0) return null
  return (
    <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }} aria-label={say('steps.entered')}>
      {entries.map((entry) => {
        const [first, ...rest] = fields
        const name = entry.value[first?.key ?? '']
        const head =
          first?.options?.find((o) => o.value === name)?.label ??
          (first && typeof name === 'number' ? said(first, name) : String(name ?? ''))
        const others = rest
          .filter((f) => f.type !== 'signature')
          .map((f) => said(f, entry.value[f.key]))
          .filter((s) => s !== '')
        const signature = fields.find((f) => f.type === 'signature')
        const written = signature ? entry.value[signature.key] : undefined
        const pictures = Array.isArray(entry.value['photos']) ? (entry.value['photos'] as string[]) : []
        return (
          <Box component="li" key={entry.fact.id} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
            <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', justifyContent: 'space-between' }}>
              <Typography sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
                <strong>{head}</strong>
                {others.length > 0 && <> · {others.join(', ')}</>}
              </Typography>
              {typeof written === 'string' && <SignatureShown path={written} name={head} />}
              {onChange && (
                <Button sx={{ flexShrink: 0 }} aria-label={say('steps.changeOf', { what: head })} onClick={() => onChange(entry)}>
                  {say('steps.change')}
                </Button>
              )}
            </Box>
            <PhotoStrip subject={subject} ids={pictures} photos={photos} />
          </Box>
        )
      })}
    </Box>
  )
}
