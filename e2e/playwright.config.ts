import { defineConfig } from '@playwright/test'

const port = process.env.PEEN_E2E_PORT ?? '4760'

export default defineConfig({
  testDir: '.',
  timeout: 60000,
  expect: { timeout: 10000 },
  workers: 1,
  fullyParallel: false,
  outputDir: '../test-results',
  reporter: process.env.PEEN_E2E_REPORT ? [['list'], ['json', { outputFile: process.env.PEEN_E2E_REPORT }]] : 'list',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync'
      ]
    }
  }
})
