import { expect, type Page, type Response } from '@playwright/test'
import type { ProcedureText, Recorded, StepState, StepText, Subject } from '../../resources/js/api/client'
import { resolved, type Entry, type Example, type Value } from './examples'
import { fromStores, pick, sign } from './people'
import type { Trench } from './trench'

/** A picture of one dot. */
const PICTURE = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64')

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/**
 * Walks a procedure through the pages as its example has it, at the trench: types what a thumb would, and knows kinds of
 * steps, never kinds of joints. The page's clock goes along with the example, so that nothing is waited for.
 */
export class Robot {
  private subject!: Subject

  /** @param signing  another page for each role that signs, signed in already */
  constructor(
    private readonly page: Page,
    private readonly trench: Trench,
    private readonly path: string,
    private readonly procedure: ProcedureText,
    private readonly example: Example,
    private readonly begins: number,
    private readonly signing: Record<string, Page>,
  ) {}

  async walk(address: string): Promise<Subject> {
    this.subject = await this.trench.get<Subject>(this.path)
    for (const page of Object.values(this.signing)) page.on('response', (answer) => void this.hear(answer))
    for (const entry of this.example.good) {
      await this.at(this.page, entry.min)
      if (entry === this.example.good[0]) await this.page.goto(address)
      await this.step(entry, address)
    }
    return this.subject
  }

  /** The clock of the page at this minute of the example. */
  private at(page: Page, min: number): Promise<void> {
    return page.clock.setSystemTime(this.begins + min * 60_000)
  }

  /** What the server answers to a fact is how things stand. */
  private async hear(answer: Response): Promise<void> {
    if (answer.request().method() !== 'POST' || !answer.url().endsWith(`${this.path}/facts`) || !answer.ok()) return
    const { judgement, closed } = (await answer.json()) as Recorded
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

  private async step(entry: Entry, address: string): Promise<void> {
    const state = this.state(entry)
    const text = this.text(state)
    const roles = text.roles ?? []
    const page = roles.length > 0 ? this.signing[roles.find((role) => this.signing[role])!]! : this.page
    if (page !== this.page) {
      await this.at(page, entry.min)
      await page.goto(`${address}?step=${entry.step}`)
    }
    const title = page.locator('#step-title')
    await expect(title).toBeVisible()
    if ((await title.textContent()) !== state.title)
      await page.getByRole('list', { name: 'Steps' }).getByRole('button', { name: state.title }).click()
    await expect(title).toHaveText(state.title)
    await this.enter(page, state, text, entry)
    // What is recorded is stored and judged before the next step is looked at.
    await expect
      .poll(() => this.state(entry).status, {
        message: `${this.procedure.id}: ${entry.step} is recorded`,
        intervals: [20],
        timeout: 90_000,
      })
      .toBe('done')
  }

  private async enter(page: Page, state: StepState, text: StepText, entry: Entry): Promise<void> {
    const value = resolved(entry.value ?? {}, this.begins, (name) => ({ name })) as Value
    if (entry.photo) await this.photo(page)
    if (state.kind === 'trace') return this.play(page, text, entry)
    if (state.kind === 'round') return this.round(page, text, value)
    if (state.kind === 'timer') return this.time(page, text, value)
    for (const field of text.fields ?? []) if (value[field.key] !== undefined) await this.field(page, field, value[field.key])
    if (state.kind === 'hold') return sign(page)
    await page.getByRole('button', { name: 'Record', exact: true }).click()
  }

  private async field(page: Page, field: NonNullable<StepText['fields']>[number], value: unknown): Promise<void> {
    const label = new RegExp(`^${escaped(field.label)}( \\(if known\\))?(,|$)`)
    switch (field.type ?? (field.quantity ? 'quantity' : 'number')) {
      case 'yesno':
        return page
          .getByLabel(`${field.label}: ${value ? 'Yes' : 'No'}`, { exact: true })
          .locator('xpath=..')
          .click()
      case 'choice': {
        const chosen = field.options!.find((o) => o.value === value)!.label
        return (field.options ?? []).length <= 4
          ? page.getByLabel(`${field.label}: ${chosen}`, { exact: true }).locator('xpath=..').click()
          : pick(page, field.label, chosen)
      }
      case 'item':
        return fromStores(page, escaped(field.label), (value as { name: string }).name)
      default: {
        const input = page.getByLabel(label).first()
        if (!(await input.isVisible())) await page.getByRole('button', { name: /^If known:/ }).click()
        return input.fill(String(value))
      }
    }
  }

  private async round(page: Page, text: StepText, value: Value): Promise<void> {
    const key = text.fields![0]!.key
    for (const reading of value['readings'] as Value[]) {
      const input = page.locator('form input').first()
      await expect(input).toHaveValue('')
      await input.fill(String(reading[key]))
      await input.press('Enter')
    }
  }

  private async time(page: Page, text: StepText, value: Value): Promise<void> {
    const local = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Vienna', dateStyle: 'short', timeStyle: 'medium' }).format(
      new Date(String(value[text.fields![0]!.key])),
    )
    await page.getByLabel('or at').fill(local.replace(' ', 'T'))
    await page.getByRole('button', { name: 'Record', exact: true }).click()
  }

  /** The stand-in of the device, as fast as it goes. */
  private async play(page: Page, text: StepText, entry: Entry): Promise<void> {
    expect(entry.plays).toBe('none')
    const speed = page.getByLabel('Speed')
    await expect(speed).toBeVisible()
    await speed.click()
    await page.getByRole('option').last().click()
    await page.getByRole('button', text.action ? { name: text.action, exact: true } : { name: /^(Fuse|Start pump and logger)$/ }).click()
  }

  private async photo(page: Page): Promise<void> {
    await page
      .locator('input[type=file][accept^="image"]')
      .first()
      .setInputFiles({ name: 'joint.png', mimeType: 'image/png', buffer: PICTURE })
    await expect(page.getByAltText('Photo 1 of this step')).toBeVisible()
  }
}
