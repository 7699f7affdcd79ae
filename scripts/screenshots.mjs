/**
 * Makes docs/screenshots from the demo jobs: starts the built application on a folder of its own and
 * photographs each main view.
 */
import { chromium } from '@playwright/test'
import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, mkdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './machine.mjs'

const LAPTOP = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }
const VIEWS = [
  ['jobs', LAPTOP, '/'],
  ['board', LAPTOP, '/jobs/kestrel-quay'],
  ['assembly', LAPTOP, '/jobs/kestrel-quay/devices/device-05/device'],
  ['sight', LAPTOP, '/jobs/kestrel-quay/devices/device-04/sight'],
  ['mount', LAPTOP, '/jobs/kestrel-quay/devices/device-05/mount'],
  ['route', LAPTOP, '/jobs/kestrel-quay/devices/device-05/route'],
  ['equipment', LAPTOP, '/jobs/kestrel-quay/equipment'],
  ['seal', LAPTOP, '/jobs/kestrel-quay/devices/device-08/seal'],
  ['power', LAPTOP, '/jobs/kestrel-quay/devices/device-13/power'],
  ['round', LAPTOP, '/jobs/kestrel-quay/round'],
  ['pull-sheet', LAPTOP, '/jobs/kestrel-quay/pull-sheet'],
  ['punch-list', LAPTOP, '/jobs/tamarisk-surgery/punch-list'],
  ['record', LAPTOP, '/jobs/kestrel-quay/record/device-01'],
  ['plan', LAPTOP, '/jobs/kestrel-quay/plan'],
  ['plan-camera', LAPTOP, '/jobs/kestrel-quay/plan?device=device-12'],
  ['phone-plan', PHONE, '/jobs/kestrel-quay/plan'],
  ['phone-board', PHONE, '/jobs/kestrel-quay'],
  ['phone-log', PHONE, '/jobs/kestrel-quay/devices/device-04/log?step=aim%2Ftilt'],
  ['phone-loft', PHONE, '/jobs/kestrel-quay/runs/jetty-link', 'loft'],
]
const PORT = 3271
const data = mkdtempSync(join(tmpdir(), 'neat-bracket-shots-'))
const env = { ...process.env, NEAT_BRACKET_DATA: data }

build()
spawnSync(process.execPath, ['--conditions=react-server', '--import', 'tsx', 'demo/load.ts'], {
  env,
  stdio: 'inherit',
})
const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(PORT)], {
  env,
  stdio: 'ignore',
  detached: true,
})
const browser = await chromium.launch({
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
})
try {
  for (
    let i = 0;
    i < 50 &&
    !(await fetch(`http://localhost:${PORT}/api/jobs`).then(
      (r) => r.ok,
      () => false,
    ));
    i++
  )
    await new Promise((resolve) => setTimeout(resolve, 200))
  mkdirSync('docs/screenshots', { recursive: true })
  for (const [name, viewport, path, theme = 'daylight'] of VIEWS) {
    const context = await browser.newContext({
      viewport,
      isMobile: viewport === PHONE,
      hasTouch: viewport === PHONE,
    })
    await context.addInitScript((value) => localStorage.setItem('theme', value), theme)
    const page = await context.newPage()
    await page.goto(`http://localhost:${PORT}${path}`)
    await page.waitForFunction(() => document.fonts.status === 'loaded' && document.readyState === 'complete')
    // the survey runs beside the page
    await page.waitForFunction(() => !document.querySelector('h1')?.textContent?.startsWith('Looking'))
    await page.waitForFunction(() => window.neatBracketTap?.done) // drawings fit themselves to the screen then
    await page.waitForTimeout(600)
    await page.screenshot({ path: `docs/screenshots/${name}.png` })
    await context.close()
    console.log(name)
  }
} finally {
  await browser.close()
  process.kill(-server.pid, 'SIGKILL')
  rmSync(data, { recursive: true, force: true })
}
