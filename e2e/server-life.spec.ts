import { expect, test, type APIRequestContext } from '@playwright/test'
import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { factsOf, type Job, type JobFacts } from '@/core/job'
import { kill, start } from './ownServer'

const at = '2026-03-02T09:30:00.000Z'
const post = (request: APIRequestContext, commands: unknown[], base = '') =>
  request.post(`${base}/api/commands`, { data: { commands } })
const say = (jobId: string, change: object) => ({ id: randomUUID(), jobId, at, by: 'Lead', ...change })

const facts = (name: string): JobFacts => {
  const { job } = JSON.parse(readFileSync('demo/jobs/1-quarry-lane.job.json', 'utf8')) as { job: Job }
  return { ...factsOf(job), name }
}

test('killing the server in the middle of batches loses no acknowledged command', async ({ request }) => {
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-kill-'))
  const acknowledged: string[] = []
  for (let round = 0; round < 3; round++) {
    const port = 3231 + round
    const base = `http://localhost:${port}`
    const server = await start(folder, port, request)
    const jobId = `job-${round}`
    expect(
      (
        await post(request, [say(jobId, { type: 'createJob', facts: facts(`Round ${round}`) })], base)
      ).status(),
    ).toBe(200)
    setTimeout(() => kill(server), 350 + round * 170)
    for (;;) {
      const batch = Array.from({ length: 25 }, (_, i) =>
        say(jobId, {
          type: 'putEquipment',
          equipmentId: `supply-${i}`,
          change: { name: `Supply ${acknowledged.length + i}`, partId: 'switch-8' },
        }),
      )
      const response = await post(request, batch, base).catch(() => null)
      if (!response) break
      const body = (await response.json().catch(() => null)) as {
        answers: { id: string; status: string }[]
      } | null
      if (!body) break
      acknowledged.push(...body.answers.filter(({ status }) => status === 'applied').map(({ id }) => id))
    }
  }
  expect(acknowledged.length).toBeGreaterThan(100)
  const server = await start(folder, 3240, request)
  const kept = new Set<string>()
  for (const round of [0, 1, 2]) {
    for (let after = 0; ; ) {
      const { entries } = (await (
        await request.get(`http://localhost:3240/api/jobs/job-${round}/history?after=${after}&limit=5000`)
      ).json()) as { entries: { seq: number; command: { id: string } }[] }
      if (entries.length === 0) break
      for (const { command } of entries) kept.add(command.id)
      after = entries.at(-1)!.seq
    }
  }
  kill(server)
  expect(acknowledged.filter((id) => !kept.has(id))).toEqual([])
})

test('a failed request has a number that its answer repeats, and no map of the sources is served', async ({
  request,
}) => {
  const refused = await request.get('/api/jobs/nowhere')
  const { instance } = (await refused.json()) as { instance: string }
  expect(instance).toBe(`urn:uuid:${refused.headers()['x-request-id']}`)
  const page = await (await request.get('/')).text()
  const [script] = /\/_next\/static\/[^"']+\.js/.exec(page)!
  expect((await request.get(script)).status()).toBe(200)
  expect((await request.get(`${script}.map`)).status()).toBe(404)
})

test('the demo starts its server again when it falls', async ({ request }) => {
  const env = { ...process.env, NEAT_BRACKET_DATA: mkdtempSync(join(tmpdir(), 'neat-bracket-falls-')) }
  const demo = spawn(process.execPath, ['scripts/demo.mjs', '--port', '3246'], { env, stdio: 'ignore' })
  const health = () => request.get('http://localhost:3246/api/health').catch(() => null)
  const servers = () =>
    readdirSync('/proc').filter((pid) => {
      if (!/^\d+$/.test(pid)) return false
      try {
        return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('serve.mjs\0--port\x003246')
      } catch {
        return false // it ended meanwhile
      }
    })
  await expect.poll(async () => (await health())?.status(), { timeout: 100_000 }).toBe(200)
  const [first] = servers()
  process.kill(Number(first), 'SIGKILL')
  await expect.poll(() => servers().filter((pid) => pid !== first).length, { timeout: 15_000 }).toBe(1)
  await expect.poll(async () => (await health())?.status(), { timeout: 15_000 }).toBe(200)
  demo.kill('SIGTERM')
  await expect.poll(servers).toEqual([])
})

test('starting over leaves a folder alone that is not the application’s own', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-foreign-'))
  writeFileSync(join(folder, 'letters.txt'), 'mine')
  const env = { ...process.env, NEAT_BRACKET_DATA: folder }
  const demo = spawn(process.execPath, ['scripts/demo.mjs', '--port', '3245', '--reset'], { env })
  let words = ''
  demo.stderr.on('data', (chunk: Buffer) => (words += chunk.toString()))
  const code = await new Promise((resolve) => demo.on('exit', resolve))
  expect([code, readFileSync(join(folder, 'letters.txt'), 'utf8')]).toEqual([1, 'mine'])
  expect(words).toContain('holds no record of Neat Bracket')
})

test('the demo says plainly when a port is in use or is none', async ({ baseURL }) => {
  const said = (...args: string[]) =>
    new Promise<{ code: number | null; words: string }>((resolve) => {
      const demo = spawn(process.execPath, ['scripts/demo.mjs', ...args], {
        stdio: ['ignore', 'pipe', 'pipe'],
      })
      let words = ''
      demo.stdout.on('data', (chunk: Buffer) => (words += chunk.toString()))
      demo.stderr.on('data', (chunk: Buffer) => (words += chunk.toString()))
      demo.on('exit', (code) => resolve({ code, words }))
    })
  const port = new URL(baseURL!).port
  const [taken, none] = [await said('--port', port), await said('--port', 'tall')]
  expect([taken.code, none.code]).toEqual([1, 1])
  expect(taken.words).toContain(`Port ${port} is in use`)
  expect(none.words).toContain('is no port')
})

test('the command line prints an assessment, and says what is wrong with a bad file', async () => {
  const assess = (args: string[], input = '') =>
    new Promise<{ code: number | null; out: string; err: string }>((resolve) => {
      const run = spawn('node_modules/.bin/tsx', ['scripts/assess.ts', ...args])
      let [out, err] = ['', '']
      run.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()))
      run.stderr.on('data', (chunk: Buffer) => (err += chunk.toString()))
      run.on('close', (code) => resolve({ code, out, err }))
      run.stdin.end(input)
    })
  const words = readFileSync('demo/jobs/1-quarry-lane.job.json', 'utf8')
  const printed = await assess(['-'], words)
  expect([printed.code, (JSON.parse(printed.out) as { counts: { done: number } }).counts.done]).toEqual([
    0, 4,
  ])
  const broken = await assess(['-'], words.replace('"heightM":2.9', '"heightM":-2.9'))
  expect(broken.code).toBe(1)
  expect(broken.err).toContain('/job/devices/0/sight/heightM: At least 0.3 m.')
})
