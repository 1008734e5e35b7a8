import { execFileSync, spawnSync } from 'node:child_process'
import { expect, type Page } from '@playwright/test'
import { test } from './alone'
import { lineByName, someone } from './people'

/** What is handed over: asked for on the page, made beside the server, taken, read and held against its seals. */

const SIZES = [
  [390, 844],
  [1280, 800],
] as const

/** Asked for, followed until it is there, taken. */
async function taken(page: Page, what: string): Promise<string> {
  const box = page.getByRole('region', { name: what, exact: true })
  await box.getByRole('button', { name: /^Make / }).click()
  const isMade = box.getByRole('button', { name: 'Make a new one' })
  // One may wait for another that is made before it.
  await expect(isMade.or(box.getByRole('progressbar'))).toBeVisible()
  await expect(isMade).toBeVisible({ timeout: 120_000 })
  await expect(box).toContainText('As it stood on ')
  const file = page.waitForEvent('download')
  await box.getByRole('link', { name: /^Take it \(\d/ }).click()
  return (await file).path()
}

for (const [width, height] of SIZES) {
  test(`the record book of a line is made while one goes on, and taken, ${width} wide`, async ({ browser }) => {
    const page = await someone(browser, 'ruben')
    await page.setViewportSize({ width, height })
    const line = await lineByName(page.request, 'Stannel Street main')
    await page.goto(`/lines/${line.id}/register`)
    const file = await taken(page, 'Record book')
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ')
    expect(text).toContain('Record book of Stannel Street main')
    for (const joint of line.joints) expect(text, `joint ${joint.number} is in the book`).toContain(`Joint ${joint.number} `)
    expect(text).toMatch(/Page \d+, the last ?$/)
    expect(text).toContain('Practice project: its devices are played by stand-ins.')
  })
}

test('the archive of a line holds against the key that the register shows, without the server', async ({ browser }) => {
  const page = await someone(browser, 'tamsin')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.goto(`/lines/${line.id}/register`)
  const key = /Public key: (\S+)/.exec((await page.getByText(/^Public key: /).textContent())!)![1]!
  const file = await taken(page, 'Archive')
  const held = JSON.parse(execFileSync('bin/diastoma', ['verify', file, key], { encoding: 'utf8' })) as {
    holds: boolean
    key: string
    head: string
  }
  expect(held).toMatchObject({ holds: true, key: 'given' })
  await expect(page.getByText(held.head.match(/.{8}/g)!.join(' '))).toBeVisible()
  const other = spawnSync('bin/diastoma', ['verify', file, Buffer.alloc(32, 7).toString('base64')], { encoding: 'utf8' })
  expect(other.status).toBe(1)
})
