import { expect, type Locator, type Page } from '@playwright/test'
import { tapEnd } from './people'

const pad = (page: Page): Locator => page.getByRole('group', { name: 'Number pad' })

/**
 * A gloved thumb on the page of a step. It counts its taps. In a hurry it types figures on keys instead, and its count says
 * nothing.
 */
export class Thumb {
  taps = 0

  constructor(private readonly isInHurry = false) {}

  async tap(on: Locator): Promise<void> {
    this.taps++
    await on.click()
  }

  /** Types a figure on the pad: digits that stand there already are not typed. */
  async type(page: Page, input: Locator, text: string): Promise<void> {
    if (this.isInHurry) return input.fill(text)
    const known = (await input.getAttribute('placeholder')) ?? ''
    const [whole = '', rest] = text.split('.')
    if (known === '0.' && whole === '0') return this.keys(page, rest ?? '', text === '0' ? '0' : '')
    if (/^\d+$/.test(known)) {
      await this.key(page, whole.at(-1)!)
      if ((await input.inputValue()) === whole) return this.keys(page, rest ?? '')
    }
    if (known !== '') await this.tap(pad(page).getByRole('button', { name: /^not / }))
    await this.keys(page, text)
  }

  private async keys(page: Page, keys: string, first = ''): Promise<void> {
    // A list that is closing lies over the pad for a moment; the driver would scroll the page to get at the key.
    await expect(page.locator('.MuiBackdrop-root')).toHaveCount(0)
    const places: number[] = []
    for (const key of first + keys) {
      places.push(Math.round((await pad(page).boundingBox())!.y))
      await this.key(page, key)
    }
    // A key that has moved under the thumb is another key.
    expect(new Set(places).size, `the pad stays while a figure is typed: ${places.join(', ')}`).toBeLessThanOrEqual(1)
  }

  private key(page: Page, key: string): Promise<void> {
    return this.tap(pad(page).getByRole('button', { name: key, exact: true }))
  }

  /** One of several figures of a step: the next one is at hand by itself. */
  async figure(page: Page, input: Locator, text: string): Promise<void> {
    // A page that has just been turned has neither for a moment.
    const ifKnown = page.getByRole('button', { name: /^If known:/ })
    await expect(input.or(ifKnown).first()).toBeVisible()
    if (!(await input.isVisible())) await this.tap(ifKnown)
    const isThere = await input.inputValue()
    if (isThere !== '' && Number(isThere) === Number(text)) return
    if (this.isInHurry) return input.fill(text)
    const atHand = async (): Promise<boolean> => (await input.getAttribute('data-at-hand')) !== null
    const next = pad(page).getByRole('button', { name: 'Next', exact: true })
    if (!(await atHand()) && (await next.isVisible())) await this.tap(next)
    if (!(await atHand())) await this.tap(input)
    await expect(input).toHaveValue('')
    await this.type(page, input, text)
    await expect(input).toHaveValue(new RegExp(`^0*${text.replace('.', '\\.')}$`))
  }

  async choose(page: Page, name: string, label: string): Promise<void> {
    const box = page.locator(`input[name="${name}"]`).and(page.getByLabel(label, { exact: true }))
    if (!(await box.isChecked())) await this.tap(box.locator('xpath=..'))
  }

  async fromStores(page: Page, label: string, name: string): Promise<void> {
    const button = page.getByRole('button', { name: new RegExp(`^${label}: `) })
    await expect(button).toBeVisible()
    // What was used last is offered a moment after the page: a thumb that counts its taps looks first.
    const isOffered = await expect(button)
      .toHaveAttribute('aria-label', `${label}: ${name}`, { timeout: this.isInHurry ? 1 : 3_000 })
      .then(
        () => true,
        () => false,
      )
    if (isOffered) return
    await this.tap(button)
    await this.tap(
      page
        .getByRole('dialog')
        .getByRole('button', { name: new RegExp(name.replace(/[()]/g, '.')) })
        .first(),
    )
    await expect(page.getByRole('button', { name: `${label}: ${name}` })).toBeVisible()
  }

  /** A scanner that is a keyboard types it; its trigger is no tap on the page. */
  async scan(page: Page, input: Locator, text: string): Promise<void> {
    if ((await input.inputValue()) === text) return
    await input.focus()
    await input.fill('')
    await page.keyboard.type(text)
    await expect(input).toHaveValue(text)
  }

  /** What ends a step: all as it should be where there are questions, else the record of what was typed. */
  async done(page: Page): Promise<void> {
    const end = page.locator('form').getByRole('button', { name: /^(All as it should be|The rest as it should be|Record|Add it|Read on)$/ })
    for (let tries = 0; tries < 6; tries++) {
      // What has come into view is known a moment later, and the button says so.
      await expect(end).not.toHaveAttribute('aria-disabled', 'true')
      this.taps++
      if ((await tapEnd(end)) !== 'Read on') return
    }
  }
}
