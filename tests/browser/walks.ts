import { expect } from '@playwright/test'
import type { Subject } from '../../resources/js/api/client'
import { test } from './alone'
import type { Robot } from './robot'

/* What the walks through the procedures have in common. */

const SIGNED = 'inspector'

/** `bin/test robot` has every step of every procedure tapped, and prints the taps; among all other tests two procedures are. */
export const COUNTS = process.env['ROBOT_COUNTS'] === '1'

/** Those of which two joints of a day are tapped. */
export const DAILY = [
  { id: 'ef-coupler-one-pass', first: 90, second: 70 },
  { id: 'pvc-spigot-socket', first: 45, second: 45 },
]

/** Printed by `bin/test robot`. */
export function told(what: string, robot: Robot, from: number): void {
  const description = `robot ${what}: ${robot.taps} taps, ${Math.round((Date.now() - from) / 1000)} s`
  test.info().annotations.push({ type: 'robot', description })
}

export function isSound(walked: Subject): void {
  expect(['good', 'close'], walked.judgement.reasons.map((r) => r.text).join('\n')).toContain(walked.judgement.verdict)
  expect(walked.judgement.next).toBeNull()
  expect(walked.closed, `${SIGNED} signs and seals`).toContain('signed and sealed')
}
