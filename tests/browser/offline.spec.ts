import { expect, test } from '@playwright/test'
import { coolAndLook, fuseAndCool, prepareCoupler } from './coupler'
import { lineByName, someone } from './people'

/** Three joints at the trench without network: everything is on the device, and on the server once when it is back. */
test('three joints without network', async ({ browser }) => {
  test.setTimeout(900_000)
  const engineer = await someone(browser, 'tamsin')
  const procedures = (await (await engineer.request.get('/api/v1/procedures', { headers: { Referer: engineer.url() } })).json()) as { hash: string; key: string }[]
  const token = decodeURIComponent((await engineer.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value)
  const me = (await (await engineer.request.get('/api/v1/me', { headers: { Referer: engineer.url() } })).json()) as { projects: { id: number }[] }
  await engineer.request.post('/api/v1/lines', {
    headers: { Referer: engineer.url(), 'X-XSRF-TOKEN': token, Accept: 'application/json' },
    data: { project_id: me.projects[0]!.id, name: 'Deep cut', service: 'water', material: 'PE100', dn_mm: 110, sdr: 11, design_bar: 8, mdp_bar: 10, pipe_length_m: 12, procedure_hash: procedures.find((p) => p.key === 'ef-coupler-one-pass')!.hash, centre_line: [[0, 0, 0, 9], [48, 48, 0, 9]], sections: [] },
  })
  const joiner = await someone(browser, 'bram', [390, 844])
  const line = await lineByName(joiner.request, 'Deep cut')
  expect(line.joints).toHaveLength(3)
  // The day begins with network: the page, the line and its joints are looked at once and stay on the device.
  await joiner.evaluate(() => navigator.serviceWorker.ready)
  await joiner.goto(`/lines/${line.id}`)
  for (const j of line.joints) {
    await joiner.goto(`/joints/${j.id}?step=fusion`)
    await expect(joiner.locator('#step-title')).toHaveText('Fusion')
  }
  await joiner.context().setOffline(true)
  for (const j of line.joints) {
    await joiner.goto(`/joints/${j.id}`)
    await prepareCoupler(joiner)
    // The stand-in knows the label; a judgement that needs the server waits for it and the page says so.
    await expect(joiner.getByText('their judgement waits for the server')).toBeVisible()
  }
  await joiner.reload()
  await expect(joiner.getByRole('button', { name: /No network · \d+ not yet sent/ })).toBeVisible()
  const stored = await (await engineer.request.get(`/api/v1/joints/${line.joints[0]!.id}`, { headers: { Referer: engineer.url() } })).json()
  expect(stored.facts).toHaveLength(0)
  await joiner.context().setOffline(false)
  await expect(joiner.getByRole('button', { name: /not yet sent/ })).toHaveCount(0, { timeout: 40_000 })
  for (const j of line.joints) {
    const after = (await (await engineer.request.get(`/api/v1/joints/${j.id}`, { headers: { Referer: engineer.url() } })).json()) as { facts: { id: string; step: string }[] }
    expect(after.facts).toHaveLength(18)
    expect(new Set(after.facts.map((f) => f.id)).size).toBe(18)
  }
  await joiner.goto(`/joints/${line.joints[0]!.id}`)
  await fuseAndCool(joiner)
  await coolAndLook(joiner)
  await expect(joiner.locator('#step-title')).toHaveText('Hold point: accept the joint')
})
