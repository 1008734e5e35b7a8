import { describe, expect, it } from 'vitest'
import type { DayPage } from '../api/client'
import { dateOf, datesOf, onDate, spellsOf, waysOfClamps, type Spell, type Time } from './spells'

const at = (clock: string): string => `2026-11-30T${clock}:00Z`
const joint = (number: string, clocks: string[], waits = 0): DayPage['joints'][number] => {
  const [prepare, ready, fit, fuse, joined, cold] = clocks.map(at)
  return {
    id: number,
    number,
    chainage_m: 0,
    begun: false,
    open_from: null,
    opened_at: null,
    prepare_from: prepare!,
    ready_at: ready!,
    fit_from: fit!,
    fuse_from: fuse!,
    joined_at: joined!,
    cold_at: cold!,
    waits_min: waits,
  }
}
const page = (joints: DayPage['joints'], made: DayPage['made'] = []): DayPage => ({ joints, made, attached: [] }) as unknown as DayPage
const clamped = (...times: Time[]): Spell[] =>
  times.map((clamps, i) => ({
    id: String(i),
    number: String(i),
    done: false,
    bad: false,
    hangs: false,
    open: null,
    prepare: null,
    wait: null,
    fit: null,
    fuse: null,
    cool: null,
    clamps,
  }))

describe('joints against the clock', () => {
  it('has an act for each time, and none where there is none', () => {
    const [fused, pushed] = spellsOf(
      page([
        joint('7', ['08:00', '08:20', '08:50', '09:00', '09:05', '09:25'], 30),
        joint('8', ['09:00', '09:10', '09:10', '09:18', '09:18', '09:18']),
      ]),
    )
    expect(fused!.wait).toEqual([Date.parse(at('08:20')), Date.parse(at('08:50'))])
    expect(fused!.clamps).toEqual([Date.parse(at('08:50')), Date.parse(at('09:25'))])
    expect([pushed!.wait, pushed!.fuse, pushed!.cool, pushed!.clamps]).toEqual([null, null, null, null])
  })

  it('draws of a joint that was made what its record tells, and its clamps until they came off', () => {
    const made = {
      ...joint('6', ['07:00', '07:20', '07:25', '07:30', '07:34', '07:54']),
      verdict: 'bad',
      free_at: at('08:01'),
    } as unknown as DayPage['made'][number]
    const [spell] = spellsOf(page([], [made]))
    expect(spell).toMatchObject({ done: true, bad: true, wait: null })
    expect(spell!.clamps![1]).toBe(Date.parse(at('08:01')))
    const [bare] = spellsOf(page([], [{ ...made, ready_at: null, prepare_from: null, cold_at: null }]))
    expect([bare!.prepare, bare!.cool, bare!.clamps]).toEqual([null, null, null])
  })

  it('puts what hangs on the line where it is made, without clamps, and the machine beside what it opens', () => {
    const opened = { ...joint('7', ['08:00', '08:20', '08:50', '09:00', '09:05', '09:25']), open_from: at('08:10'), opened_at: at('08:50') }
    const hung = {
      id: '6S',
      number: '6S',
      chainage_m: 0,
      prepare_from: at('08:20'),
      fuse_from: at('08:40'),
      joined_at: at('08:42'),
      cold_at: at('09:02'),
    }
    const [saddle, joined] = spellsOf({ ...page([opened]), attached: [hung] })
    expect(saddle).toMatchObject({ number: '6S', hangs: true, clamps: null, fit: null })
    expect(saddle!.cool).toEqual([Date.parse(at('08:42')), Date.parse(at('09:02'))])
    expect(joined!.open).toEqual([Date.parse(at('08:10')), Date.parse(at('08:50'))])
  })

  it('knows days by the clock of the place', () => {
    expect(dateOf(Date.parse('2026-11-30T23:30:00Z'), 'Europe/Vienna')).toBe('2026-12-01')
    const late = spellsOf(page([joint('9', ['22:00', '22:20', '22:20', '22:30', '22:40', '23:20'])]))
    expect(datesOf(late, Date.parse('2026-12-02T09:00:00Z'), 'Europe/Vienna')).toEqual(['2026-11-30', '2026-12-01', '2026-12-02'])
    expect(onDate(late, '2026-12-01', 'Europe/Vienna')).toHaveLength(1)
    expect(onDate(late, '2026-12-02', 'Europe/Vienna')).toHaveLength(0)
  })

  it('leads each set of clamps from joint to joint', () => {
    expect(waysOfClamps(clamped([0, 10], [12, 20], [25, 30]))).toEqual([[0, 1, 2]])
    expect(waysOfClamps(clamped([0, 10], [5, 20], [10, 30], [21, 40]))).toEqual([
      [0, 2],
      [1, 3],
    ])
  })
})
