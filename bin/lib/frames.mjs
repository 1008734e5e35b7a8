// Counts frames of the laying plan of a line of 5 km in a running Diastoma: BASE_URL=… node bin/lib/frames.mjs
// Writes a line of JSON for each figure: [what, figure, unit, budget].
import { chromium } from 'playwright-core'
import { CHROMIUM } from './chromium.mjs'

const BASE = process.env['BASE_URL'] ?? 'http://127.0.0.1:8080'
const SIZES = [
  [1280, 800],
  [390, 844],
]
/** A frame that takes no longer is one of thirty in a second, ms. */
const SMOOTH_MS = 33.4

/** A made-up main of 5 km that winds and climbs, a point every 2 m. */
function winding() {
  const points = []
  let [east, north, bearing] = [0, 0, 0.3]
  for (let i = 0; i <= 2500; i++) {
    points.push([i * 2, east, north, 20 + 4 * Math.sin(i / 300)])
    const turn = Math.sin(i / 120) / 350
    bearing += turn
    east += 2 * Math.sin(bearing + turn / 2)
    north += 2 * Math.cos(bearing + turn / 2)
  }
  return points
}

const told = (...figure) => console.log(JSON.stringify(figure))
const headers = { Accept: 'application/json', Origin: BASE, Referer: BASE }

async function lineOf(page) {
  const get = async (path) => (await page.request.get(`${BASE}/api/v1/${path}`, { headers })).json()
  const known = (await get('lines')).find((line) => line.name === 'Bench, five kilometres')
  if (known) return known.id
  const cookies = await page.context().cookies()
  const token = decodeURIComponent(cookies.find((cookie) => cookie.name === 'XSRF-TOKEN').value)
  const answer = await page.request.post(`${BASE}/api/v1/lines`, {
    headers: { ...headers, 'X-XSRF-TOKEN': token },
    data: {
      project_id: (await get('me')).projects[0].id,
      name: 'Bench, five kilometres',
      service: 'water',
      material: 'Ductile iron',
      series: 'dn',
      nominal: 200,
      design_bar: 6,
      mdp_bar: 8,
      pipe_length_m: 6,
      procedure_hash: (await get('procedures')).find((procedure) => procedure.key === 'iron-push-on').hash,
      centre_line: winding(),
      sections: [],
    },
  })
  return (await answer.json()).id
}

/** The share of smooth frames while something is done, %. */
async function smooth(page, act) {
  await page.evaluate(() => {
    window.frames_ = []
    window.counts = true
    let last = performance.now()
    const tick = (now) => {
      window.frames_.push(now - last)
      last = now
      if (window.counts) requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
  })
  await act()
  const frames = await page.evaluate(() => {
    window.counts = false
    return window.frames_.slice(1)
  })
  return (100 * frames.filter((frame) => frame <= SMOOTH_MS).length) / frames.length
}

const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
for (const [width, height] of SIZES) {
  const context = await browser.newContext({ viewport: { width, height }, baseURL: BASE, locale: 'en-GB' })
  const page = await context.newPage()
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill('tamsin@diastoma.example')
  await page.getByLabel('Password').fill('clay-and-chalk')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'Lines', level: 1 }).waitFor()
  await page.goto(`/lines/${await lineOf(page)}/laying`)
  await page.getByText(/^(Good|Bad|Close):/).waitFor()
  const box = await page.getByRole('application').boundingBox()
  const press = (name) => page.getByRole('button', { name }).first().click()
  const drag = async () => {
    for (let k = 0; k < 3; k++) {
      await page.mouse.move(box.x + box.width * 0.8, box.y + 200)
      await page.mouse.down()
      for (let i = 0; i < 40; i++) {
        await page.mouse.move(box.x + box.width * (0.8 - i * 0.015), box.y + 200)
        await page.waitForTimeout(16)
      }
      await page.mouse.up()
    }
  }
  const acts = {
    'the whole moved along': async () => {
      await press('Larger')
      await drag()
    },
    'moved along from near': async () => {
      for (let i = 0; i < 4; i++) await press('Larger')
      await drag()
    },
    'drawn larger and smaller': async () => {
      for (let i = 0; i < 10; i++) {
        await press(i < 5 ? 'Smaller' : 'Larger')
        await page.waitForTimeout(120)
      }
    },
  }
  for (const [what, act] of Object.entries(acts))
    told(`5 km ${what}, ${width} wide: frames over 33 ms`, 100 - (await smooth(page, act)), '%', 5)
  await press(/There are plenty|Count them/)
  await page.waitForResponse((answer) => answer.url().endsWith('/try'))
  const begun = performance.now()
  await press(/^One fewer/)
  await page.waitForResponse((answer) => answer.url().endsWith('/try'))
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
  told(`  from a tap on the stock to the new plan, ${width} wide`, performance.now() - begun, 'ms', null)
  await context.close()
}
await browser.close()
