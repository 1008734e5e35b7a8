import { test as any } from '@playwright/test'

/** A test whose pages go when it ends: those that stayed would tick on beside the tests that follow. */
export const test = any.extend<{ pagesGo: void }>({
  pagesGo: [
    async ({ browser }, use) => {
      await use()
      await Promise.all(browser.contexts().map((context) => context.close()))
    },
    { auto: true },
  ],
})
