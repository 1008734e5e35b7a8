import { expect, type Locator, type Page, type Response } from '@playwright/test'
import type { FieldSpec, ProcedureText, Recorded, StepState, StepText, Subject } from '../../resources/js/api/client'
import { resolved, type Entry, type Example, type Value } from './examples'
import { PASSWORD, pick } from './people'
import type { Part, People } from './place'
import { asSent } from './recorded'
import { Thumb } from './thumb'

/** A picture of one dot. */
const PICTURE = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64')

/** Of phones, the last one that which the walk goes on with. */
const SIZES = [
  [360, 640],
  [390, 844],
] as const

/** More than any field takes. */
const IMPOSSIBLE = '99999999'

/** On a busy machine. */
const RECORDED_MS = 90_000

/** How the page calls the parts of the work. */
const STAGES: Record<string, string> = {
  look: 'Look and check',
  prepare: 'Prepare',
  join: 'Join',
  fuse: 'Fuse',
  wait: 'Wait',
  test: 'Test',
  accept: 'Accept',
}

/** A moment as the clock on the wall has it, where the phones are: as a calendar is filled in. */
const onTheWall = (moment: string): string =>
  new Date(moment).toLocaleString('sv-SE', { timeZone: 'Europe/Vienna' }).slice(0, 16).replace(' ', 'T')

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/**
 * Walks a procedure through the pages as its example has it, at the trench: taps what a thumb would, and knows kinds of
 * steps, never kinds of joints. The page's clock goes along with the example, so that nothing is waited for. Every tap is
 * counted but those that only a stand-in wants; what a scanner would read is typed by it. In a hurry it types one step of each
 * shape; the rest is recorded as a device sends it.
 */
export class Robot {
  private subject!: Subject
  private readonly thumb: Thumb
  /** of which steps the page was looked at, on either side */
  private readonly seen = new Set<StepText>()
  /** what is typed is wrong on purpose: nothing is taken over from what the page knows */
  private isRefusing = false
  /** the page was not opened yet, or somebody else has recorded since: who goes on opens it anew */
  private isLeft = true
  /** taps by step */
  readonly tapsAt: Record<string, number> = {}

  private page!: Page
  /** pages whose answers are heard */
  private readonly heard = new Set<Page>()

  constructor(
    private readonly people: People,
    private readonly path: string,
    private readonly procedure: ProcedureText,
    private readonly example: Example,
    private readonly begins: number,
    /** the one in a hurry types nothing whose like is typed elsewhere */
    private readonly hurry?: { seen: (text: StepText) => boolean },
  ) {
    this.thumb = new Thumb(hurry !== undefined)
  }

  /** Taps so far, those of who signs among them. */
  get taps(): number {
    return this.thumb.taps
  }

  async walk(address: string): Promise<Subject> {
    this.subject = await this.people.joiner.get<Subject>(this.path)
    this.page = await this.opened('joiner')
    const { good } = this.example
    for (let i = 0; i < good.length; i++) {
      const entry = good[i]!
      if (this.isTypedElsewhere(entry)) {
        await this.send(entry)
        continue
      }
      await this.at(this.page, entry.min)
      const next = good[i + 1]
      const parts = good.slice(i).findIndex((e) => e.step !== entry.step)
      if (parts > 1) {
        await this.step(good.slice(i, i + parts), address)
        i += parts - 1
        continue
      }
      const isPair = entry.step.endsWith('@a') && next?.step === entry.step.replace('@a', '@b')
      if (isPair && (await this.isBothEnds(entry, address))) {
        await this.at(this.page, next.min)
        await this.step([entry, next], address)
        i++
      } else await this.step([entry], address)
    }
    return this.subject
  }

  /** The joiner's page as it is found when all is recorded. */
  async end(address: string): Promise<Page> {
    await this.at(this.page, this.example.good.at(-1)!.min + 1)
    this.isLeft = true
    await this.comeBack(address)
    return this.page
  }

  /** Only this step, of which all before it is recorded; the page on which it was typed. What is asked about is confirmed. */
  async only(address: string, entries: Entry[]): Promise<Page> {
    this.subject = await this.people.joiner.get<Subject>(this.path)
    this.page = await this.opened('joiner')
    this.isRefusing = true
    this.isLeft = false
    const { step, min } = entries[0]!
    const state = this.state(entries[0]!)
    const page = await this.pageOf(this.text(state))
    await this.at(page, min)
    await page.goto(`${address}?step=${step}`)
    await expect(page.locator('#step-title')).toBeVisible()
    if (state.kind === 'bolts') {
      await this.anyBolts(page, entries)
      return page
    }
    const apart = page.getByRole('button', { name: 'One end at a time' })
    if (await apart.isVisible()) await this.thumb.tap(apart)
    const isRight = page.getByRole('button', { name: / is right$/ })
    let goes = true
    const confirming = (async (): Promise<void> => {
      for (; goes; await page.waitForTimeout(100))
        if (await isRight.isVisible()) await isRight.click({ timeout: 2_000 }).catch(() => undefined)
    })()
    await this.step(entries, address).finally(() => {
      goes = false
    })
    await confirming
    // What is on the border is passed: it is looked at once more.
    if (this.state(entries[0]!).verdict !== 'bad') await page.goto(`${address}?step=${step}`)
    return page
  }

  /** The figures of the example at whichever bolt is asked for, until none is. */
  private async anyBolts(page: Page, entries: Entry[]): Promise<void> {
    const input = page.getByLabel(/^Torque of bolt \d+, /)
    const next = page.getByRole('group', { name: 'Number pad' }).getByRole('button', { name: /^Next/ })
    for (const entry of entries) {
      await this.at(page, entry.min)
      if (!(await input.isVisible())) return
      await input.fill(String(entry.value!['torque_nm']))
      await next.click()
      const isRight = page.getByRole('button', { name: / is right$/ })
      await expect(async () => {
        if (await isRight.isVisible()) await isRight.click({ timeout: 2_000 })
        if (await input.isVisible()) expect(await input.inputValue()).toBe('')
      }).toPass()
    }
  }

  /** Who signs has another page. */
  private async pageOf(text: StepText): Promise<Page> {
    const part = this.partOf(text)
    return part === 'joiner' ? this.page : this.opened(part)
  }

  /** The page of who has this part, with an ear for what is answered there. */
  private async opened(part: Part): Promise<Page> {
    const page = await this.people.page(part)
    if (!this.heard.has(page)) page.on('response', (answer) => void this.hear(answer))
    this.heard.add(page)
    return page
  }

  /** Who records this step: the first of its roles that is there. */
  private partOf({ roles = [] }: StepText): Part {
    return roles.find((role): role is Part => role in this.people) ?? 'joiner'
  }

  /** Has the page at hand both ends of this step? */
  private async isBothEnds(entry: Entry, address: string): Promise<boolean> {
    const title = this.page.locator('#step-title')
    await this.comeBack(address)
    await expect(title).toBeVisible()
    const both = this.text(this.state(entry)).title.replace('{side}', 'both ends')
    return (await title.textContent()) === both
  }

  /** Looks at the page again where something was recorded since by somebody else: as one who comes back to it, or opens it anew. */
  private async comeBack(address: string): Promise<void> {
    if (!this.isLeft) return
    this.isLeft = false
    if (new URL(this.page.url(), 'http://nowhere').pathname === address) {
      const read = (answer: Response): boolean => answer.request().method() === 'GET' && answer.url().endsWith(`/api/v1/${this.path}`)
      const fresh = this.page.waitForResponse(read, { timeout: 2_000 }).catch(() => null)
      await this.page.evaluate(() => window.dispatchEvent(new Event('visibilitychange')))
      // One that was on its way before knows less.
      const known = (await (await fresh)?.json().catch(() => null)) as Subject | null
      if (known?.judgement.done === this.subject.judgement.done) return
    }
    await this.page.goto(address)
  }

  private isTypedElsewhere(entry: Entry): boolean {
    return this.hurry?.seen(this.text(this.state(entry))) === true
  }

  /** One fact as a device sends it, at its minute of the example. */
  private async send(entry: Entry): Promise<void> {
    const state = this.state(entry)
    const value = await asSent(this.people.joiner, this.path, entry, this.begins, () => state)
    const recorded_at = new Date(this.begins + entry.min * 60_000).toISOString().replace(/\.\d+Z$/, '+00:00')
    const { judgement, closed } = await this.people[this.partOf(this.text(state))].factAt(this.path, entry.step, value, recorded_at)
    this.subject = { ...this.subject, judgement, closed }
    this.isLeft = true
  }

  /** The clock of the page at this minute of the example. */
  private at(page: Page, min: number): Promise<void> {
    return page.clock.setSystemTime(this.begins + min * 60_000)
  }

  /** What the server answers to a fact is how things stand. */
  private async hear(answer: Response): Promise<void> {
    if (answer.request().method() !== 'POST' || !answer.url().endsWith(`${this.path}/facts`) || !answer.ok()) return
    // What comes after the last look at a page may find it closed.
    const said = (await answer.json().catch(() => null)) as Recorded | null
    if (said === null) return
    const { judgement, closed } = said
    this.subject = { ...this.subject, judgement, closed }
  }

  private state(entry: Entry): StepState {
    return this.subject.judgement.steps.find((s) => s.key === entry.step)!
  }

  private text(state: StepState): StepText {
    return this.procedure.steps.find(
      (s) => s.id === state.id && (s.each === undefined || (state.side !== null && s.each.includes(state.side))),
    )!
  }

  /** What of the steps that are done is not good, in its own words: for the report. */
  private notGood(): string {
    return this.subject.judgement.steps
      .filter((s) => s.status === 'done' && !['good', 'close'].includes(s.verdict))
      .map((s) => `${s.key} at ${s.at}: ${s.reasons.map((r) => r.text).join(' ')}`)
      .join('; ')
  }

  private async step(entries: Entry[], address: string): Promise<void> {
    const entry = entries[0]!
    const state = this.state(entry)
    const text = this.text(state)
    const page = await this.pageOf(text)
    if (page !== this.page) {
      await this.at(page, entry.min)
      await page.goto(`${address}?step=${entry.step}`)
      this.isLeft = true
    } else await this.comeBack(address)
    const title = page.locator('#step-title')
    await expect(title).toBeVisible()
    const isPair = entries.length > 1 && entries[1]!.step !== entry.step
    const called = isPair ? text.title.replace('{side}', 'both ends') : state.title
    if ((await title.textContent()) !== called) {
      const row = page.getByRole('list', { name: 'Steps' }).first().getByRole('button', { name: state.title })
      if (!(await row.isVisible())) await this.thumb.tap(page.getByRole('button', { name: STAGES[state.stage!] }))
      await this.thumb.tap(row)
    }
    await expect(title).toHaveText(called)
    await this.looked(page, text)
    const before = this.thumb.taps
    await this.enter(page, state, text, entries)
    this.tapsAt[entry.step] = this.thumb.taps - before
    // What is recorded is stored and judged before the next step is looked at.
    for (const one of entries) {
      const until = Date.now() + RECORDED_MS
      while (this.state(one).status !== 'done' && Date.now() < until) await new Promise((go) => setTimeout(go, 20))
      expect(this.state(one).status, `${this.procedure.id}: ${one.step} is recorded`).toBe('done')
    }
  }

  /**
   * What stands above the pad, on a small phone and a larger one: the figure at hand, what it is held against, and what is
   * wrong with one that cannot be.
   */
  private async looked(page: Page, text: StepText): Promise<void> {
    const pad = page.getByRole('group', { name: 'Number pad' })
    if (this.seen.has(text) || this.hurry?.seen(text) || !(await pad.isVisible())) return
    this.seen.add(text)
    const figure = page.locator('input[data-at-hand]').or(page.locator('form input[inputmode=none][data-round]')).first()
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height })
      // As one comes to it, and not as a larger or smaller phone was left.
      await figure.blur()
      await page.evaluate(() => window.scrollTo(0, 0))
      await figure.focus()
      const top = async (): Promise<number> => (await pad.boundingBox())!.y
      const stands = (what: Locator, called: string): Promise<void> =>
        expect(async () => {
          const box = (await what.boundingBox())!
          expect(box.y, `${text.id}: ${called} is on the page`).toBeGreaterThanOrEqual(0)
          expect(box.y + box.height, `${text.id}: ${called} stands above the pad`).toBeLessThanOrEqual((await top()) + 1)
        }).toPass({ timeout: 5_000 })
      await stands(figure, 'the figure at hand')
      const { y, height: tall } = (await pad.boundingBox())!
      expect(y + tall, `${text.id}: the pad stands at the foot of the phone`).toBeGreaterThan(height - 60)
      const target = page.locator('[data-target]').first()
      if (await target.count()) {
        await stands(target, 'its target')
        await expect(target).toHaveText(/^Limits?: .*\d/)
      }
      if ((await figure.inputValue()) !== '') continue
      await figure.fill(IMPOSSIBLE)
      await pad.getByRole('button', { name: /^(Next.*|Record|All as it should be|Read on)$/ }).click()
      const fault = page.getByRole('alert').first()
      // One of several figures may be all that is wrong with a step, or none of its answers is given yet.
      if (await fault.isVisible()) await stands(fault, 'what is wrong')
      await stands(figure, 'the figure at hand')
      await figure.fill('')
    }
  }

  private async enter(page: Page, state: StepState, text: StepText, entries: Entry[]): Promise<void> {
    const values = entries.map((e) => resolved(e.value ?? {}, this.begins, (name) => ({ name })) as Value)
    if (state.kind === 'entries') return this.list(page, text, entries, values)
    if (entries[0]!.photo) await this.photo(page)
    if (state.kind === 'trace') return this.play(page, text, entries[0]!)
    if (state.kind === 'round') return this.round(page, text, values)
    if (state.kind === 'bolts') return this.bolts(page, entries, values)
    if (state.kind === 'timer') return this.thumb.tap(page.getByRole('button', { name: / now$/ }))
    const over = page.getByRole('button', { name: /^(The label says what was scanned|As at )/ })
    if (!this.isRefusing && (await over.isVisible())) {
      await this.thumb.tap(over)
      // Where all of it is known, it is recorded.
      const isRecorded = await expect(page.locator('#step-title'))
        .not.toHaveText(state.title, { timeout: 1_500 })
        .then(
          () => true,
          () => false,
        )
      if (isRecorded) return
    }
    for (const [i, value] of values.entries())
      for (const field of text.fields ?? []) {
        if (value[field.key] === undefined || value[field.key] === null) continue
        await this.field(page, field, value[field.key], entries.length > 1 ? `${entries[i]!.step}/` : '')
      }
    if (state.kind === 'hold') {
      // What keeps it from being signed stands in its place, and then in the report.
      const region = page.getByRole('region', { name: state.title })
      await expect(region, this.notGood()).toContainText('Your name stands under')
      await this.thumb.tap(page.getByRole('button', { name: 'Sign', exact: true }))
      const fromMemory = page.getByRole('dialog').getByRole('checkbox')
      if ((await fromMemory.count()) > 0) await this.thumb.tap(fromMemory)
      const password = page.getByRole('dialog').getByLabel('Your password')
      if ((await password.count()) > 0) await password.fill(PASSWORD)
      return this.thumb.tap(page.getByRole('button', { name: /^Sign as / }))
    }
    // A scanner that types ends with Enter.
    const isTyping = await page.evaluate(() => document.activeElement?.tagName === 'INPUT')
    if (state.kind === 'scan' && isTyping) {
      await page.keyboard.press('Enter')
      // A code without a serial number: the second Enter passes it over.
      const isLeft = await page.evaluate(() => (document.activeElement as HTMLInputElement | null)?.value === '')
      return isLeft ? page.keyboard.press('Enter') : undefined
    }
    await this.thumb.done(page)
  }

  private async field(page: Page, field: FieldSpec, value: unknown, end: string): Promise<void> {
    const name = `${end}${field.key}`
    switch (field.type ?? (field.quantity ? 'quantity' : 'number')) {
      case 'yesno':
        // What a sound joint answers is answered by one tap at the end.
        if (value === (field.want ?? field.should)) return
        return this.thumb.choose(page, name, `${field.label}: ${value ? 'Yes' : 'No'}`)
      case 'choice': {
        const chosen = field.options!.find((o) => o.value === value)!.label
        if ((field.options ?? []).length <= 4) return this.thumb.choose(page, name, `${field.label}: ${chosen}`)
        this.thumb.taps += 2
        return pick(page, field.label, new RegExp(`^${escaped(chosen)}$`))
      }
      case 'signature': {
        this.thumb.taps++
        const { x, y, width, height } = (await page.locator('[data-signature]').boundingBox())!
        await page.mouse.move(x + width * 0.1, y + height * 0.5)
        await page.mouse.down()
        for (let i = 1; i <= 10; i++) await page.mouse.move(x + width * (0.1 + 0.08 * i), y + height * (i % 2 ? 0.3 : 0.7))
        return page.mouse.up()
      }
      case 'item':
        return this.thumb.fromStores(page, escaped(field.label), (value as { name: string }).name)
      case 'text':
      case 'code':
        return this.thumb.scan(page, page.locator(`input[name="${name}"]`), String(value))
      case 'day':
      case 'time':
        // The device's own calendar: opened, turned to the month, the day.
        this.thumb.taps += 3
        return page.locator(`input[name="${name}"]`).fill(field.type === 'day' ? String(value) : onTheWall(String(value)))
      default:
        return this.thumb.figure(page, page.locator(`input[name="${name}"]`), String(value))
    }
  }

  /** One entry after the other, and the word that this is all. */
  private async list(page: Page, text: StepText, entries: Entry[], values: Value[]): Promise<void> {
    for (const [i, value] of values.entries()) {
      await this.at(page, entries[i]!.min)
      if (value['all'] === true) {
        await this.thumb.tap(page.getByRole('button', { name: i === 0 ? (text.none ?? '') : /^That is all: / }))
        continue
      }
      if (entries[i]!.photo) await this.photo(page)
      for (const field of text.fields ?? [])
        if (value[field.key] !== undefined && value[field.key] !== null) await this.field(page, field, value[field.key], '')
      await this.thumb.done(page)
      await expect(page.getByRole('list', { name: 'Entered' }).getByRole('listitem')).toHaveCount(i + 1)
    }
  }

  /** Bolt by bolt as the page lights them: the figure of the wrench, or one tap for a nut that is turned. */
  private async bolts(page: Page, entries: Entry[], values: Value[]): Promise<void> {
    for (const [i, value] of values.entries()) {
      await this.at(page, entries[i]!.min)
      const bolt = Number(value['bolt'])
      if (value['torque_nm'] === undefined) {
        await this.thumb.tap(page.getByRole('button', { name: new RegExp(`^Nut ${bolt}: `) }))
        continue
      }
      const input = page.getByLabel(new RegExp(`^Torque of bolt ${bolt}, `))
      await expect(input).toHaveValue('')
      await this.thumb.type(page, input, String(value['torque_nm']))
      await this.thumb.tap(page.getByRole('group', { name: 'Number pad' }).getByRole('button', { name: /^Next/ }))
    }
  }

  private async round(page: Page, text: StepText, values: Value[]): Promise<void> {
    const key = text.fields![0]!.key
    for (const reading of values.flatMap((value) => value['readings'] as Value[])) {
      const input = page.locator('form input').first()
      await expect(input).toHaveValue('')
      await this.thumb.type(page, input, String(reading[key]))
      await this.thumb.tap(page.getByRole('group', { name: 'Number pad' }).getByRole('button', { name: /^(Next.*|Record)$/ }))
    }
  }

  /** The stand-in of the device, as fast as it goes. */
  private async play(page: Page, text: StepText, entry: Entry): Promise<void> {
    expect(entry.plays).toBe('none')
    const speed = page.getByLabel('Speed')
    await expect(speed).toBeVisible()
    await speed.click()
    await page.getByRole('option').last().click()
    await this.thumb.tap(
      page.getByRole('button', text.action ? { name: text.action, exact: true } : { name: /^(Fuse|Start pump and logger)$/ }),
    )
  }

  /** Two taps: the camera, and its shutter. */
  private async photo(page: Page): Promise<void> {
    this.thumb.taps += 2
    await page
      .locator('input[type=file][accept^="image"]')
      .first()
      .setInputFiles({ name: 'joint.png', mimeType: 'image/png', buffer: PICTURE })
    await expect(page.getByAltText('Photo 1 of this step')).toBeVisible()
  }
}
