import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './bin/lib/chromium.mjs'

const LONG = /(offline|keyboard|electrofusion|whole-job|durability|running|looks|daily|fusion|people)\.spec\.ts/

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'test-results',
  timeout: 900_000,
  expect: { timeout: 45_000 },
  fullyParallel: false,
  // Files share the demo but not its joints; two at a time fill a machine of two cores.
  workers: 3,
  retries: 0,
  // What takes long and cannot be divided begins first; what is many and short fills the gaps.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'others', testIgnore: LONG },
  ],
  reporter: [['list'], ['json', { outputFile: '.diastoma-test/e2e.json' }]],
  use: {
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:8080',
    locale: 'en-GB',
    timezoneId: 'Europe/Vienna',
    trace: 'off',
    // Nothing is put on the device but where that is what is tried: each new browser would fetch the core anew.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: 45_000,
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
