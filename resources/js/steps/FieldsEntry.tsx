import { Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react'
import type { FieldSpec, StepText, Usual } from '../api/client'
import { useMe, useStores, useUnits } from '../api/queries'
import { figureInput } from '../ui/figureInput'
import { Pad } from '../ui/Pad'
import { notThese, prefixOf, tapped, untapped, type Prefix } from './prefix'
import { AskWhether } from './AskWhether'
import { doubtOf, type Doubt } from './doubt'
import { useDraft } from '../outbox/drafts'
import { asEntered, complaint, shownField, toValue, type Entered } from './entry'
import { ItemEntry, usedLast } from './ItemEntry'
import { LayoutEntry } from './LayoutEntry'
import { say } from '../texts/say'

interface Props {
  step: Pick<StepText, 'fields'>
  /** whose stores are chosen from */
  project: number
  /** what is filled in, as it would be typed */
  start?: Record<string, Entered>
  /** what is filled in, as it is stored: suggested, or entered before */
  known?: Record<string, unknown>
  /** between what its figures usually lie, by field */
  usual?: Record<string, Usual>
  onRecord: (value: Record<string, unknown>) => void
  label?: string
  extra?: (set: (values: Record<string, Entered>) => void, values: Record<string, Entered>) => ReactNode
}

const isFigure = (f: FieldSpec): boolean => f.quantity !== undefined || (f.type ?? 'number') === 'number'

/** All steps that ask for figures, words and yes or no: one row a field, large figures, a pad below. */
export function FieldsEntry({ step, project, start, known, usual, onRecord, label, extra }: Props): ReactElement {
  const fields = step.fields ?? []
  const stores = useStores(fields.some((f) => f.type === 'item'))
  const me = useMe()
  const units = useUnits()
  const system = me.data?.units ?? 'metric'
  const at = (f: FieldSpec) => shownField(f, system, units.data)
  const [values, setValues, offer] = useDraft<Record<string, Entered>>('fields', () => ({
    ...Object.fromEntries(fields.filter((f) => f.preset !== undefined).map((f) => [f.key, f.preset!])),
    ...Object.fromEntries(
      fields
        .filter((f) => f.type !== 'item')
        .map((f) => [f.key, asEntered(f, known?.[f.key], at(f), system === 'metric' || units.data !== undefined)] as const)
        .filter((pair): pair is [string, Entered] => pair[1] !== undefined),
    ),
    ...start,
  }))
  const [more, setMore] = useState(false)
  const [active, setActive] = useState(fields[0]?.key ?? '')
  const [faults, setFaults] = useState<Record<string, string>>({})
  const [asked, setAsked] = useState<{ field: FieldSpec; doubt: Doubt } | null>(null)
  const sure = useRef(new Set<string>())
  const inputs = useRef<Record<string, HTMLInputElement | null>>({})
  const current = fields.find((f) => f.key === active)
  const [bare, setBare] = useState<string | null>(null)
  const prefixAt = (f: FieldSpec): Prefix | null => {
    const near = usual?.[f.key]?.near ?? null
    return bare === f.key || near === null ? null : prefixOf(at(f).fromKey(near))
  }
  const prefix = current ? prefixAt(current) : null
  // What was used last is offered; the list comes a moment later than the page.
  const items = stores.data
  const who = me.data?.name
  useEffect(() => {
    if (!items) return
    const offered = fields
      .filter((f) => f.type === 'item')
      .map((f) => {
        const ours = items.filter((i) => i.project_id === project)
        const before = known?.[f.key] as { name?: string } | undefined
        // What was entered before may have been renewed since: it is taken as the stores have it now.
        const again = ours.find((i) => i.kind === f.of && i.name === before?.name)
        return [f.key, again ? (again.snapshot as Record<string, unknown>) : usedLast(f.of!, ours, who)] as const
      })
      .filter(([, item]) => item !== null)
    if (offered.length > 0) offer((v) => ({ ...Object.fromEntries(offered), ...v }))
    // The fields of a step do not change under it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [items, project, who])
  // Several things that are only noted when they are known stand folded below.
  const folded = fields.filter((f) => f.optional && f.type !== 'item')
  const fold = folded.length >= 2 && folded.length < fields.length && !fields.some((f) => f.type === 'code')
  const shown =
    fold && !more
      ? fields.filter((f) => !folded.includes(f) || faults[f.key] || (values[f.key] ?? '') !== '')
      : [...fields.filter((f) => !folded.includes(f)), ...folded]

  // The figure at hand stands above the pad, which covers the foot of the page while it is there.
  const foot = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const input = inputs.current[active]
    // The box of a yes or no is not seen: the page would jump under the thumb.
    if (!input || input.type === 'radio' || document.activeElement !== input) return
    input.style.scrollMarginBottom = `${(foot.current?.offsetHeight ?? 0) + 36}px`
    input.scrollIntoView({ block: 'nearest' })
  }, [active, faults])

  // A digit typed anywhere on the page goes to the figure at hand.
  const firstFigure = fields.find((f) => isFigure(f) && (values[f.key] ?? '') === '')?.key
  useEffect(() => {
    const digits = (e: KeyboardEvent): void => {
      if (
        /^[0-9]$/.test(e.key) &&
        firstFigure &&
        !e.ctrlKey &&
        !e.metaKey &&
        !['INPUT', 'TEXTAREA'].includes((e.target as HTMLElement).tagName)
      )
        inputs.current[firstFigure]?.focus()
    }
    window.addEventListener('keydown', digits)
    return () => window.removeEventListener('keydown', digits)
  }, [firstFigure])

  const set = (key: string, value: Entered): void => {
    setValues((v) => ({ ...v, [key]: value }))
    setFaults(({ [key]: _gone, ...rest }) => rest)
  }
  const record = (values: Record<string, Entered>): void => {
    const found: Record<string, string> = {}
    for (const f of fields) {
      const why = complaint(f, values[f.key] ?? null, at(f))
      if (why) found[f.key] = why
    }
    setFaults(found)
    const first = fields.find((f) => found[f.key])
    if (first) {
      setActive(first.key)
      inputs.current[first.key]?.focus()
      return
    }
    for (const field of fields.filter(isFigure)) {
      const text = String(values[field.key] ?? '')
      const doubt = sure.current.has(`${field.key} ${text.trim()}`) ? null : doubtOf(text, usual?.[field.key], at(field))
      if (doubt) return setAsked({ field, doubt })
    }
    onRecord(Object.assign({}, ...fields.map((f) => toValue(f, values[f.key] ?? null, at(f)))))
  }
  const next = (): void => {
    const index = shown.findIndex((f) => f.key === active)
    const following = shown.slice(index + 1).find((f) => (values[f.key] ?? '') === '')
    if (following) {
      setActive(following.key)
      inputs.current[following.key]?.focus()
    } else record(values)
  }
  const is = (field: FieldSpec, text: string): void => {
    sure.current.add(`${field.key} ${text}`)
    setAsked(null)
    set(field.key, text)
    record({ ...values, [field.key]: text })
  }
  const left = fields.filter((f) => !f.optional && ((values[f.key] ?? '') === '' || values[f.key] === undefined)).length
  const figures = fields.some(isFigure)

  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        record(values)
      }}
    >
      {asked && (
        <AskWhether
          label={asked.field.label}
          symbol={at(asked.field).symbol}
          doubt={asked.doubt}
          onIs={(text) => is(asked.field, text)}
          onClose={() => {
            setAsked(null)
            setActive(asked.field.key)
          }}
        />
      )}
      {extra?.((v) => setValues((old) => ({ ...old, ...v })), values)}
      {shown.map((f) => (
        <Box key={f.key} sx={{ borderBottom: 1, borderColor: faults[f.key] ? 'secondary.main' : 'divider', py: 0.75 }}>
          {f.type === 'yesno' ? (
            <YesNo
              field={f}
              value={values[f.key] ?? null}
              onChange={(v) => {
                set(f.key, v)
                setActive(f.key)
              }}
              inputRef={(el) => {
                inputs.current[f.key] = el
              }}
            />
          ) : isFigure(f) ? (
            <Box component="label" sx={{ display: 'flex', alignItems: 'center', gap: 1.5, minHeight: 56 }}>
              <Typography component="span" sx={{ flexGrow: 1, fontWeight: active === f.key ? 700 : 400 }}>
                {f.label}
                {f.optional ? say('steps.suffixIfKnown') : ''}
              </Typography>
              <input
                ref={(el) => {
                  inputs.current[f.key] = el
                }}
                inputMode="none"
                autoComplete="off"
                name={f.key}
                aria-label={`${f.label}${at(f).symbol ? `, ${at(f).symbol}` : ''}`}
                aria-invalid={faults[f.key] !== undefined}
                value={String(values[f.key] ?? '')}
                placeholder={prefixAt(f)?.digits}
                onChange={(e) => set(f.key, e.target.value)}
                onFocus={() => setActive(f.key)}
                onKeyDown={(e) => {
                  if (e.key === 'Enter') {
                    e.preventDefault()
                    next()
                  }
                }}
                style={{
                  ...figureInput,
                  width: 132,
                  fontSize: '1.75rem',
                  borderBottom: `3px solid ${active === f.key ? 'var(--accent)' : 'transparent'}`,
                  padding: '2px 4px',
                }}
              />
              <Typography component="span" sx={{ width: 44, color: 'text.secondary' }}>
                {at(f).symbol}
              </Typography>
            </Box>
          ) : f.type === 'item' ? (
            <ItemEntry field={f} project={project} value={(values[f.key] ?? null) as never} onChange={(item) => set(f.key, item)} />
          ) : f.type === 'layout' ? (
            <LayoutEntry
              value={(values[f.key] ?? null) as never}
              onChange={(layout) => set(f.key, layout as unknown as Record<string, unknown>)}
              fault={faults[f.key]}
            />
          ) : f.type === 'choice' && (f.options ?? []).length <= 4 ? (
            <Choice
              field={f}
              value={values[f.key] ?? null}
              onChange={(v) => {
                set(f.key, v)
                setActive(f.key)
              }}
            />
          ) : f.type === 'choice' ? (
            <TextField select label={f.label} value={values[f.key] ?? ''} onChange={(e) => set(f.key, e.target.value)} sx={{ my: 1 }}>
              {(f.options ?? []).map((o) => (
                <MenuItem key={o.value} value={o.value}>
                  {o.label}
                </MenuItem>
              ))}
            </TextField>
          ) : (
            <TextField
              label={f.label + (f.optional ? say('steps.suffixIfKnown') : '')}
              name={f.key}
              type={f.type === 'day' ? 'date' : f.type === 'time' ? 'datetime-local' : 'text'}
              sx={{ my: 1 }}
              slotProps={{
                inputLabel: f.type === 'day' || f.type === 'time' ? { shrink: true } : {},
                htmlInput: f.type === 'code' ? { inputMode: 'numeric', style: { letterSpacing: '0.05em' } } : {},
              }}
              inputRef={(el: HTMLInputElement | null) => {
                inputs.current[f.key] = el
              }}
              value={String(values[f.key] ?? '')}
              onChange={(e) => set(f.key, e.target.value)}
              onFocus={() => setActive(f.key)}
              error={faults[f.key] !== undefined}
            />
          )}
          {faults[f.key] && (
            <Typography role="alert" sx={{ color: 'secondary.main', fontWeight: 700, pb: 0.5 }}>
              {faults[f.key]}
            </Typography>
          )}
        </Box>
      ))}
      {fold && !more && shown.length < fields.length && (
        <Button onClick={() => setMore(true)} sx={{ px: 0.5, fontWeight: 400, color: 'text.secondary' }}>
          {say('steps.ifKnown', {
            fields: fields
              .filter((f) => !shown.includes(f))
              .map((f) => f.label.toLowerCase())
              .join(', '),
          })}
        </Button>
      )}
      <Box ref={foot} sx={{ pt: 1.5, position: 'sticky', bottom: 0, bgcolor: 'background.default', pb: 1, zIndex: 2 }}>
        {figures && current && isFigure(current) ? (
          <Pad
            minus={(current.min ?? 0) < 0}
            onKey={(k) => {
              const text = String(values[active] ?? '')
              set(active, k === '-' && text !== '' ? text : tapped(text, k, prefix))
              inputs.current[active]?.focus()
            }}
            onBack={() => set(active, untapped(String(values[active] ?? ''), prefix))}
            other={prefix && notThese(prefix, () => (set(active, ''), setBare(active)))}
            next={
              left > 0 && !(left === 1 && (values[active] ?? '') === '') ? (
                <Button variant="contained" sx={{ minWidth: 0, px: 1 }} onClick={next}>
                  {say('steps.next')}
                </Button>
              ) : (
                <Button variant="contained" type="submit" sx={{ minWidth: 0, px: 1 }}>
                  {label ?? say('steps.record')}
                </Button>
              )
            }
          />
        ) : (
          <Button variant="contained" type="submit" fullWidth>
            {label ?? say('steps.record')}
          </Button>
        )}
      </Box>
    </Box>
  )
}

/** A few ways, one of which it was: each a line to tap. */
function Choice({ field, value, onChange }: { field: FieldSpec; value: Entered; onChange: (v: string) => void }): ReactElement {
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, py: 0.5 }}>
      <Typography component="legend" sx={{ p: 0, pb: 0.5 }}>
        {field.label}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 0.75,
          gridTemplateColumns: (field.options ?? []).every((o) => o.label.length < 22) ? 'repeat(auto-fit, minmax(130px, 1fr))' : '1fr',
        }}
      >
        {(field.options ?? []).map((o) => (
          <Box
            key={o.value}
            component="label"
            sx={{
              minHeight: 52,
              border: 2,
              borderColor: value === o.value ? 'text.primary' : 'divider',
              bgcolor: value === o.value ? 'text.primary' : 'transparent',
              color: value === o.value ? 'background.default' : 'text.primary',
              borderRadius: 1,
              px: 1.5,
              py: 0.75,
              display: 'flex',
              alignItems: 'center',
              fontWeight: value === o.value ? 650 : 400,
              cursor: 'pointer',
              '&:focus-within': { outline: '3px solid var(--accent)', outlineOffset: 2 },
            }}
          >
            <input
              type="radio"
              name={field.key}
              checked={value === o.value}
              onChange={() => onChange(o.value)}
              aria-label={`${field.label}: ${o.label}`}
              style={{ position: 'absolute', opacity: 0, width: 1, height: 1 }}
            />
            {o.label}
          </Box>
        ))}
      </Box>
    </Box>
  )
}

function YesNo({
  field,
  value,
  onChange,
  inputRef,
}: {
  field: FieldSpec
  value: Entered
  onChange: (v: boolean) => void
  inputRef: (el: HTMLInputElement | null) => void
}): ReactElement {
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, display: 'flex', alignItems: 'center', gap: 1.5, minHeight: 60 }}>
      <Typography component="legend" sx={{ float: 'left', flexGrow: 1, p: 0 }}>
        {field.label}
      </Typography>
      {(
        [
          [say('steps.yes'), true],
          [say('steps.no'), false],
        ] as const
      ).map(([word, answer]) => (
        <Box
          key={word}
          component="label"
          sx={{
            minWidth: 68,
            minHeight: 56,
            border: 2,
            borderColor: value === answer ? 'text.primary' : 'divider',
            bgcolor: value === answer ? 'text.primary' : 'transparent',
            color: value === answer ? 'background.default' : 'text.primary',
            borderRadius: 1,
            display: 'grid',
            placeItems: 'center',
            fontWeight: 650,
            cursor: 'pointer',
            '&:focus-within': { outline: '3px solid var(--accent)', outlineOffset: 2 },
          }}
        >
          <input
            ref={answer ? inputRef : undefined}
            type="radio"
            name={field.key}
            checked={value === answer}
            onChange={() => onChange(answer)}
            aria-label={`${field.label}: ${word}`}
            style={{ position: 'absolute', opacity: 0, width: 1, height: 1 }}
          />
          {word}
        </Box>
      ))}
    </Box>
  )
}
