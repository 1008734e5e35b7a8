import { expect, type Page } from '@playwright/test'
import { atStep, fill, recordStep, round } from './people'

const LABEL_110 = '010000110395160210150022'

/** The figures of a healthy 110 mm coupler, as someone at the trench would type them. */
export async function prepareCoupler(page: Page): Promise<void> {
  await atStep(page, 'Weather and temperatures')
  await fill(page, { Air: '14', 'Humidity, %': '60', Pipe: '13', Fitting: '14', Wind: '2' }, { 'Under a shelter': 'No', 'Rain or snow': 'No' })
  await recordStep(page)
  await atStep(page, 'The two pipes')
  await recordStep(page)
  await atStep(page, 'Bar code of the fitting')
  await page.getByLabel('24 digits').fill(LABEL_110)
  await recordStep(page)
  await atStep(page, 'Label of the fitting')
  await fill(page, { Size: '110', Voltage: '39.5', 'Fusion time': '150', 'Cooling time': '12', 'SDR from': '11', 'SDR to': '17', 'Length of the coupling': '160' })
  await recordStep(page)
  for (const step of ['od', 'ovality', 'toe', 'scrape', 'wipe', 'mark']) {
    for (const end of [0, 1]) await endStep(page, step, end)
  }
  await atStep(page, 'Assemble in the clamp')
  await fill(page, {}, { 'Both pipes held by the alignment clamp': 'Yes', 'No stress in the joint, far ends covered': 'Yes', 'Both insertion marks at the face of the coupling': 'Yes' })
  await recordStep(page)
  await atStep(page, 'Gap round the coupling')
  await round(page, ['0.6', '0.4', '0.2', '0.4'])
}

async function endStep(page: Page, step: string, end: number): Promise<void> {
  const title = { od: 'Diameter by tape', ovality: 'Out of round', toe: 'Shrunk end', scrape: 'Peel', wipe: 'Wipe', mark: 'Insertion mark' }[step]!
  await atStep(page, new RegExp(`^${title}, pipe`))
  if (step === 'od') await fill(page, { 'Outside diameter by tape': '110.15' })
  if (step === 'ovality') return round(page, ['110.3', '110.2', '110.1', '110.2'])
  if (step === 'toe') await fill(page, { 'Diameter at the end': '109.8', 'Diameter further back': '110.15' })
  if (step === 'scrape') await fill(page, { 'Diameter by tape after peeling': '109.6' }, { 'All ink is gone': 'Yes' })
  if (step === 'wipe') await fill(page, {}, { 'Wiped with the solvent and a fresh lint-free cloth, from the end towards the mark': 'Yes', 'Dry, and not touched since': 'Yes' })
  if (step === 'mark') await fill(page, { 'Mark from the end': '80' }, { 'Drawn all round': 'Yes' })
  const before = await page.locator('#step-title').textContent()
  await recordStep(page)
  void end
  await expect(page.locator('#step-title')).not.toHaveText(before!)
}

/** Fuses with the stand-in and takes the clamps off after the cooling time. */
export async function fuseAndCool(page: Page, fault = 'healthy fusion'): Promise<void> {
  await atStep(page, 'Fusion')
  await page.getByLabel('Stand-in for the box plays').click()
  await page.getByRole('option', { name: fault }).click()
  await page.getByLabel('Speed').click()
  await page.getByRole('option', { name: '100 times' }).click()
  await page.getByRole('button', { name: 'Fuse', exact: true }).click()
  await expect(page.getByRole('timer')).toBeVisible()
}

export async function coolAndLook(page: Page): Promise<void> {
  await atStep(page, 'Cooling in the clamp')
  await expect(page.getByRole('timer')).toHaveText(/^1[012]:\d\d$/)
  const later = new Date(Date.now() + 16 * 60_000)
  const local = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Vienna', dateStyle: 'short', timeStyle: 'medium' }).format(later).replace(' ', 'T')
  await page.getByLabel('or at').fill(local)
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await lookAt(page)
}

export async function lookAt(page: Page): Promise<void> {
  await atStep(page, 'Look at the finished joint')
  await fill(page, {}, {
    'Melt indicators up': 'Yes', 'Insertion marks visible at both faces': 'Yes', 'Peeled skin visible on both sides': 'Yes', 'Melt outside the coupling': 'No',
    'Wire to be seen': 'No', 'Out of line': 'No', 'Moved while cooling': 'No', 'Wet during the work': 'No',
  })
  await recordStep(page)
}
