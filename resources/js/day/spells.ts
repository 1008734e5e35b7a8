import type { DayPage } from '../api/client'

/** A stretch of time, ms since 1970. */
export type Time = [from: number, to: number]

/** A joint against the clock; what is not known of it, or was not there, is null. */
export interface Spell {
  id: string
  number: string
  /** it is joined: what stands is a record; else it is planned */
  done: boolean
  bad: boolean
  /** it hangs on the line: a saddle, a restraint */
  hangs: boolean
  /** a machine opens the trench for it */
  open: Time | null
  prepare: Time | null
  /** it stands ready */
  wait: Time | null
  fit: Time | null
  fuse: Time | null
  cool: Time | null
  /** its clamps are on */
  clamps: Time | null
}

const ms = (at: string | null): number | null => (at === null ? null : Date.parse(at))
const time = (from: number | null, to: number | null): Time | null => (from === null || to === null || to < from ? null : [from, to])

/** What was joined and what is to come, in the order in which it is fitted. */
export function spellsOf(page: DayPage): Spell[] {
  const made = page.made.map((joint): Spell => {
    const [first, ready, fit, on, off] = [joint.prepare_from, joint.ready_at, joint.fit_from, joint.fuse_from, joint.joined_at].map(ms)
    const cold = ms(joint.cold_at)
    const free = ms(joint.free_at)
    return {
      id: joint.id,
      number: joint.number,
      done: true,
      bad: joint.verdict === 'bad',
      hangs: joint.hangs,
      open: null,
      prepare: time(first!, ready!),
      wait: null,
      fit: time(ready ?? fit!, on ?? off!),
      fuse: time(on!, off!),
      cool: time(off!, cold),
      clamps: cold === null || joint.hangs ? null : time(fit ?? on!, free ?? cold),
    }
  })
  const planned = page.joints.map((joint): Spell => {
    const [first, ready, fit, on, off, cold] = [
      joint.prepare_from,
      joint.ready_at,
      joint.fit_from,
      joint.fuse_from,
      joint.joined_at,
      joint.cold_at,
    ].map(ms)
    const cools = cold! > off!
    return {
      id: joint.id,
      number: joint.number,
      done: false,
      bad: false,
      hangs: false,
      open: time(ms(joint.open_from), ms(joint.opened_at)),
      prepare: time(first!, ready!),
      wait: joint.waits_min > 0 ? time(ready!, fit!) : null,
      fit: time(fit!, on!),
      fuse: off! > on! ? time(on!, off!) : null,
      cool: cools ? time(off!, cold!) : null,
      clamps: cools ? time(fit!, cold!) : null,
    }
  })
  const hung = page.attached.map((joint): Spell => {
    const [first, on, off, cold] = [joint.prepare_from, joint.fuse_from, joint.joined_at, joint.cold_at].map(ms)
    return {
      id: joint.id,
      number: joint.number,
      done: false,
      bad: false,
      hangs: true,
      open: null,
      prepare: time(first!, on!),
      wait: null,
      fit: null,
      fuse: off! > on! ? time(on!, off!) : null,
      cool: cold! > off! ? time(off!, cold!) : null,
      clamps: null,
    }
  })
  const begins = ({ fit, prepare }: Spell): number => (fit ?? prepare)?.[0] ?? 0
  return [...made, ...[...planned, ...hung].sort((a, b) => begins(a) - begins(b))]
}

const all = (spell: Spell): number[] =>
  [spell.open, spell.prepare, spell.wait, spell.fit, spell.fuse, spell.cool, spell.clamps].flatMap((part) => part ?? [])

export const firstOf = (spell: Spell): number => Math.min(...all(spell))
export const lastOf = (spell: Spell): number => Math.max(...all(spell))

/** "2026-11-30": the day at the place. */
export const dateOf = (at: number, zone: string): string => new Date(at).toLocaleDateString('en-CA', { timeZone: zone })

/** Days at the place on which something is done or cools, and the one on which the test may begin; rising. */
export function datesOf(spells: Spell[], test: number | null, zone: string): string[] {
  const dates = spells.flatMap((spell) => all(spell).map((at) => dateOf(at, zone)))
  if (test !== null) dates.push(dateOf(test, zone))
  return [...new Set(dates)].sort()
}

/** Those of which something falls on a day. */
export const onDate = (spells: Spell[], date: string, zone: string): Spell[] =>
  spells.filter((spell) => all(spell).length > 0 && dateOf(firstOf(spell), zone) <= date && dateOf(lastOf(spell), zone) >= date)

/** The way of each set of clamps from joint to joint: indices of the spells, in their order. */
export function waysOfClamps(spells: Spell[]): number[][] {
  const ways: number[][] = []
  const order = spells.flatMap((spell, i) => (spell.clamps ? [i] : [])).sort((a, b) => spells[a]!.clamps![0] - spells[b]!.clamps![0])
  for (const i of order) {
    const from = spells[i]!.clamps![0]
    // Of the sets that are off by then the one that came off last.
    const [way] = ways
      .filter((known) => spells[known[known.length - 1]!]!.clamps![1] <= from)
      .sort((a, b) => spells[b[b.length - 1]!]!.clamps![1] - spells[a[a.length - 1]!]!.clamps![1])
    if (way) way.push(i)
    else ways.push([i])
  }
  return ways
}
