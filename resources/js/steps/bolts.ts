import type { Fact, StepState } from '../api/client'
import type { Waiting } from '../outbox/db'

/** One bolt in one pass of a plan. */
export interface PlanStep {
  seq: number
  pass: number
  bolt: number
  /** none where nuts are pulled up by turns */
  torque_nm?: number
  turns?: number
}

export interface BoltReading {
  id: string
  pass: number
  bolt: number
  torque_nm: number
}

const keyOf = (at: { pass: number; bolt: number }): string => `${at.pass}/${at.bolt}`

/** What was read so far at a step: stored, and on this device; what was superseded does not count. */
export function readingsOf(step: string, facts: Fact[], waiting: Waiting[]): BoltReading[] {
  const unsent = waiting.filter((w) => !w.refused && w.body.step === step && !facts.some((f) => f.id === w.body.id)).map((w) => w.body)
  const all = [...facts.filter((f) => f.step === step), ...unsent]
  const superseded = new Set(all.map((f) => f.supersedes).filter(Boolean))
  return all
    .filter((f) => !superseded.has(f.id))
    .map((f) => ({ id: f.id, pass: Number(f.value['pass']), bolt: Number(f.value['bolt']), torque_nm: torqueOf(f.value) }))
}

/** An unsent reading may still be in the unit in which it was typed: it stands there once the server has read it. */
const torqueOf = (value: Record<string, unknown>): number => (typeof value['torque_nm'] === 'number' ? value['torque_nm'] : NaN)

export interface Progress {
  plan: PlanStep[]
  /** "pass/bolt" => N·m, the last reading */
  read: Map<string, number>
  passes: number
  bolts: number
  /** what the plan still wants, in its order */
  left: PlanStep[]
  /** what the plan wants next; null when all is read */
  next: PlanStep | null
  /** the one after it */
  then: PlanStep | null
  /** bolts read in the pass of the next one, or in the last pass */
  inPass: number
  pass: number
}

/** How far the log is: the first step of the plan that was not read comes next. */
export function progressOf(plan: PlanStep[], readings: BoltReading[]): Progress {
  const read = new Map(readings.map((r) => [keyOf(r), r.torque_nm]))
  const left = plan.filter((s) => !read.has(keyOf(s)))
  const next = left[0] ?? null
  const pass = next?.pass ?? Math.max(1, ...plan.map((s) => s.pass))
  return {
    plan,
    read,
    left,
    next,
    then: left[1] ?? null,
    pass,
    passes: new Set(plan.map((s) => s.pass)).size,
    bolts: new Set(plan.map((s) => s.bolt)).size,
    inPass: plan.filter((s) => s.pass === pass && read.has(keyOf(s))).length,
  }
}

/** Bolts that the judgement calls bad: its codes name them, `low:3`, `over-pass:1/4`. */
export function badBolts(state: StepState): Set<number> {
  const codes = Object.values(state.results).flatMap((r) => ((r as { reasons?: unknown }).reasons ?? []) as unknown[])
  const named = codes.map((c) => /^(?:low|high|over-max|over-pass)(?::\d+)?[:/](\d+)$/.exec(String(c))?.[1])
  return new Set(named.filter((n) => n !== undefined).map(Number))
}
