import { Box, Button, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import { api, Refusal } from '../api/client'
import { useMe, useUnits, type CalcSchema, type InputSchema } from '../api/queries'
import { say } from '../texts/say'
import { shownAs, type Shown } from '../ui/units'
import { InputField, isWide } from './fields/InputField'
import { Curve } from './Curve'
import { Results } from './Results'
import { keyShown } from './soil'
import { fromExample, toInput, type Typed } from './typed'

const AS_IT_IS = { suffix: '', symbol: '', decimals: 2, fromKey: (v: number): number => v, toKey: (v: number): number => v }

/** One sum: what it wants, a worked example, what comes out, how and by what source. */
export function Sum({ name, schema }: { name: string; schema: CalcSchema }): ReactElement {
  const me = useMe()
  const units = useUnits()
  const [typed, setTyped] = useState<Record<string, Typed>>({})
  const [faults, setFaults] = useState<{ field: string; message: string }[]>([])
  const [out, setOut] = useState<{ of: Record<string, unknown>; input: Record<string, unknown> } | null>(null)
  const shown = (key: string, s: InputSchema): Shown =>
    s['x-quantity']
      ? shownAs(keyShown(key, s['x-quantity'], schema['x-soil']), s['x-quantity'], me.data?.units ?? 'metric', units.data)
      : { key, ...AS_IT_IS }
  const run = async (input: Record<string, Typed>): Promise<void> => {
    try {
      const sent = toInput(schema.properties, input, shown)
      setOut({ of: await api.post<Record<string, unknown>>(`/calculations/${name}`, sent), input: sent })
      setFaults([])
    } catch (error) {
      setOut(null)
      setFaults(error instanceof Refusal && error.errors.length > 0 ? error.errors : [{ field: '', message: (error as Error).message }])
    }
  }
  // What came out is seen, however long the form is.
  const answer = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (out) answer.current?.scrollIntoView?.({ block: 'nearest' })
  }, [out])
  const example = schema['x-example']
  const faultOf = (key: string, s: InputSchema): string | null =>
    faults.find((f) => [key, s['x-name'], shown(key, s).key].includes(f.field))?.message ?? null
  const fields = Object.entries(schema.properties).filter(([, s]) => !s['x-by-columns'])
  const elsewhere = faults.filter((f) => !fields.some(([key, s]) => faultOf(key, s) === f.message))
  const group = (wanted: boolean): ReactElement[] =>
    fields
      .filter(([key]) => schema.required.includes(key) === wanted)
      .map(([key, s]) => (
        <Box key={key} sx={{ gridColumn: isWide(s) ? '1 / -1' : undefined, minWidth: 0 }}>
          <InputField
            calculation={name}
            name={key}
            schema={s}
            required={wanted}
            value={typed[key]}
            shown={shown}
            fault={faultOf(key, s)}
            onValue={(value) => setTyped((all) => ({ ...all, [key]: value }))}
          />
        </Box>
      ))
  return (
    <Box>
      <Typography variant="h2" component="h2">
        {schema.description}
      </Typography>
      {schema['x-method'] && <Typography sx={{ mt: 0.5 }}>{schema['x-method']}</Typography>}
      <Typography variant="body2" sx={{ mb: 2 }}>
        {say('bench.source', { xSource: schema['x-source'] })}
      </Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault()
          void run(typed)
        }}
        sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', sm: 'minmax(0,1fr) minmax(0,1fr)' }, gap: 2 }}
      >
        {group(true)}
        {group(false)}
        <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button variant="contained" type="submit" sx={{ flexGrow: 1 }}>
            {say('bench.workItOut')}
          </Button>
          {example && Object.keys(example).length > 0 && (
            <Button
              variant="outlined"
              onClick={() => {
                const filled = fromExample(schema.properties, example, shown)
                setTyped(filled)
                void run(filled)
              }}
            >
              {say('bench.loadTheWorkedExample')}
            </Button>
          )}
          {Object.keys(typed).length > 0 && (
            <Button
              onClick={() => {
                setTyped({})
                setOut(null)
                setFaults([])
              }}
            >
              {say('bench.empty')}
            </Button>
          )}
        </Box>
      </Box>
      {faults.length > 0 && (
        <Box role="alert" sx={{ color: 'secondary.main', fontWeight: 700, mt: 2 }}>
          {(elsewhere.length > 0 ? elsewhere : faults).map((f) => (
            <Typography key={f.field + f.message} sx={{ fontWeight: 700 }}>
              {f.message}
            </Typography>
          ))}
        </Box>
      )}
      <div ref={answer}>{out && <Results calculation={name} isSoil={schema['x-soil']} out={out.of} />}</div>
      {out && <Curve name={name} schema={schema} input={out.input} out={out.of} />}
    </Box>
  )
}
