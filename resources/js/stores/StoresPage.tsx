import { Box, Button, Link as MuiLink, Switch, TextField, Typography } from '@mui/material'
import { useMemo, useState, type ReactElement } from 'react'
import { useSearchParams } from 'react-router'
import { api, type CodeLayout, type StoreItem, type StoreKind } from '../api/client'
import { useMe, useStoreKinds, useStores } from '../api/queries'
import { useVerb } from '../api/useVerb'
import { newId } from '../outbox/id'
import { FieldsEntry } from '../steps/FieldsEntry'
import { LayoutStrip } from '../steps/LayoutEntry'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { Sheet } from '../ui/Sheet'
import { VerdictMark } from '../ui/Verdict'
import { say } from '../texts/say'
import { Message } from '../texts/Message'

/** Cards, boxes, tools, power, code layouts: what there is, and until when each may be used. */
export default function StoresPage(): ReactElement {
  const stores = useStores()
  const kinds = useStoreKinds()
  const me = useMe()
  const [params, setParams] = useSearchParams()
  const [open, setOpen] = useState<{ kind: StoreKind; item: StoreItem | null } | null>(null)
  const [looked, setLooked] = useState<StoreItem | null>(null)
  const projects = me.data?.projects ?? []
  const project = projects.find((p) => String(p.id) === params.get('project')) ?? projects[0]
  if (!stores.data || !kinds.data || !project) return whileComing(stores.error ? stores : kinds, { to: '/', label: say('common.lines') })
  const items = stores.data.filter((i) => i.project_id === project.id)
  const due = items.filter((i) => i.verdict === 'bad')
  const unsettled = items.filter((i) => i.verdict === 'open').length
  return (
    <Page wide title={say('stores.stores')} up={{ to: '/', label: say('common.lines') }}>
      <Typography sx={{ fontSize: '1.15rem', my: 1.5 }}>
        {items.length === 0 ? (
          say('stores.areEmpty')
        ) : due.length === 0 ? (
          unsettled > 0 ? (
            say('stores.nothingIsOutOfDate', { count: unsettled })
          ) : (
            say('stores.everythingWithADateIsIn')
          )
        ) : (
          <>
            <Message
              id="stores.outOfDate"
              values={{
                due: due.map((i) => i.name).join(', '),
                count: due.length,
              }}
              parts={[<strong />]}
            />
          </>
        )}
      </Typography>
      {projects.length > 1 && (
        <Box sx={{ display: 'flex', gap: 1, mb: 2, flexWrap: 'wrap' }}>
          {projects.map((p) => (
            <Button
              key={p.id}
              variant={p.id === project.id ? 'contained' : 'outlined'}
              onClick={() => setParams({ project: String(p.id) })}
            >
              {p.name}
            </Button>
          ))}
        </Box>
      )}
      <Box sx={{ columns: { xs: 1, md: 2 }, columnGap: 6 }}>
        {kinds.data.map((kind) => {
          const here = items.filter((i) => i.kind === kind.kind)
          const may = kind.kind !== 'code-layout' || project.role === 'engineer'
          return (
            <Box component="section" key={kind.kind} aria-labelledby={`kind-${kind.kind}`} sx={{ breakInside: 'avoid', mb: 4 }}>
              <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
                <Typography id={`kind-${kind.kind}`} variant="h2" sx={{ flexGrow: 1 }}>
                  {kind.plural}
                </Typography>
                {may && (
                  <MuiLink
                    component="button"
                    onClick={() => setOpen({ kind, item: null })}
                    sx={{ font: 'inherit', py: 1, whiteSpace: 'nowrap' }}
                    aria-label={say('stores.addOne', { title: kind.title })}
                  >
                    {say('stores.add')}
                  </MuiLink>
                )}
              </Box>
              <Typography variant="body2" sx={{ mb: 0.5 }}>
                {kind.note}
              </Typography>
              {here.length === 0 && (
                <Typography sx={{ borderTop: 1, borderColor: 'divider', py: 1.25 }}>{say('stores.noneYet')}</Typography>
              )}
              {here.map((item) => (
                <Box
                  key={item.id}
                  sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 1.5, alignItems: 'flex-start' }}
                >
                  <Box sx={{ pt: 0.5 }}>
                    <VerdictMark verdict={item.verdict} />
                  </Box>
                  <Box sx={{ flexGrow: 1, minWidth: 0 }}>
                    <MuiLink
                      component="button"
                      onClick={() => setLooked(item)}
                      sx={{ font: 'inherit', fontWeight: 700, fontSize: '1.1rem', textAlign: 'left' }}
                    >
                      {item.name}
                    </MuiLink>
                    {item.summary && item.summary !== '–' && (
                      <Typography component="span" sx={{ color: 'text.secondary' }}>
                        {' '}
                        · {item.summary}
                      </Typography>
                    )}
                    <Typography
                      sx={{
                        color: item.verdict === 'bad' ? 'secondary.main' : 'text.primary',
                        fontWeight: item.verdict === 'bad' ? 700 : 400,
                      }}
                    >
                      {item.reasons[0]?.text}
                    </Typography>
                  </Box>
                  {may && (
                    <MuiLink
                      component="button"
                      onClick={() => setOpen({ kind, item })}
                      sx={{ font: 'inherit', py: 0.5 }}
                      aria-label={say('stores.changeOne', { name: item.name })}
                    >
                      {say('stores.change')}
                    </MuiLink>
                  )}
                </Box>
              ))}
            </Box>
          )
        })}
      </Box>
      {open && (
        <KeepSheet
          key={open.item?.id ?? open.kind.kind}
          kind={open.kind}
          item={open.item}
          project={project.id}
          onClose={() => setOpen(null)}
        />
      )}
      {looked && <LookSheet item={looked} kind={kinds.data.find((k) => k.kind === looked.kind)!} onClose={() => setLooked(null)} />}
    </Page>
  )
}

/** A new thing, or what is newly known of one: a renewal stands beside what was known, it does not overwrite it. */
function KeepSheet({
  kind,
  item,
  project,
  onClose,
}: {
  kind: StoreKind
  item: StoreItem | null
  project: number
  onClose: () => void
}): ReactElement {
  const [name, setName] = useState(item?.name ?? '')
  const [reason, setReason] = useState('')
  const [retired, setRetired] = useState(false)
  const [missing, setMissing] = useState<string[]>([])
  const start = useMemo(
    () =>
      Object.fromEntries(
        kind.fields
          .map((f) => {
            const value = item?.values[f.key]
            return [
              f.key,
              typeof value === 'number'
                ? String(value)
                : value === undefined
                  ? undefined
                  : (value as string | boolean | Record<string, unknown>),
            ] as const
          })
          .filter((e): e is [string, string | boolean | Record<string, unknown>] => e[1] !== undefined),
      ),
    [kind, item],
  )
  const keep = useVerb(
    (values: Record<string, unknown>) =>
      api.post('/stores', {
        id: newId(),
        project_id: project,
        kind: kind.kind,
        name: name.trim(),
        values,
        ...(item ? { supersedes: item.id, reason, retired } : {}),
      }),
    onClose,
  )
  const save = (values: Record<string, unknown>): void => {
    const lacking = [
      ...(name.trim() === '' ? [say('stores.isMissing', { named: kind.named })] : []),
      ...(item && reason.trim() === '' ? [say('stores.sayWhatHasChanged')] : []),
    ]
    setMissing(lacking)
    if (lacking.length === 0) keep.run(values)
  }
  const faults = missing.length > 0 ? missing : keep.said
  return (
    <Sheet open onClose={onClose} title={item ? `${kind.title}: ${item.name}` : say('stores.addOne', { title: kind.title })}>
      <TextField label={kind.named} value={name} onChange={(e) => setName(e.target.value)} sx={{ mt: 1, mb: 1 }} />
      {item && (
        <TextField
          label={say('stores.whatHasChanged')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          placeholder={say('stores.calibratedRenewedBladeChanged')}
          sx={{ mb: 1 }}
        />
      )}
      {item && (
        <Box component="label" sx={{ display: 'flex', gap: 1, alignItems: 'center', minHeight: 56 }}>
          <Switch checked={retired} onChange={(e) => setRetired(e.target.checked)} />
          {say('stores.takeItOutOfTheStores')}
        </Box>
      )}
      {faults.length > 0 && (
        <Box role="alert" sx={{ color: 'secondary.main', fontWeight: 700, my: 1 }}>
          {faults.map((f) => (
            <div key={f}>{f}</div>
          ))}
        </Box>
      )}
      <FieldsEntry step={{ fields: kind.fields }} project={project} start={start} label={say('stores.keep')} onRecord={save} />
    </Sheet>
  )
}

function LookSheet({ item, kind, onClose }: { item: StoreItem; kind: StoreKind; onClose: () => void }): ReactElement {
  const [history, setHistory] = useState<StoreItem[] | null>(null)
  const [code, setCode] = useState('')
  const [read, setRead] = useState<string | null>(null)
  const layout = item.values['layout'] as CodeLayout | undefined
  const decode = async (): Promise<void> => {
    try {
      const out = await api.post<Record<string, number | null>>('/calculations/fitting-code', { code, layout })
      const corrected = out['correction_pct_per_k'] ? [say('stores.perK', { correctionPctPerK: out['correction_pct_per_k'] })] : []
      setRead(
        [
          say('common.mm', { mm: out['dn_mm'] }),
          `${out['voltage_v']} V`,
          `${out['time_s']} s`,
          `${out['resistance_ohm']} Ω`,
          ...corrected,
        ].join(', '),
      )
    } catch (error) {
      setRead((error as Error).message)
    }
  }
  return (
    <Sheet open onClose={onClose} title={item.name}>
      <Typography sx={{ fontWeight: 700 }}>
        {item.reasons[0]?.text} {item.reasons[0]?.do}
      </Typography>
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'auto 1fr',
          columnGap: 2,
          rowGap: 0.75,
          my: 1.5,
          '& dd': { m: 0, fontWeight: 700, overflowWrap: 'anywhere' },
        }}
      >
        {kind.fields
          .filter((f) => f.type !== 'layout' && item.values[f.key] !== undefined)
          .map((f) => [
            <dt key={f.key}>{f.label}</dt>,
            <dd key={`${f.key}=`}>
              {typeof item.values[f.key] === 'boolean' ? say(item.values[f.key] ? 'common.yes' : 'common.no') : String(item.values[f.key])}
            </dd>,
          ])}
      </Box>
      {layout && (
        <>
          <LayoutStrip layout={layout} {...(code.length === 24 ? { code } : {})} />
          <Box sx={{ display: 'flex', gap: 1, my: 1 }}>
            <TextField
              label={say('stores.readACodeByIt24')}
              value={code}
              onChange={(e) => setCode(e.target.value.replace(/\s/g, ''))}
              slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            />
            <Button variant="outlined" onClick={() => void decode()}>
              {say('stores.read')}
            </Button>
          </Box>
          {read && (
            <Typography role="status" sx={{ fontWeight: 700 }}>
              {read}
            </Typography>
          )}
        </>
      )}
      <Typography variant="body2">{say('stores.enteredBy', { by: item.by, at: item.at.slice(0, 10) })}</Typography>
      {history === null ? (
        <Button variant="outlined" sx={{ mt: 1 }} onClick={() => void api.get<StoreItem[]>(`/stores/${item.id}/history`).then(setHistory)}>
          {say('stores.whatWasKnownBefore')}
        </Button>
      ) : history.length < 2 ? (
        <Typography sx={{ mt: 1 }}>{say('stores.nothingElseWasKnownBefore')}</Typography>
      ) : (
        history.slice(1).map((h) => (
          <Typography key={h.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
            {h.at.slice(0, 10)}, {h.by}:{' '}
            {kind.fields
              .filter((f) => f.type !== 'layout' && h.values[f.key] !== undefined)
              .map((f) => `${f.label.toLowerCase()} ${String(h.values[f.key])}`)
              .join(', ')}
          </Typography>
        ))
      )}
    </Sheet>
  )
}
