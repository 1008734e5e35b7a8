import 'fake-indexeddb/auto'
import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { createElement, useState, type ReactElement, type ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { CodeLayout, FieldSpec, StoreItem } from '../api/client'
import { queries } from '../api/queries'
import { store } from '../outbox/db'
import { setPerson, tell } from '../outbox/outbox'
import { CouplerSection } from '../ui/CouplerSection'
import { Page } from '../ui/Page'
import { LookProvider } from '../ui/settings'
import { Sentence } from '../ui/Verdict'
import { BoxEntry } from './BoxEntry'
import { ItemEntry, usedLast } from './ItemEntry'
import { LayoutEntry, LayoutStrip } from './LayoutEntry'

vi.mock('../core/core', () => ({ askCore: async () => null, keepCore: async () => undefined, keeping: async () => undefined }))
vi.mock('./charts', () => ({ FusionChart: () => null, LogChart: () => null }))

const around = (children: ReactNode): ReactElement =>
  createElement(QueryClientProvider, { client: queries }, createElement(LookProvider, null, createElement(MemoryRouter, null, children)))
const item = (name: string, kind: string, verdict: string, text: string): StoreItem =>
  ({
    id: `id-${name}`,
    thing_id: `thing-${name}`,
    project_id: 1,
    kind,
    name,
    verdict,
    values: {},
    summary: null,
    snapshot: { id: `id-${name}`, name },
    reasons: [{ verdict, text, do: 'Out of use until it is done.', limit: null }],
    by: '',
    at: '',
  }) as unknown as StoreItem
const BOXES = [
  item('Box 2', 'fusion-box', 'good', 'Calibrated until 2027-04-25.'),
  item('Box 4', 'fusion-box', 'bad', 'Calibration was due on 2026-11-21.'),
]
const BRAM = { id: 7, name: 'Bram Ivesley' }
const FIELD = { key: 'box', label: 'Fusion box', type: 'item', of: 'fusion-box' } as FieldSpec

beforeEach(async () => {
  await Promise.all([store.waiting.clear(), store.photos.clear(), store.runs.clear()])
  tell()
  localStorage.clear()
  queries.clear()
  queries.setQueryData(['me'], { name: 'Bram Ivesley', units: 'metric', projects: [{ id: 1, role: 'joiner' }] })
  queries.setQueryData(['units'], { length: { mm: { symbol: 'mm', factor: 0.001, offset: 0 } } })
  queries.setQueryData(['stores'], BOXES)
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network')
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

function Chosen({ onChange }: { onChange: (v: unknown) => void }): ReactElement {
  const [value, setValue] = useState<(Record<string, unknown> & { id: string; name: string }) | null>(null)
  return (
    <ItemEntry
      field={FIELD}
      value={value}
      project={1}
      onChange={(v) => {
        setValue(v)
        onChange(v)
      }}
    />
  )
}

test('what is out of date is said before it is taken, and stays beside it', async () => {
  const taken: unknown[] = []
  render(around(<Chosen onChange={(v) => taken.push(v)} />))
  fireEvent.click(screen.getByRole('button', { name: 'Fusion box: choose' }))
  fireEvent.click(await screen.findByRole('button', { name: /Box 4.*Calibration was due on 2026-11-21\./ }))
  expect(await screen.findByText(/Calibration was due on 2026-11-21\. Out of use until it is done\./)).toBeTruthy()
  expect(taken).toEqual([{ id: 'id-Box 4', name: 'Box 4' }])
})

test("the next joint is offered what was used last, one's own, or the only one there is", () => {
  expect(usedLast('fusion-box', BOXES, 'Bram Ivesley')).toBeNull()
  localStorage.setItem('stores-used', JSON.stringify({ 'fusion-box': 'thing-Box 2' }))
  expect(usedLast('fusion-box', BOXES, undefined)?.name).toBe('Box 2')
  expect(
    usedLast(
      'fusion-box',
      [item('Box 2, renewed', 'fusion-box', 'good', '')].map((i) => ({ ...i, thing_id: 'thing-Box 2' }) as StoreItem),
      undefined,
    )?.name,
  ).toBe('Box 2, renewed')
  const cards = [item('Odile Fenner', 'operator-card', 'good', ''), item('Bram Ivesley', 'operator-card', 'good', '')]
  expect(usedLast('operator-card', cards, 'Bram Ivesley')?.name).toBe('Bram Ivesley')
  expect(usedLast('circumference-tape', [item('Tape 11', 'circumference-tape', 'good', '')], undefined)?.name).toBe('Tape 11')
})

const layout = (fields: Record<string, unknown>): CodeLayout => ({ fields }) as unknown as CodeLayout

test('a layout shows each digit under what it holds, free ones and the check digit too', () => {
  render(around(<LayoutStrip layout={layout({ dn_mm: { from: 7, to: 9 }, time: { from: 19, to: 21 } })} code="010000110395160210150022" />))
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
    'digits 1 to 6: free; digits 7 to 9: dn_mm; digits 10 to 18: free; ' +
      'digits 19 to 21: time; digits 22 to 23: free; digits 24 to 24: check',
  )
})

test('a field is laid on a layout, a list of digits is read, and it can be taken off again', () => {
  const seen: CodeLayout[] = []
  const shown = render(around(<LayoutEntry value={layout({ dn_mm: { from: 1, to: 3 } })} onChange={(l) => seen.push(l)} />))
  fireEvent.click(screen.getByRole('button', { name: '+ Voltage, V' }))
  expect(seen.at(-1)).toEqual({ fields: { dn_mm: { from: 1, to: 3 }, voltage_v: { from: 4, to: 4 } } }) // the first digit that is free
  fireEvent.blur(screen.getByLabelText('times, or a list'), { target: { value: '01 = 110; 02=160, x = y' } })
  // What is no number is not dropped: the server names it.
  expect(seen.at(-1)?.fields['dn_mm']).toEqual({ from: 1, to: 3, values: { '01': 110, '02': 160, x: 'y' } })
  fireEvent.blur(screen.getByLabelText('times, or a list'), { target: { value: '0,1' } })
  expect(seen.at(-1)?.fields['dn_mm']).toMatchObject({ scale: 0.1 })
  fireEvent.click(screen.getByRole('button', { name: 'Remove Size, mm' }))
  expect(seen.at(-1)).toEqual({ fields: {} })
  shown.rerender(around(<LayoutEntry value={null} onChange={() => undefined} fault="digit 16 belongs to time already." />))
  expect(screen.getByRole('alert').textContent).toBe('digit 16 belongs to time already.')
})

const DEVICE = {
  u_v: 39.5,
  t_s: 153,
  r_ohm: 1.6,
  temp_c: 14,
  code_u_v: 39.5,
  code_t_s: 150,
  label_t_s: 150,
  code_against_label: [] as string[],
  supply_v: 230,
  r_min_ohm: 1.44,
  r_max_ohm: 1.86,
  supply_min_v: 200,
  supply_max_v: 260,
  cooling_min: 12,
}
const box = (device: Record<string, unknown>, begun: { trace: string; part: number } | null = null, practice = true): ReactElement => {
  queries.setQueryData(['stand-ins', 'fusion-box'], {
    none: {
      about: 'healthy fusion',
      supply_ratio: 1,
      r_ratio: 1,
      samples: [
        [0, 1, 1],
        [0.5, 1, 1],
        [1, 1, 1],
      ],
    },
  })
  return around(
    <BoxEntry
      practice={practice}
      zone="Europe/Vienna"
      subject="subjects/joint/1"
      stepKey="fusion"
      device={device}
      tolerance={1.5}
      action="Fuse"
      begun={begun}
      onDone={() => undefined}
    />,
  )
}

test('the fusion page holds code against label and says what the box sets', () => {
  render(box({ ...DEVICE, code_t_s: 160, code_against_label: ['time_s'] }))
  const rows = screen.getAllByRole('row').map((r) => [r.textContent, r.querySelector('[role=img]')?.getAttribute('aria-label')])
  expect(rows).toContainEqual(['Voltage39.5 V39.5 V', 'Good'])
  expect(rows).toContainEqual(['Time160 s150 s', 'Bad'])
  expect(screen.getByText('153 s').textContent).toContain('for 14 °C')
})

test('the box is played for the fitting at hand: its volts, its seconds, its ohms', async () => {
  render(box(DEVICE))
  fireEvent.click(screen.getByRole('button', { name: 'Fuse' }))
  await waitFor(async () =>
    expect((await store.runs.get('subjects/joint/1/fusion'))?.samples).toEqual([
      [0, 39.5, 24.688],
      [76.5, 39.5, 24.688],
      [153, 39.5, 24.688],
    ]),
  )
  expect((await store.runs.get('subjects/joint/1/fusion'))?.extra).toEqual({ cold_r_ohm: 1.6, supply_v: 230, source: 'stand-in' })
  await store.runs.clear()
})

test('where the work is real the file comes first, and the stand-in is looked for and proves nothing', () => {
  render(box(DEVICE, null, false))
  expect(screen.queryByRole('button', { name: 'Fuse' })).toBeNull()
  expect(screen.getByRole('button', { name: 'Load a trace from a file' })).toBeTruthy()
  // Supply and winding are the real box's to show.
  expect(screen.queryByText('230 V')).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: 'No device here: see how a stand-in plays it' }))
  expect(screen.getByText(/proves nothing of this work, and nobody can sign on it/)).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Fuse' })).toBeTruthy()
})

test('without the resistance no box is set, and it says why', () => {
  render(box({ ...DEVICE, r_ohm: null }))
  expect((screen.getByRole('button', { name: 'Fuse' }) as HTMLButtonElement).disabled).toBe(true)
  expect(screen.getByText(/the resistance of the fitting is not known\. Enter it at the label\./)).toBeTruthy()
})

test('a fusion that began elsewhere is never started a second time: only its file completes it', () => {
  render(box(DEVICE, { trace: 't', part: 3 }))
  expect(screen.queryByRole('button', { name: 'Fuse' })).toBeNull()
  expect(screen.getByText('It was begun here, and its end has not come yet.')).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Load a trace from a file' })).toBeTruthy()
})

test('a fusion that runs here shows what is left and whether the voltage holds', async () => {
  await store.runs.put({
    key: 'subjects/joint/1/fusion',
    subject: 'subjects/joint/1',
    step: 'fusion',
    trace: 't',
    startedAt: Date.now() - 60_000,
    speed: 1,
    samples: [
      [0, 39.5, 24.7],
      [30, 39.4, 24.6],
      [59, 37.9, 23.7],
      [153, 39.5, 24.7],
    ],
    secondsPerUnit: 1,
    sent: 0,
    part: 0,
    extra: {},
  })
  render(box(DEVICE))
  expect((await screen.findByRole('timer')).textContent).toBe('94 s left')
  expect(screen.getByText(/^37\.9 V, 23\.7 A/).textContent).toContain('outside 38.9 to 40.1 V')
  expect(screen.getByText(/12 min in the clamp, untouched; off about \d\d:\d\d\./)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Stop it' }))
  await waitFor(async () => expect((await store.runs.get('subjects/joint/1/fusion'))?.stopped).toBe(true))
})

test('what waits to be sent is named as people call it; a photo counts, a refused one can be dropped', async () => {
  await store.waiting.add({
    id: 'w',
    subject: 'subjects/joint/1',
    title: 'Peel, pipe 036',
    body: { id: 'w', step: 'scrape@a', value: {}, recorded_at: '2026-05-04T10:00:00+02:00' },
  })
  await store.photos.add({
    id: 'p',
    subject: 'subjects/joint/1',
    step: 'look',
    takenAt: '2026-05-04T10:05:00+02:00',
    picture: new Blob(['x']),
    refused: 'The file is no picture.',
    by: BRAM,
  })
  await store.waiting.add({
    id: 'o',
    subject: 'subjects/joint/1',
    title: 'Fusion',
    body: { id: 'o', step: 'fusion', value: {}, recorded_at: '2026-05-04T10:07:00+02:00' },
    refused: 'No.',
    by: { id: 8, name: 'Odile Fenner' },
  })
  await store.waiting.add({
    id: 'q',
    subject: 'subjects/joint/1',
    title: 'Gap',
    body: { id: 'q', step: 'gap', value: {}, recorded_at: '2026-05-04T10:08:00+02:00' },
    by: { id: 8, name: 'Odile Fenner' },
  })
  queries.setQueryData(['me'], { ...BRAM, email: 'b@x.example', units: 'metric', projects: [] })
  setPerson(BRAM)
  tell()
  render(around(<Page title="Joint">text</Page>))
  fireEvent.click(await screen.findByRole('button', { name: /4 not yet sent · 2 refused/ }))
  expect(screen.getByText('Peel, pipe 036')).toBeTruthy()
  expect(screen.getByRole('button', { name: 'It was me, Bram Ivesley' })).toBeTruthy()
  expect(screen.getByText('10:08 · recorded by Odile Fenner, waits until Odile Fenner signs in here')).toBeTruthy()
  expect(screen.getByText('10:05 · refused: The file is no picture.')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Drop it' }))
  expect(await store.photos.count()).toBe(1)
  fireEvent.click(screen.getByRole('button', { name: /^Drop “.*” for good$/ }))
  await waitFor(async () => expect(await store.photos.count()).toBe(0))
  // What is another's is neither dropped nor sent from here.
  expect(await store.waiting.count()).toBe(3)
})

test('a coupling is drawn with what is known: marks, peel, the gap widened by a stated factor; nothing from nothing', () => {
  const { rerender, container } = render(
    around(
      <CouplerSection
        of={{
          coupling_mm: 160,
          wall_mm: 10,
          od_mm: 110,
          mark_a_mm: 80,
          mark_b_mm: 74,
          peel_a_mm: 100,
          peel_b_mm: 100,
          gap_max_mm: 1.4,
          gap_min_mm: 0.2,
          gap_at: '6:00',
          gap_limit_mm: 1.5,
        }}
      />,
    ),
  )
  const text = container.textContent ?? ''
  expect(text).toContain('mark 80 mm')
  expect(text).toContain('mark 74 mm')
  expect(text).toMatch(/smallest 0\.20 mm/)
  expect(text).toContain('largest gap 1.40 mm, at 6:00')
  expect(text).toMatch(/gap drawn \d+ times as wide/)
  rerender(around(<CouplerSection of={{ coupling_mm: 160, wall_mm: 10 }} />))
  expect(container.querySelector('svg')).toBeNull()
})

test('a figure stays with its unit, and the text is what it was', () => {
  const { container } = render(
    around(
      <Sentence verdict="bad" act="Wait 15 min, then measure again.">
        Wash 360 mm, box 39.5 V at 0.6 %/K for 150 s.
      </Sentence>,
    ),
  )
  expect([...container.querySelectorAll('span[style*="nowrap"]')].map((s) => s.textContent)).toEqual([
    '360 mm',
    '39.5 V',
    '0.6 %/K',
    '150 s',
    '15 min',
  ])
  expect(container.textContent).toContain('Bad: Wash 360 mm, box 39.5 V at 0.6 %/K for 150 s.')
})
