import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api, Refusal, type JointShort, type LineFull } from '../api/client'
import { queries, useMe, useProcedures, useUnits } from '../api/queries'
import { Sheet } from '../ui/Sheet'
import { figureOf, noFigure } from '../ui/figureOf'
import { shownAs } from '../ui/units'

/** A saddle or another joint that the plan of pipe lengths does not know. */
export function AddJoint({ open, onClose, line }: { open: boolean; onClose: () => void; line: LineFull }): ReactElement {
  const procedures = useProcedures()
  const me = useMe()
  const units = useUnits()
  const navigate = useNavigate()
  const [hash, setHash] = useState('')
  const [at, setAt] = useState('')
  const [number, setNumber] = useState('')
  const [pipe, setPipe] = useState('')
  const [fault, setFault] = useState<{ field: string; message: string } | null>(null)
  const shown = shownAs('chainage_m', 'length', me.data?.units ?? 'metric', units.data)
  const kinds = (procedures.data ?? []).filter((p) => p.family === 'joint' && p.place !== 'restraint')
  const chosen = hash || kinds.find((p) => p.place === 'on-pipe')?.hash || ''
  const add = async (): Promise<void> => {
    const figure = figureOf(at)
    if (figure === null)
      return setFault({
        field: 'chainage_m',
        message: at.trim() === '' ? 'Where on the line? Give its chainage as a number.' : `Chainage: ${noFigure(at)}`,
      })
    const factor = shown.suffix === 'ft' ? 0.3048 : 1
    try {
      const made = await api.post<JointShort[]>(`/lines/${line.id}/joints`, {
        procedure_hash: chosen,
        chainage_m: Math.round(figure * factor * 1000) / 1000,
        ...(number ? { number } : {}),
        ...(pipe ? { pipe } : {}),
      })
      await queries.invalidateQueries()
      void navigate(`/joints/${made[0]!.id}`)
    } catch (error) {
      setFault(
        error instanceof Refusal
          ? (error.errors[0] ?? { field: '', message: error.message })
          : { field: '', message: (error as Error).message },
      )
    }
  }
  const of = (field: string): { error: boolean; helperText?: string } =>
    fault?.field === field ? { error: true, helperText: fault.message } : { error: false }
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Add a saddle or a joint"
      actions={
        <Button variant="contained" onClick={() => void add()}>
          Add it
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gap: 2, mt: 1 }}>
        <TextField select label="What kind" value={chosen} onChange={(e) => setHash(e.target.value)} {...of('procedure_hash')}>
          {kinds.map((p) => (
            <MenuItem key={p.hash} value={p.hash}>
              {p.title}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label={`Chainage, ${shown.symbol}`}
          value={at}
          onChange={(e) => setAt(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          {...of('chainage_m')}
        />
        <TextField label="Number (else the next free one)" value={number} onChange={(e) => setNumber(e.target.value)} {...of('number')} />
        <TextField label="Pipe it sits on (else by the plan)" value={pipe} onChange={(e) => setPipe(e.target.value)} />
        {fault && !['procedure_hash', 'chainage_m', 'number'].includes(fault.field) && (
          <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700 }}>
            {fault.message}
          </Typography>
        )}
      </Box>
    </Sheet>
  )
}
