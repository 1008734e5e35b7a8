import { expect, type Page } from '@playwright/test'
import { atStep, fill, fillBothEnds, fromStores, pick, recordStep, round } from './people'

interface Figures {
  code: string
  size: string
  time: string
  cooling: string
  length: string
  od: string
  round: string[]
  end: string
  peeled: string
  mark: string
}

/** What a tape and a label show of two sizes; the codes are in the invented practice layout. */
const FIGURES: Record<110 | 225, Figures> = {
  110: {
    code: '010000110395160210150022',
    size: '110',
    time: '150',
    cooling: '12',
    length: '160',
    od: '110.15',
    round: ['110.3', '110.2', '110.1', '110.2'],
    end: '109.8',
    peeled: '109.6',
    mark: '80',
  },
  225: {
    code: '010000225395085210240027',
    size: '225',
    time: '240',
    cooling: '20',
    length: '230',
    od: '225.6',
    round: ['225.9', '225.6', '225.3', '225.6'],
    end: '225.1',
    peeled: '225.05',
    mark: '115',
  },
}

/** The figures of a healthy 110 mm coupler, as someone at the trench would type them. */
export async function prepareCoupler(page: Page, size: 110 | 225 = 110): Promise<void> {
  const f = FIGURES[size]
  await takeKit(page)
  await atStep(page, 'Weather and temperatures')
  await fill(
    page,
    { Air: '14', 'Humidity, %': '60', Pipe: '13', Fitting: '14', Wind: '2' },
    { 'Under a shelter': 'No', 'Rain or snow': 'No' },
  )
  await recordStep(page)
  await atStep(page, 'The two pipes')
  await recordStep(page)
  await atStep(page, 'Bar code of the fitting')
  await page.getByLabel('24 digits').fill(f.code)
  await fromStores(page, 'What its digits mean', 'Practice layout')
  await recordStep(page)
  await atStep(page, 'Label of the fitting')
  await fill(page, {
    Size: f.size,
    Voltage: '39.5',
    'Fusion time': f.time,
    'Cooling time': f.cooling,
    'SDR from': '11',
    'SDR to': '17',
    'Length of the coupling': f.length,
    'Largest gap round the pipe': '0.7',
  })
  await recordStep(page)
  await takePower(page)
  for (const step of ['cut-ends', 'od', 'ovality', 'scrape', 'mark']) await bothEnds(page, step, f)
  await atStep(page, 'Wipe and assemble')
  await fill(
    page,
    {},
    {
      'Both ends wiped with solvent, a fresh cloth, towards the mark': 'Yes',
      'Coupling out of its bag only now, its bore wiped and dry': 'Yes',
      'All dry, and not touched since': 'Yes',
      'Pushed in to both insertion marks': 'Yes',
      'Both pipes in the alignment clamp': 'Yes',
      'No stress in the joint': 'Yes',
    },
  )
  await recordStep(page)
  await atStep(page, 'Gap round the coupling')
  await round(page, ['0.6', '0.4', '0.2', '0.4'])
  await atStep(page, 'Before power')
  await recordStep(page)
}

/** Card, box and tools: what was used last is offered, the rest is chosen. */
export async function takeKit(page: Page, box = 'Box 2', tool = 'Turning peeler 3'): Promise<void> {
  await atStep(page, 'Card, box and tools')
  await fromStores(page, 'Fusion box', box)
  await fromStores(page, 'Peeling tool', tool)
  await fromStores(page, 'Solvent', 'Isopropanol 99 %, bottle 7')
  await recordStep(page)
}

export async function takePower(page: Page, generator = 'Generator 5 kVA'): Promise<void> {
  await atStep(page, 'Power for this fitting')
  await fromStores(page, 'Generator or mains', generator)
  await recordStep(page)
}

/** A step of both pipe ends on one page; its questions are answered as a sound joint answers them. */
async function bothEnds(page: Page, step: string, f: Figures): Promise<void> {
  const title = {
    'cut-ends': 'Cut and washed',
    od: 'Diameter by tape',
    ovality: 'Out of round',
    scrape: 'Peel',
    mark: 'Insertion mark',
  }[step]!
  await atStep(page, `${title}, both ends`)
  if (step === 'ovality') return round(page, [...f.round, ...f.round])
  if (step === 'od') await fillBothEnds(page, { 'Outside diameter by tape': f.od, 'At the very end': f.end })
  if (step === 'scrape') await fillBothEnds(page, { 'Diameter by tape after peeling': f.peeled })
  if (step === 'mark') await fillBothEnds(page, { 'Mark from the end': f.mark })
  await recordStep(page)
  await expect(page.locator('#step-title')).not.toHaveText(`${title}, both ends`)
}

/** Fuses with the stand-in and takes the clamps off after the cooling time. */
export async function fuseAndCool(page: Page, fault = 'healthy fusion'): Promise<void> {
  await atStep(page, 'Fusion')
  await pick(page, 'Stand-in for the box plays', fault)
  await pick(page, 'Speed', '100 times')
  await page.getByRole('button', { name: 'Fuse', exact: true }).click()
  await expect(page.getByRole('timer')).toBeVisible()
}

export async function coolAndLook(page: Page): Promise<void> {
  await atStep(page, 'Cooling in the clamp')
  await expect(page.getByRole('timer')).toHaveText(/^1[012] min left$/)
  const later = new Date(Date.now() + 16 * 60_000)
  const local = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Vienna', dateStyle: 'short', timeStyle: 'medium' })
    .format(later)
    .replace(' ', 'T')
  await page.getByLabel('or at').fill(local)
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await lookAt(page)
}

export async function lookAt(page: Page): Promise<void> {
  await atStep(page, 'Look at the finished joint')
  await fill(
    page,
    {},
    {
      'Leads taken off without moving the fitting': 'Yes',
      'Melt indicators up': 'Yes',
      'Insertion marks visible at both faces': 'Yes',
      'A mark has moved away from its face': 'No',
      'Peeled skin visible on both sides': 'Yes',
      'Melt outside the coupling': 'No',
      'Wire to be seen': 'No',
      'Out of line': 'No',
      'Moved while cooling': 'No',
      'Wet during the work': 'No',
    },
  )
  await recordStep(page)
}
