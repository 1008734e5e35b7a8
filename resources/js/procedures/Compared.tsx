import { Box, Button, Link, Typography } from '@mui/material'
import { Fragment, useState, type ReactElement, type ReactNode } from 'react'
import { Link as RouterLink } from 'react-router'
import type { ProcedureShort } from '../api/client'
import { say } from '../texts/say'
import { useLimit } from './useLimit'

const CERTAINTY: Record<string, string> = {
  std: say('procedures.standard'),
  practice: say('procedures.commonPractice'),
  memory: say('procedures.fromMemoryConfirmIt'),
  project: say('procedures.project'),
}

type Limits = Record<string, { value: string | number | boolean; label?: string; source?: string; certainty?: string }>
const limitsOf = (p: ProcedureShort): Limits => (p.parameters ?? {}) as Limits
const stepsOf = (p: ProcedureShort): { id: string; title: string }[] => p.steps ?? []

/** The schools side by side: first where they differ, the rest on demand; the source in full where one looks closer. */
export function Compared({ shown }: { shown: ProcedureShort[] }): ReactElement {
  const [all, setAll] = useState(false)
  const names = [...new Set(shown.flatMap((p) => Object.keys(limitsOf(p))))]
  const isAlike = (name: string): boolean => new Set(shown.map((p) => JSON.stringify(limitsOf(p)[name]?.value ?? null))).size === 1
  const differing = shown.length > 1 ? names.filter((n) => !isAlike(n)) : names
  const alike = names.filter((n) => !differing.includes(n))
  const steps = [...new Map(shown.flatMap(stepsOf).map((s) => [s.id, s.title])).entries()].filter(
    ([id]) => !shown.every((p) => stepsOf(p).some((s) => s.id === id)),
  )
  const heading = (text: ReactNode): ReactElement => (
    <tr>
      <th scope="colgroup" colSpan={shown.length + 1} style={{ paddingTop: 24 }}>
        {text}
      </th>
    </tr>
  )
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={say('procedures.limitsBySchool')}>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          minWidth: Math.max(700, 240 + 190 * shown.length),
          width: '100%',
          '& th, & td': { textAlign: 'left', verticalAlign: 'top', borderTop: 1, borderColor: 'divider', py: 1.25, pr: 3 },
        }}
      >
        <thead>
          <tr>
            <th scope="col">{say('procedures.limit')}</th>
            {shown.map((p) => (
              <th scope="col" key={p.hash}>
                {p.title}
                {p.own ? ` (${say('procedures.own')})` : ''}
                <Typography variant="body2" sx={{ fontWeight: 400 }}>
                  {say('procedures.schoolAndVersion', { school: p.school, version: p.version })}
                </Typography>
                <Typography sx={{ fontWeight: 400, display: 'flex', gap: 2 }}>
                  <Link component={RouterLink} to={`/procedures/${p.hash}`} aria-label={`${say('procedures.readIt')}: ${p.title}`}>
                    {say('procedures.readIt')}
                  </Link>
                  <Link component={RouterLink} to={`/procedures/${p.hash}/adapt`} aria-label={say('procedures.adapt', { title: p.title })}>
                    {say('procedures.adaptIt')}
                  </Link>
                </Typography>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.length > 1 && heading(say('procedures.whereTheyDiffer'))}
          {differing.map((n) => (
            <LimitRow key={n} name={n} shown={shown} />
          ))}
          {steps.length > 0 && (
            <>
              {heading(say('procedures.stepsThatNotAllHave'))}
              {steps.map(([id, title]) => (
                <tr key={id}>
                  <th scope="row" style={{ fontWeight: 400 }}>
                    {title}
                  </th>
                  {shown.map((p) => (
                    <td key={p.hash}>{stepsOf(p).some((s) => s.id === id) ? say('procedures.has') : '–'}</td>
                  ))}
                </tr>
              ))}
            </>
          )}
          {alike.length > 0 &&
            heading(
              <Button onClick={() => setAll(!all)} aria-expanded={all} sx={{ px: 0 }}>
                {say('procedures.alikeInAll', { count: alike.length })}
              </Button>,
            )}
          {all && alike.map((n) => <LimitRow key={n} name={n} shown={shown} />)}
        </tbody>
      </Box>
    </Box>
  )
}

function LimitRow({ name, shown }: { name: string; shown: ProcedureShort[] }): ReactElement {
  const [open, setOpen] = useState(false)
  const limit = useLimit()
  const label = shown.map((p) => limitsOf(p)[name]?.label).find(Boolean) ?? name
  return (
    <tr>
      <th scope="row" style={{ fontWeight: 400 }}>
        <Button
          onClick={() => setOpen(!open)}
          aria-expanded={open}
          aria-label={say('procedures.showSources', { limit: label })}
          sx={{ px: 0, py: 0, minHeight: 44, fontWeight: 400, textAlign: 'left', justifyContent: 'flex-start' }}
        >
          {label}
        </Button>
      </th>
      {shown.map((p) => {
        const q = limitsOf(p)[name]
        return (
          <td key={p.hash}>
            {q ? (
              <Fragment>
                <strong>{limit(name, q.value)}</strong>
                <Typography variant="body2">{CERTAINTY[q.certainty ?? ''] ?? q.certainty}</Typography>
                {open && <Typography variant="body2">{q.source}</Typography>}
              </Fragment>
            ) : (
              '–'
            )}
          </td>
        )
      })}
    </tr>
  )
}
