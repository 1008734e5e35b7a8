import { chromium, expect, type Page } from '@playwright/test'
import bwip from 'bwip-js/node'
import { readFileSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { test } from './alone'
import { prepareCoupler } from './coupler'
import { atStep, fill, lineByName, oneEnd, recordStep, says, sendStep, signIn, deviceOf } from './people'
import { instruments, readyForPressure } from './section'
import { Trench } from './trench'

const EXAMPLES = resolve(import.meta.dirname, '../../examples')
const CODE = '010000225395085210240027'
const file = (name: string, text: string): { name: string; mimeType: string; buffer: Buffer } => ({
  name,
  mimeType: 'text/plain',
  buffer: Buffer.from(text),
})

const drawn = (text: string, bcid = 'interleaved2of5'): Promise<Buffer> =>
  bwip.toBuffer({ bcid, text, scale: 3, height: 15, padding: 12, backgroundcolor: 'FFFFFF' })

async function facts(page: Page, path: string): Promise<{ step: string; value: Record<string, unknown> }[]> {
  return (
    (await (await page.request.get(`/api/v1/${path}`, { headers: { Referer: page.url() } })).json()) as {
      facts: { step: string; value: Record<string, unknown> }[]
    }
  ).facts
}

/** The value of a step once the server has it: the page goes on before its outbox is empty. */
async function sent(page: Page, path: string, step: string): Promise<Record<string, unknown>> {
  let value: Record<string, unknown> | undefined
  await expect.poll(async () => (value = (await facts(page, path)).find((f) => f.step === step)?.value), { timeout: 30_000 }).toBeDefined()
  return value!
}

test('the code of a fitting is read from a picture', async ({ page }) => {
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = line.joints.find((j) => j.number === '46')!
  await page.goto(`/joints/${joint.id}?step=code`)
  const input = page.getByLabel('Picture of the bar code')
  await input.setInputFiles({
    name: 'wall.png',
    mimeType: 'image/png',
    buffer: await drawn('NO CODE', 'code128').then(() =>
      Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
    ),
  })
  await expect(page.getByText('No bar code found in that picture.')).toBeVisible()
  await input.setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: await drawn(CODE) })
  await expect(page.getByText('Read 24 digits.')).toBeVisible()
  await expect(page.getByLabel('24 digits')).toHaveValue(CODE)
  await recordStep(page)
  await atStep(page, 'Card, box and tools')
  expect((await sent(page, `subjects/joint/${joint.id}`, 'code'))['code']).toBe(CODE)
})

/** A film of codes for the stand-in of a camera that comes with the browser: grey bars on white, 640×240, ten pictures of each. */
function filmed(codes: string[]): Buffer {
  const [width, height] = [640, 240]
  const frames = codes.flatMap((text) => {
    const bars = (bwip.raw({ bcid: 'interleaved2of5', text } as never) as unknown as { sbs: number[] }[])[0]!.sbs
    const scale = Math.floor((width - 60) / bars.reduce((a, b) => a + b, 0))
    const row = Buffer.alloc(width, 235)
    let x = 30
    bars.forEach((bar, i) => {
      if (i % 2 === 0) row.fill(20, x, x + bar * scale)
      x += bar * scale
    })
    const blank = Buffer.alloc(width, 235)
    const picture = Buffer.concat([
      ...Array.from({ length: height }, (_, y) => (y > 40 && y < 200 ? row : blank)),
      Buffer.alloc((width * height) / 2, 128),
    ])
    return Array.from({ length: 10 }, () => Buffer.concat([Buffer.from('FRAME\n'), picture]))
  })
  return Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420\n`), ...frames])
}

test('the code of a fitting is read by the camera; a sweep over a part of it does not count', async ({ baseURL }, info) => {
  const film = info.outputPath('codes.y4m')
  writeFileSync(film, filmed([CODE.slice(0, 20), CODE]))
  const { launchOptions } = info.project.use
  const browser = await chromium.launch({
    ...launchOptions,
    args: [
      ...(launchOptions?.args ?? []),
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
    ],
  })
  const page = await (await browser.newContext({ baseURL: baseURL!, viewport: { width: 390, height: 844 } })).newPage()
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  await page.goto(`/joints/${line.joints.find((j) => j.number === '43')!.id}?step=code`)
  await page.getByRole('button', { name: 'Camera' }).click()
  await expect(page.getByText('Read 24 digits.')).toBeVisible()
  await expect(page.getByLabel('24 digits')).toHaveValue(CODE)
  await browser.close()
})

test('a practice label is drawn to scan and its trap is found', async ({ page }) => {
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = line.joints.find((j) => j.number === '47')!
  await page.goto(`/joints/${joint.id}?step=code`)
  await page.getByRole('button', { name: 'Practice labels' }).click()
  const trapped = page.getByText('trap:').first()
  await expect(trapped).toBeVisible()
  await expect(page.getByRole('img', { name: /^Bar code \d{24}$/ }).first()).toBeVisible()
  await page
    .getByRole('button', { name: /^Take / })
    .first()
    .click()
  await expect(page.getByLabel('24 digits')).toHaveValue(/^\d{24}$/)
  await sendStep(page)
  await page.goto(`/joints/${joint.id}?step=label`)
  await expect(page.getByRole('note', { name: 'Printed on the practice label' })).toContainText('63 mm · 39.5 V · 45 s')
})

test('a fusion from the file of a box: what the file does not hold is asked for', async ({ page }) => {
  await signIn(page, 'bram')
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = line.joints.find((j) => j.number === '48')!
  await page.goto(`/joints/${joint.id}`)
  await prepareCoupler(page, 225)
  await atStep(page, 'Fusion')
  // What the box would set moves the page when it comes: nothing is tapped before.
  await expect(page.getByText('0.85 Ω')).toBeVisible()
  await page.getByRole('button', { name: 'Load a trace from a file' }).click()
  await page.getByRole('button', { name: 'Choose the file' }).click()
  await expect(page.getByText('Say first when the power went off.')).toBeVisible()
  await page.getByLabel('Power went off at').fill('2026-11-20T10:30:00')
  await page.getByLabel('Supply before the fusion').fill('two hundred')
  await page.getByRole('button', { name: 'Choose the file' }).click()
  await expect(page.getByRole('alert')).toContainText('"two hundred" is no number.')
  await page.getByLabel('Supply before the fusion').fill('229')
  await page.getByLabel('Cold resistance by the box').fill('0,846')
  const input = page.getByLabel('File with the trace')
  for (const [name, text, said] of [
    ['heading.csv', 'seconds;volts\n0;39.5', 'The heading has no column "time [s]"'],
    ['commas.csv', 'time [s],voltage [V],current [A]\n0,0,39,5,46,6\n1,0,39,5,46,5', 'decimal commas stand in a file separated by commas'],
    ['back.csv', 'time [s];voltage [V];current [A]\n0;39.5;46\n2;39.5;46\n1;39.5;46', 'the time must rise'],
    ['word.json', '{"samples":[[0,39.5,"much"]]}', 'samples, row 1: wanted is [s, V, A]'],
    ['report.csv', '%PDF-1.4 nothing', 'The file is no text'],
  ] as const) {
    await input.setInputFiles(file(name, text))
    await expect(page.getByRole('alert').filter({ hasText: said })).toContainText('Nothing was stored.')
  }
  expect((await facts(page, `subjects/joint/${joint.id}`)).some((f) => f.step === 'fusion')).toBe(false)
  await input.setInputFiles(join(EXAMPLES, 'fusion-trace.csv'))
  await atStep(page, 'Cooling in the clamp')
  const stored = await sent(page, `subjects/joint/${joint.id}`, 'fusion')
  expect(stored).toMatchObject({
    supply_v: 229,
    cold_r_ohm: 0.846,
    source: 'file',
    file: 'fusion-trace.csv',
    ended_at: '2026-11-20T10:30:00+01:00',
  })
  expect(stored['samples']).toHaveLength(readFileSync(join(EXAMPLES, 'fusion-trace.csv'), 'utf8').trim().split('\n').length - 1)
  await page.goto(`/joints/${joint.id}?step=fusion`)
  await expect(page.getByText(/of the energy in 245 s; no event/)).toBeVisible()
})

test('a pressure log from a file: wrong files say why, a doubtful date is asked', async ({ page }) => {
  await signIn(page, 'tamsin')
  const line = await lineByName(page.request, 'Osier Row branch')
  await page.goto(`/sections/${line.sections[0]!.id}`)
  await page.getByRole('button', { name: /^Begin/ }).click()
  // Joints are missing: a second tap, beside what that means.
  await says(page, /it cannot be signed before all of this is settled/)
  await page.getByRole('button', { name: 'Begin all the same' }).click()
  await instruments(page, 'Gauge G-08')
  await says(page, /Gauge G-08: calibration was due on 20\d\d-/)
  await page.getByRole('button', { name: /Correct this|Measure again/ }).click()
  await page.getByLabel('Why does the earlier entry not count?').fill('another gauge')
  await instruments(page)
  await readyForPressure(page)
  const test = `subjects/test/${page.url().match(/tests\/([0-9a-f-]+)/)![1]}`
  const input = page.getByLabel('File with the log')
  for (const [text, said] of [
    ['time;temperature\n2026-05-01 10:00;12', 'no heading names a pressure'],
    ['time;pressure\n2026-05-01 10:00;12', 'names no pressure unit in brackets'],
    ['time;pressure [bar]\n2026-05-01 10:00;twelve', '"twelve" is no number'],
    ['time;pressure [bar]\nyesterday;12', '"yesterday" is no time that is known here'],
  ] as const) {
    await input.setInputFiles(file('log.csv', text))
    await expect(page.getByRole('alert').filter({ hasText: said })).toContainText('Nothing was stored.')
  }
  // 90 minutes of a held section: decimal commas with semicolons, a minute far above the others, a gap, a date to be read two ways.
  const rows = ['time;pressure [bar];added [L]']
  for (let m = 0; m <= 90; m++) {
    if (m > 60 && m < 72) continue
    const clock = `${10 + Math.floor(m / 60)}:${String(m % 60).padStart(2, '0')}`
    rows.push(`03/04/2026 ${clock};${m === 40 ? '31,5' : (9 - m / 1000).toFixed(3).replace('.', ',')};${m < 5 ? m : 5}`)
  }
  await input.setInputFiles(file('log.csv', rows.join('\n')))
  await expect(page.getByText('can be day/month or month/day; say which')).toBeVisible()
  expect((await facts(page, test)).some((f) => f.step === 'log')).toBe(false)
  await page.getByRole('button', { name: 'Day first' }).click()
  // A file of another day is asked about before it is stored: its name, its times, what speaks against it.
  const doubt = page.getByRole('dialog', { name: 'Does this file belong here?' })
  await says(page, /^From the file log\.csv, 3 Apr,? 10:00 to 3 Apr,? 11:30\.$/)
  await expect(doubt.getByText(/^It ends on 3 Apr 2026, 11:30, and this work was begun on /)).toBeVisible()
  await doubt.getByRole('button', { name: 'Not this file' }).click()
  expect((await facts(page, test)).some((f) => f.step === 'log')).toBe(false)
  // The logger was read out in the gap: two files, chosen together, are one log.
  const [heading, before, after] = [rows[0]!, rows.slice(1, 62), rows.slice(62)]
  await input.setInputFiles([file('b.csv', [heading, ...after].join('\n')), file('a.csv', [heading, ...before].join('\n'))])
  await page.getByRole('button', { name: 'Day first' }).click()
  await says(page, /^From the file b\.csv, a\.csv, 3 Apr,? 10:00 to 3 Apr,? 11:30\.$/)
  await page.getByRole('button', { name: 'Store it all the same' }).click()
  await atStep(page, 'Phases of the log')
  const samples = (await sent(page, test, 'log'))['samples'] as number[][]
  expect(samples).toHaveLength(80) // 91 minutes less 11 in the gap
  // A whole minute at another pressure is no spike: it stays, and is named.
  expect(samples.filter((s) => s[1]! > 900).map((s) => [s[0], s[1]])).toEqual([[40, 3150]])
})

test('units are typed as read off the tape, and a slip of the unit is caught', async ({ page, browser }) => {
  await signIn(page, 'odile') // whose units nobody else needs meanwhile
  const line = await lineByName(page.request, 'Kelder Lane main')
  const joint = line.joints.find((j) => j.number === '45')!
  const taped = async (): Promise<unknown[]> =>
    (await facts(page, `subjects/joint/${joint.id}`)).flatMap((f) => f.value['od_tape_mm'] ?? [])
  const crew = await Trench.on(await deviceOf(browser, 'bram'))
  await crew.record(
    joint.id,
    crew.coupler(3).filter(([step]) => ['code', 'label', 'cut-ends@a', 'cut-ends@b'].includes(step)),
  )
  await page.goto(`/joints/${joint.id}?step=od@a`)
  await oneEnd(page)
  // A tape in centimetres: the figure fits neither the pipe nor the range, and the sentence says what it looks like.
  await fill(page, { 'Outside diameter by tape': '8.9', 'At the very end': '225.0' })
  await recordStep(page)
  await expect(page.getByRole('alert')).toContainText('8.9 mm is outside 16 to 1700 mm')
  await fill(page, { 'Outside diameter by tape': '8 7/8 in' })
  await recordStep(page)
  await expect.poll(taped).toEqual([expect.closeTo(225.425, 6)])
  await page.goto(`/joints/${joint.id}?step=od@b`)
  await atStep(page, /^Diameter by tape/)
  await expect(page.getByText('mm kPa · Odile Fenner')).toBeVisible()
  await page.locator('body').press('u')
  await expect(page.getByText('in psi · Odile Fenner')).toBeVisible()
  await fill(page, { 'Outside diameter by tape': '225.6', 'At the very end': '8.85' })
  await recordStep(page)
  await expect(page.getByRole('alert')).toContainText('in is outside')
  await fill(page, { 'Outside diameter by tape': '8.875' })
  await recordStep(page)
  await expect.poll(taped).toHaveLength(2)
  const [first, second] = await taped()
  expect(second).toBeCloseTo(first as number, 6)
  await page.locator('body').press('u')
})
