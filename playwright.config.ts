import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'test-results',
  timeout: 900_000,
  expect: { timeout: 45_000 },
  fullyParallel: false,
  // Files share the demo but not its joints; two at a time fill a machine of two cores.
  workers: 3,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: '.diastoma-test/e2e.json' }]],
  use: {
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:8080',
    locale: 'en-GB',
    timezoneId: 'Europe/Vienna',
    trace: 'off',
    actionTimeout: 45_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
