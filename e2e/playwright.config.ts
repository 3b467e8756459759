import { defineConfig } from '@playwright/test'

// one server for each worker, so that the files run side by side
const ports = (process.env.PEEN_E2E_PORT ?? '4760').split(',')
const port = ports[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % ports.length]

export default defineConfig({
  testDir: '.',
  // a shared machine may be several times slower than usual for a minute
  timeout: 240000,
  expect: { timeout: 60000 },
  workers: ports.length,
  fullyParallel: false,
  outputDir: '../test-results',
  reporter: process.env.PEEN_E2E_REPORT ? [['list'], ['json', { outputFile: process.env.PEEN_E2E_REPORT }]] : 'list',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    // keeping the whole application on the tablet has tests of its own (offline.spec.ts); the others would only wait for it
    serviceWorkers: 'block',
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
        '--disable-sync',
        // a stand-in for the tablet's camera: live-camera.spec.ts
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream'
      ]
    }
  }
})
