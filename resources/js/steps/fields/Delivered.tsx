import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { FieldSpec, Subject } from '../../api/client'
import { say } from '../../texts/say'

export type Batch = NonNullable<Subject['batches']>[number]

interface Props {
  field: FieldSpec
  batches: Batch[]
  onTake: (text: string) => void
}

/** Of what came with the deliveries of the line, one tap writes down the batch. */
export function Delivered({ field, batches, onTake }: Props): ReactElement {
  const asTaken = ({ what, batch }: Batch): string => (field.delivered?.as === 'named' && what !== '' ? `${what}, ${batch}` : batch)
  const isCalledSo = ({ what }: Batch): boolean => field.delivered?.called.some((word) => what.toLowerCase().includes(word)) ?? false
  const named = batches.filter(isCalledSo)
  return (
    <Box role="group" aria-label={say('steps.delivered', { label: field.label })} sx={{ mb: 1 }}>
      <Typography variant="body2">{say('steps.deliveredToTheLine')}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.5 }}>
        {(named.length > 0 ? named : batches).map((one) => (
          <Button
            key={`${one.what} ${one.batch}`}
            variant="outlined"
            onClick={() => onTake(asTaken(one))}
            sx={{ minHeight: 52, textAlign: 'left', justifyContent: 'start', fontWeight: 400, lineHeight: 1.25, minWidth: 0, maxWidth: 1 }}
          >
            <span style={{ overflowWrap: 'anywhere' }}>
              {one.what} <strong>{one.batch}</strong>
            </span>
          </Button>
        ))}
      </Box>
    </Box>
  )
}
