import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

type Fault = Awaited<ReturnType<AxeBuilder['analyze']>>['violations'][number]

/** All that axe finds. Our pages hold no frames of others, for which it would open a page of its own each time. */
export async function faults(page: Page): Promise<Fault[]> {
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
  return (await axe.analyze()).violations
}

/** What of the standard keeps people from reading or doing something, in words. */
export async function seriousFaults(page: Page): Promise<string[]> {
  // A colour that is on its way is not yet what a person reads.
  await page.waitForFunction(() => document.getAnimations().every((a) => a.playState !== 'running'))
  const axe = new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .withTags(TAGS)
  return (await axe.analyze()).violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)
}
