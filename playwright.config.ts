import { defineConfig } from '@playwright/test'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const PORT = 3217
const data = process.env.NEAT_BRACKET_TEST_DATA ?? join(tmpdir(), `neat-bracket-e2e-${process.pid}`)
process.env.NEAT_BRACKET_TEST_DATA = data

/** Browser tests against the built application with the demo jobs, in Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  // Only for what hangs, as everywhere.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: 'list',
  use: {
    baseURL: `http://localhost:${PORT}`,
    locale: 'en-GB',
    // requests pass the test by where a service worker answers; its own tests let it
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        '--disable-quic',
      ],
    },
  },
  projects: [
    {
      name: 'laptop',
      use: { viewport: { width: 1280, height: 800 } },
      testIgnore: /server|touch|offline|lan/,
    },
    {
      name: 'phone',
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, deviceScaleFactor: 2 },
      testMatch: /journey|screens|plan|touch|field|parts|offline/,
    },
    { name: 'server', testMatch: /server|lan/ },
  ],
  webServer: {
    command: `node --conditions=react-server --import tsx demo/load.ts && node scripts/serve.mjs --port ${PORT}`,
    env: { NEAT_BRACKET_DATA: data },
    url: `http://localhost:${PORT}/api/health`,
    timeout: 60_000,
  },
})
