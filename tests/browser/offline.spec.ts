import { expect, type Page } from '@playwright/test'
import { test } from './alone'
import { coolAndLook, fuseAndCool, prepareCoupler } from './coupler'
import { subjectAt } from '../../resources/js/api/subject'
import { example } from './examples'
import { lineByName, round, someone, sign } from './people'
import { prepared } from './recorded'
import { packText, testSection } from './section'
import { Trench } from './trench'

test.use({ serviceWorkers: 'allow' })

/** The whole job with the network cut for its joints: a good one and one with a pulled lead, then back, signed and tested. */
test('the whole job, the joints made without network', async ({ browser }, info) => {
  test.setTimeout(900_000)
  const engineer = await someone(browser, 'tamsin')
  const procedures = (await (await engineer.request.get('/api/v1/procedures', { headers: { Referer: engineer.url() } })).json()) as {
    hash: string
    key: string
  }[]
  const token = decodeURIComponent((await engineer.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value)
  const me = (await (await engineer.request.get('/api/v1/me', { headers: { Referer: engineer.url() } })).json()) as {
    projects: { id: number }[]
  }
  await engineer.request.post('/api/v1/lines', {
    headers: { Referer: engineer.url(), 'X-XSRF-TOKEN': token, Accept: 'application/json' },
    data: {
      project_id: me.projects[0]!.id,
      name: 'Deep cut',
      service: 'water',
      material: 'PE100',
      dn_mm: 110,
      sdr: 11,
      design_bar: 8,
      mdp_bar: 10,
      pipe_length_m: 12,
      procedure_hash: procedures.find((p) => p.key === 'ef-coupler-one-pass')!.hash,
      centre_line: [
        [0, 0, 0, 9],
        [36, 36, 0, 9],
      ],
      sections: [{ name: 'Section 1', from_m: 0, to_m: 20, method_hash: procedures.find((p) => p.key === 'pe-viscoelastic')!.hash }],
    },
  })
  const joiner = await someone(browser, 'bram', [390, 844])
  const line = await lineByName(joiner.request, 'Deep cut')
  expect(line.joints).toHaveLength(2)
  // The second is ready to be fused when the network goes.
  const crew = { joiner: await Trench.of(joiner), inspector: await Trench.of(joiner) }
  await prepared(crew, subjectAt('joint', line.joints[1]!.id), example('ef-coupler-one-pass'))
  // The day begins with network: the line is looked at once; what its next joints need, and the core, stay on the device.
  await joiner.goto(`/lines/${line.id}`)
  const kept = (): Promise<string[]> =>
    joiner.evaluate(async () =>
      (await Promise.all((await caches.keys()).map(async (name) => (await (await caches.open(name)).keys()).map((k) => k.url)))).flat(),
    )
  for (const wanted of [...line.joints.map((j) => `/subjects/joint/${j.id}`), '/worker-', '/php_']) {
    await expect
      .poll(async () => (await kept()).some((url) => url.includes(wanted)), { message: `${wanted} is kept on the device`, timeout: 60_000 })
      .toBe(true)
  }
  await joiner.context().setOffline(true)
  for (const [i, j] of line.joints.entries()) {
    const pulled = i === 1
    await joiner.goto(`/joints/${j.id}`)
    if (!pulled) {
      await prepareCoupler(joiner)
      await expect(joiner.getByText('judged on this device by the same rules')).toBeVisible()
      await wrongGap(joiner)
    }
    await fuseAndCool(joiner, pulled ? 'a lead is pulled off' : undefined)
    if (pulled) {
      await expect(
        joiner.getByText('The circuit was open 92 s into the fusion: a lead came off.').filter({ visible: true }).first(),
      ).toBeVisible({ timeout: 30_000 })
      continue
    }
    await coolAndLook(joiner)
    await expect(joiner.locator('#step-title')).toHaveText('Hold point: accept the joint')
  }
  await joiner.reload()
  await expect(joiner.getByRole('button', { name: /No network · \d+ not yet sent/ })).toBeVisible()
  const facts = async (j: {
    id: string
  }): Promise<{
    facts: { id: string; step: string; supersedes: string | null }[]
    judgement: { verdict: string; steps: { key: string; verdict: string; optional: boolean }[] }
  }> => (await engineer.request.get(`/api/v1/subjects/joint/${j.id}`, { headers: { Referer: engineer.url() } })).json()
  expect((await facts(line.joints[0]!)).facts).toHaveLength(0)
  await joiner.context().setOffline(false)
  await expect(joiner.getByRole('button', { name: /not yet sent/ })).toHaveCount(0, { timeout: 240_000 })
  for (const [i, j] of line.joints.entries()) {
    const after = await facts(j)
    expect(new Set(after.facts.map((f) => f.id)).size).toBe(after.facts.length)
    const steps = new Set(after.facts.map((f) => f.step))
    expect(steps.size).toBe(i === 1 ? 20 : 22)
    // The server judges as the device did.
    expect(after.judgement.verdict).toBe(i === 1 ? 'bad' : 'open')
    expect(after.judgement.steps.filter((s) => s.verdict === 'open' && !s.optional && s.key !== 'accept' && i < 1)).toEqual([])
  }
  expect((await facts(line.joints[0]!)).facts.filter((f) => f.supersedes)).toHaveLength(2)
  const inspector = await someone(browser, 'ruben')
  for (const j of line.joints.slice(0, 1)) {
    await inspector.goto(`/joints/${j.id}`)
    await sign(inspector)
    await expect(inspector.getByText('is signed and sealed')).toBeVisible()
  }
  const tested = await testSection(engineer, inspector, line.sections[0]!.id, 1)
  const text = await packText(engineer, tested, info.outputPath('pack.pdf'))
  for (const word of ['Verdict: Good', 'Deep cut', 'Joints of the section (1)', 'Ruben Castell', 'unbroken']) expect(text).toContain(word)
})

/** A gap over the limit is judged on the device: the fusion stays locked, and measuring again supersedes it. */
async function wrongGap(page: Page): Promise<void> {
  const at = page.url().split('?')[0]!
  await page.goto(`${at}?step=gap`)
  await page.getByRole('button', { name: 'Measure again' }).click()
  await page.getByLabel('Why does the earlier entry not count?').fill('the clamp was moved')
  await round(page, ['2.4', '0.4', '0.2', '0.4'])
  await expect(page.getByText('A gap of 2.4 mm at 12:00 is over 0.7 mm.').filter({ visible: true }).first()).toBeVisible()
  await page.goto(`${at}?step=fusion`)
  await expect(page.getByText('"Gap round the coupling" must be good first.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Fuse', exact: true })).toHaveCount(0)
  await page.goto(`${at}?step=gap`)
  await page.getByRole('button', { name: 'Measure again' }).click()
  await round(page, ['0.6', '0.4', '0.2', '0.4'])
  await page.goto(at)
}
