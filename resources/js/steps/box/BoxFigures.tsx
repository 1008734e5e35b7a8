import { Box } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../../texts/say'
import { VerdictMark } from '../../ui/Verdict'
import { num } from './num'
import { Small } from './Small'

interface Props {
  /** what the procedure tells the box and shows beside it */
  device: Record<string, unknown>
  /** V before the fusion; null: nobody knows it */
  supply: number | null
  /** ohm, cold, as the box measured it; null: nobody knows it */
  cold: number | null
}

/** What the box is told, as the code and as the label have it, and what it sets. */
export function BoxFigures({ device, supply, cold }: Props): ReactElement {
  const [volts, planned, fitting] = [num(device['u_v']), num(device['t_s']), num(device['temp_c'])]
  const against = device['code_against_label']
  const differ = (key: string): boolean | null => (Array.isArray(against) ? against.includes(key) : null)
  return (
    <>
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          my: 1.5,
          '& th, & td': { textAlign: 'left', py: 0.75, borderTop: 1, borderColor: 'divider', fontWeight: 400 },
          '& td': { fontWeight: 700, fontSize: '1.2rem', fontVariantNumeric: 'tabular-nums' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">
              <span style={{ position: 'absolute', left: -9999 }}>{say('steps.what')}</span>
            </th>
            <th scope="col">{say('steps.code')}</th>
            <th scope="col">{say('steps.label')}</th>
            <th scope="col">
              <span style={{ position: 'absolute', left: -9999 }}>{say('steps.agree')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <Pair what={say('steps.voltage')} unit="V" code={num(device['code_u_v'])} label={volts} differ={differ('voltage_v')} />
          <Pair
            what={say('steps.time')}
            unit="s"
            code={num(device['code_t_s'])}
            label={num(device['label_t_s'])}
            differ={differ('time_s')}
          />
        </tbody>
      </Box>
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'auto 1fr',
          columnGap: 2,
          rowGap: 0.75,
          m: 0,
          mb: 2,
          '& dd': { m: 0, fontWeight: 700, fontSize: '1.2rem' },
        }}
      >
        <dt>{say('steps.boxSets')}</dt>
        <dd>
          {planned === null ? say('common.notKnownYet') : `${planned} s`}
          <Small>
            {planned !== null && fitting !== null && planned !== num(device['label_t_s']) ? say('steps.forC', { fitting }) : ''}
          </Small>
        </dd>
        <dt>{say('steps.supply')}</dt>
        <dd>
          {supply === null ? '–' : `${supply} V`}
          <Small>{between(device['supply_min_v'], device['supply_max_v'], 0)}</Small>
        </dd>
        <dt>{say('steps.winding')}</dt>
        <dd>
          {cold === null ? say('common.notKnown') : `${cold.toFixed(2)} Ω`}
          <Small>{between(device['r_min_ohm'], device['r_max_ohm'], 2)}</Small>
        </dd>
      </Box>
    </>
  )
}

const between = (low: unknown, high: unknown, decimals: number): string =>
  num(low) !== null && num(high) !== null
    ? say('steps.lowToHigh', { low: num(low)!.toFixed(decimals), high: num(high)!.toFixed(decimals) })
    : ''

/** One figure as the code has it and as the label has it; whether they differ, the core says. */
function Pair({
  what,
  unit,
  code,
  label,
  differ,
}: {
  what: string
  unit: string
  code: number | null
  label: number | null
  differ: boolean | null
}): ReactElement {
  return (
    <tr>
      <th scope="row">{what}</th>
      <td>{code === null ? '–' : `${code} ${unit}`}</td>
      <td>{label === null ? '–' : `${label} ${unit}`}</td>
      <td>{code !== null && label !== null && differ !== null && <VerdictMark verdict={differ ? 'bad' : 'good'} />}</td>
    </tr>
  )
}
