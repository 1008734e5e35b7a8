import { expect, test } from '@playwright/test'
import type { ProcedureText } from '../../resources/js/api/client'
import { example, lasts } from './examples'
import { crew, keyed, type People } from './place'
import { recorded } from './recorded'
import { Robot } from './robot'
import type { MadeLine } from './trench'

/*
 * A sewer from the plan to the day on which it can be tested: laid out, laid with a pipe turned down on the way, levelled, bedded in
 * with a soft place that is compacted anew, its first pipes measured, covered.
 */

const NOW = Date.now()
const MINUTE = 60_000
const JOINTS = 12

/** Thirteen pipes of 6 m on a curve of 400 m radius: each joint turns by 0.86°, and 0.9° are used. */
async function sewer(people: People): Promise<MadeLine> {
  const known = await keyed(people.engineer)
  const me = await people.engineer.get<{ projects: { id: number }[] }>('me')
  const at = (m: number): number[] => [m, 400 * (1 - Math.cos(m / 400)), 400 * Math.sin(m / 400), 9]
  return people.engineer.post<MadeLine>('lines', {
    project_id: me.projects[0]!.id,
    name: 'Tarn Row sewer',
    ...example('bedding-in').pipe,
    design_bar: 1,
    mdp_bar: 1,
    pipe_length_m: 6,
    procedure_hash: known.get('pvc-spigot-socket')!.hash,
    centre_line: Array.from({ length: 6 * (JOINTS + 1) + 1 }, (_, m) => at(m)),
    sections: [{ name: 'Row', from_m: 0, to_m: 78, method_hash: known.get('sewer-air-eu')!.hash }],
  })
}

/** A stretch of the line, made and walked at the trench as its example has it. */
async function walked(people: People, line: MadeLine, id: string, stretch: { from_m: number; to_m?: number }): Promise<void> {
  const of = example(id)
  const { hash } = (await keyed(people.engineer)).get(id)!
  const made = await people.engineer.post<{ id: string }>(`lines/${line.id}/stretches`, {
    procedure_hash: hash,
    name: of.procedure,
    ...stretch,
  })
  const procedure = await people.joiner.get<ProcedureText>(`procedures/${hash}`)
  const begins = NOW - (lasts(of) + 5) * MINUTE
  const path = `subjects/stretch/${made.id}`
  const robot = new Robot(people, path, procedure, of, begins, { seen: ({ kind }) => kind !== 'hold' })
  const subject = await robot.walk(`/stretches/${made.id}`)
  expect(['good', 'close'], subject.judgement.reasons.map((r) => r.text).join('\n')).toContain(subject.judgement.verdict)
  expect(subject.closed).toContain('signed and sealed')
}

/** Joints of the line from one to another, as a crew made them, one after the other. */
async function joined(people: People, line: MadeLine, from: number, to: number): Promise<void> {
  const of = example('pvc-spigot-socket')
  const { joints } = await people.joiner.get<MadeLine>(`lines/${line.id}`)
  for (let i = from; i <= to; i++) {
    const begins = NOW - (JOINTS + 2 - i) * (lasts(of) + 1) * MINUTE
    await recorded(people, `subjects/joint/${joints[i - 1]!.id}`, of, begins)
  }
}

test('a sewer from its plan to the day of its test', async ({ browser }) => {
  const people = await crew(browser)
  const line = await sewer(people)
  const engineer = await people.page('engineer')
  await engineer.setViewportSize({ width: 1280, height: 800 })

  await walked(people, line, 'trench-bedding', { from_m: 0, to_m: 78 })

  const layDown = async (why: string): Promise<void> => {
    await engineer.goto(`/lines/${line.id}/laying`)
    await expect(engineer.getByText(/^Good: \d+ pipes/)).toBeVisible()
    await engineer.getByRole('button', { name: 'Lay it down' }).click()
    await engineer.getByLabel('Why so').fill(why)
    await engineer.getByRole('button', { name: 'Lay it down now' }).click()
    await expect(engineer.getByText(new RegExp(`laid down by Tamsin Orrel, .*: ${why}`))).toBeVisible()
  }
  await layDown('thirteen pipes')
  await joined(people, line, 1, 3)

  // The pipe that comes next is cracked: it is turned down, and the rest is laid out anew from the face on.
  await engineer.goto(`/lines/${line.id}/pipes`)
  await engineer.getByRole('button', { name: /^Pipe 0*5\b/ }).click()
  await engineer.getByRole('button', { name: 'Reject this pipe' }).click()
  await engineer.getByRole('dialog').getByLabel('Why').last().fill('cracked at the spigot')
  await engineer.getByRole('button', { name: 'Reject it' }).click()
  await layDown('another pipe for the cracked one')
  const pipes = await people.engineer.get<{ number: string; state: string }[]>(`lines/${line.id}/pipes`)
  const rejected = pipes.filter((pipe) => pipe.state === 'rejected')
  expect(rejected).toHaveLength(1)
  const { joints } = await people.joiner.get<{ joints: { pipes: Record<string, string> | null }[] }>(`lines/${line.id}`)
  expect(joints).toHaveLength(JOINTS)
  expect(joints.flatMap((joint) => Object.values(joint.pipes ?? {}))).not.toContain(rejected[0]!.number)
  await joined(people, line, 4, JOINTS - 1)

  await walked(people, line, 'as-laid', { from_m: 0, to_m: 12 })
  await walked(people, line, 'bedding-in', { from_m: 0, to_m: 30 })
  await walked(people, line, 'covering', { from_m: 0, to_m: 30 })

  // One joint is left: the crew's own pace says when the whole can be tested, whatever day and hour it is.
  await engineer.goto(`/lines/${line.id}`)
  await engineer.getByRole('link', { name: 'The days to come' }).click()
  await expect(engineer.getByText('Earliest test')).toBeVisible()
  await expect(engineer.getByText(`middle of the last ${JOINTS - 1} joints of this line`)).toHaveCount(2)
  const hours = [
    ['Work from', '00:00'],
    ['Work to', '23:59'],
    ['Pause from', ''],
  ] as const
  for (const [label, clock] of hours) {
    await engineer.getByLabel(label).fill(clock)
    await engineer.getByLabel(label).blur()
  }
  for (const day of ['Sa', 'Su']) await engineer.getByRole('button', { name: day, exact: true }).click()
  await expect
    .poll(async () => {
      const clock = await engineer.locator('[data-test-from]').getAttribute('data-test-from')
      return Math.round((Date.parse(clock!) - Date.now()) / MINUTE)
    })
    .toBeLessThan(30)
  await expect(engineer.getByText('The work itself takes so long', { exact: false })).toBeVisible()

  await joined(people, line, JOINTS, JOINTS)
  await engineer.reload()
  await expect(engineer.getByText('All joints are made. It may be tested from')).toBeVisible()
  await engineer.getByRole('link', { name: 'To the test of Row' }).click()
  await expect(engineer.getByRole('heading', { name: 'Row' }).first()).toBeVisible()
})
