import { devices, expect, request as requests, test, type APIRequestContext } from '@playwright/test'
import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { get } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { factsOf, type Job } from '@/core/job'
import { kill } from './ownServer'

/** The application on the network: a server of its own that is open to paired phones. */
const [HOME, PHONES, TRUST] = ['http://localhost:3261', 'https://localhost:3262', 'http://localhost:3263']

let server: ChildProcess
let folder: string
let stranger: APIRequestContext

test.beforeAll(async ({ request }) => {
  folder = mkdtempSync(join(tmpdir(), 'neat-bracket-lan-'))
  server = spawn(process.execPath, ['scripts/serve.mjs', '--port', '3261', '--lan'], {
    env: {
      ...process.env,
      NEAT_BRACKET_DATA: folder,
      NEAT_BRACKET_HOST: 'localhost',
      NEAT_BRACKET_LAN_PORT: '3262',
    },
    stdio: 'ignore',
    detached: true,
  })
  await expect
    .poll(
      () =>
        request.get(`${HOME}/api/health`).then(
          (answer) => answer.status(),
          () => 0,
        ),
      { timeout: 30_000 },
    )
    .toBe(200)
  stranger = await requests.newContext({ ignoreHTTPSErrors: true })
})
test.afterAll(async () => {
  await stranger.dispose()
  kill(server)
})

/** Every address of the application, out of the code, with a word for each part that changes. */
const addresses = () =>
  readdirSync('src/app', { recursive: true, encoding: 'utf8' })
    .filter((file) => /(^|\/)(page\.tsx|route\.ts|manifest\.ts)$/.test(file))
    .map((file) =>
      `/${file.replace(/manifest\.ts$/, 'manifest.webmanifest')}`.replace(/\/(page|route)\.tsx?$/, ''),
    )
    .map((way) => way.replace(/\/\[\[\.\.\.\w+\]\]/, '').replace(/\[\w+\]/g, 'x') || '/')

/** What a phone needs to be paired; none of it shows a record. */
const BEFORE_PAIRING = new Set(['GET /pair', 'POST /api/pair', 'GET /offline', 'GET /manifest.webmanifest'])

const paired = async (request: APIRequestContext, name: string) => {
  const started = (await (await request.post(`${HOME}/api/pairings`, { data: {} })).json()) as {
    address: string
  }
  const phone = await requests.newContext({ ignoreHTTPSErrors: true, baseURL: PHONES })
  const secret = new URL(started.address).hash.slice(1)
  const answer = await phone.post('/api/pair', { data: { secret, name } })
  return { phone, answer, secret }
}

test('nothing of the record is told to whoever is not paired, at any address', async () => {
  const all = addresses()
  expect(all.length).toBeGreaterThan(25)
  for (const address of all)
    for (const method of ['GET', 'HEAD', 'POST', 'PUT', 'DELETE']) {
      if (BEFORE_PAIRING.has(`${method === 'HEAD' ? 'GET' : method} ${address}`)) continue
      const headers = {
        'content-type': 'application/json',
        'x-paired-phone': 'Lead',
        'cookie': 'neat-bracket-phone=x',
      }
      const answer = await stranger.fetch(`${PHONES}${address}`, {
        method,
        headers,
        data: method === 'GET' ? undefined : '{}',
      })
      expect([method, address, answer.status()]).toEqual([method, address, 401])
    }
  // nor through something in between that speaks to the machine's own door
  const through = await stranger.get(`${HOME}/api/jobs`, { headers: { 'x-forwarded-for': '203.0.113.7' } })
  expect(through.status()).toBe(401)
  expect((await stranger.get(`${HOME}/api/jobs`)).status()).toBe(200)
})

test('a code pairs one phone; what it says is said by whom it is paired to; ended, it is out', async ({
  request,
}) => {
  const { phone, answer, secret } = await paired(request, 'Installer 7')
  expect(answer.status()).toBe(201)
  expect(answer.headers()['set-cookie']).toMatch(/; HttpOnly; Secure; SameSite=Strict/)
  expect((await phone.post('/api/pair', { data: { secret, name: 'Somebody' } })).status()).toBe(410)
  expect((await phone.post('/api/pair', { data: { secret: 'guess', name: 'Somebody' } })).status()).toBe(410)

  const { job } = JSON.parse(readFileSync('demo/jobs/1-quarry-lane.job.json', 'utf8')) as { job: Job }
  const said = {
    id: randomUUID(),
    jobId: 'over-the-network',
    at: '2026-03-02T09:30:00.000Z',
    by: 'Lead',
    type: 'createJob',
    facts: { ...factsOf(job), name: 'Over the network' },
  }
  const answered = await phone.post('/api/commands', { data: { commands: [said] } })
  expect(await answered.json()).toMatchObject({ answers: [{ status: 'applied' }] })
  const again = await phone.post('/api/commands', { data: { commands: [{ ...said, by: 'Another' }] } })
  expect(await again.json()).toMatchObject({ answers: [{ status: 'already applied' }] })
  const { job: kept } = (await (await phone.get('/api/jobs/over-the-network')).json()) as { job: Job }
  expect(kept.createdBy).toBe('Installer 7')

  // phones are paired and ended at the machine itself
  expect((await phone.post('/api/pairings', { data: {} })).status()).toBe(403)
  expect((await phone.get('/api/phones')).status()).toBe(403)
  const { phones } = (await (await request.get(`${HOME}/api/phones`)).json()) as {
    phones: { id: string; name: string }[]
  }
  const { id } = phones.find(({ name }) => name === 'Installer 7')!
  expect((await phone.delete(`/api/phones/${id}`)).status()).toBe(403)
  expect((await request.delete(`${HOME}/api/phones/${id}`)).status()).toBe(204)
  expect((await phone.get('/api/jobs')).status()).toBe(401)
  expect((await request.delete(`${HOME}/api/phones/${id}`)).status()).toBe(404)
  await phone.dispose()
})

test('a phone that trusts the laptop’s own authority trusts the application, and others do not', async ({
  request,
}) => {
  expect(await (await request.get(TRUST)).text()).toContain('Certificate Trust Settings')
  expect((await request.get(`${TRUST}/api/jobs`)).status()).toBe(404)
  const der = await (await request.get(`${TRUST}/neat-bracket.crt`)).body()
  const ca = `-----BEGIN CERTIFICATE-----\n${der.toString('base64')}\n-----END CERTIFICATE-----\n`
  const status = (options: object) =>
    new Promise((resolve) => {
      get(`${PHONES}/api/health`, options, (answer) => (answer.resume(), resolve(answer.statusCode))).on(
        'error',
        (error) => resolve((error as NodeJS.ErrnoException).code),
      )
    })
  expect(await status({ ca })).toBe(401)
  expect(await status({})).toMatch(/SELF_SIGNED|UNABLE_TO/)
})

test('the laptop shows a code, the phone that opens it is paired by two fields, and is seen and ended', async ({
  page,
  browser,
}) => {
  await page.goto(`${HOME}/`)
  await page.getByRole('link', { name: 'Phones' }).click()
  await expect(page.locator('h1')).toHaveText('Open to paired phones on this network.')
  await page.getByRole('button', { name: 'Show the code' }).click()
  await expect(page.getByRole('img', { name: 'Code that pairs one phone' })).toBeVisible()
  await expect(page.getByRole('timer')).toHaveText(/Lapses in [45]:\d\d/)
  const address = (await page.getByTestId('pairing-address').textContent())!

  const { defaultBrowserType: _, ...pixel } = devices['Pixel 7']
  const context = await browser.newContext({ ...pixel, ignoreHTTPSErrors: true, serviceWorkers: 'block' })
  const phone = await context.newPage()
  await phone.goto(address)
  await phone.getByRole('button', { name: 'Pair this phone' }).click()
  await expect(phone.getByText('Say who works with this phone.')).toBeVisible()
  await phone.getByLabel('Name or role').fill('Installer 9')
  await phone.getByRole('button', { name: 'Pair this phone' }).click()
  await expect(phone.getByRole('link', { name: 'New job' })).toBeVisible()
  await phone.goto(address)
  await phone.getByLabel('Name or role').fill('Installer 10')
  await phone.getByRole('button', { name: 'Pair this phone' }).click()
  await expect(phone.getByText(/A code pairs one phone/)).toBeVisible()

  await page.getByRole('button', { name: 'End Installer 9' }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText('Installer 9', { exact: true })).toBeHidden()
  await phone.goto(PHONES)
  await expect(phone.getByText('This phone is not paired')).toBeVisible()
  await context.close()
})
