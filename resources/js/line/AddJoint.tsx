import { Box, Button, TextField } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import { api, type JointShort, type LineFull } from '../api/client'
import { useMe, useProcedures, useUnits } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { ProcedureChoice } from '../ui/ProcedureChoice'
import { pipeOf } from './pipeOf'
import { Refused } from '../ui/Refused'
import { Sheet } from '../ui/Sheet'
import { figureOf, noFigure } from '../ui/figureOf'
import { shownAs } from '../ui/units'
import { say } from '../texts/say'

const FOOT_M = 0.3048

/** A saddle or another joint that the plan of pipe lengths does not know. */
export function AddJoint({ open, onClose, line }: { open: boolean; onClose: () => void; line: LineFull }): ReactElement {
  const procedures = useProcedures(pipeOf(line))
  const me = useMe()
  const units = useUnits()
  const navigate = useNavigate()
  const [hash, setHash] = useState('')
  const [at, setAt] = useState('')
  const [number, setNumber] = useState('')
  const [pipe, setPipe] = useState('')
  const [wrong, setWrong] = useState<Record<string, string>>({})
  const shown = shownAs('chainage_m', 'length', me.data?.units ?? 'metric', units.data)
  const kinds = (procedures.data ?? []).filter((p) => p.family === 'joint' && p.place !== 'restraint')
  // What suits this pipe is offered, if anything does.
  const offered = kinds.filter((p) => p.place === 'on-pipe')
  const chosen = hash || (offered.find((p) => !p.unsuited?.length) ?? offered[0])?.hash || ''
  const add = useVerb(
    (metres: number) =>
      api.post<JointShort[]>(`/lines/${line.id}/joints`, {
        procedure_hash: chosen,
        chainage_m: Math.round(metres * 1000) / 1000,
        ...(number ? { number } : {}),
        ...(pipe ? { pipe } : {}),
      }),
    (made) => void navigate(`/joints/${made[0]!.id}`),
  )
  const save = (): void => {
    const figure = figureOf(at)
    const why = at.trim() === '' ? say('line.whereOnTheLineGiveIts') : say('line.noChainage', { at: noFigure(at) })
    setWrong(figure === null ? { chainage_m: why } : {})
    if (figure !== null) add.run(figure * (shown.suffix === 'ft' ? FOOT_M : 1))
  }
  const faults = Object.keys(wrong).length > 0 ? wrong : add.faults
  const of = (field: string): { error: boolean; helperText?: string } =>
    faults[field] ? { error: true, helperText: faults[field] } : { error: false }
  const others = Object.entries(faults).filter(([field]) => !['procedure_hash', 'chainage_m', 'number'].includes(field))
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={say('line.addASaddleOrAJoint')}
      actions={
        <Button variant="contained" disabled={add.busy || procedures.isPending} onClick={save}>
          {say('common.addIt')}
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gap: 2, mt: 1 }}>
        <ProcedureChoice label={say('line.whatKind')} of={kinds} value={chosen} onChange={setHash} fault={faults['procedure_hash']} />
        <TextField
          label={say('line.chainageIn', { symbol: shown.symbol })}
          value={at}
          onChange={(e) => setAt(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          {...of('chainage_m')}
        />
        <TextField
          label={say('line.numberElseTheNextFreeOne')}
          value={number}
          onChange={(e) => setNumber(e.target.value)}
          {...of('number')}
        />
        <TextField label={say('line.pipeItSitsOnElseBy')} value={pipe} onChange={(e) => setPipe(e.target.value)} />
        <Refused why={others[0]?.[1]} />
      </Box>
    </Sheet>
  )
}
