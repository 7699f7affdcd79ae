import { expect, test, type APIRequestContext, type APIResponse } from '@playwright/test'
import { createHash, randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { request as httpRequest } from 'node:http'
import { join } from 'node:path'
import sharp from 'sharp'
import { grainy } from '../src/testing/grainy'

const at = '2026-03-02T09:30:00.000Z'
const post = (request: APIRequestContext, commands: unknown[], base = '') =>
  request.post(`${base}/api/commands`, { data: { commands } })
const say = (jobId: string, change: object) => ({ id: randomUUID(), jobId, at, by: 'Lead', ...change })

test('errors are problem details with the fields they concern, never a 500', async ({ request }) => {
  const cases: [Promise<import('@playwright/test').APIResponse>, number, RegExp][] = [
    [
      request.post('/api/commands', {
        data: Buffer.from('no json'),
        headers: { 'content-type': 'application/json' },
      }),
      400,
      /must be JSON/,
    ],
    [request.post('/api/commands', { data: { commands: [] } }), 400, /at least one/],
    [post(request, [null]), 422, /errors/],
    [
      post(request, [
        say('kestrel-quay', {
          type: 'setPlan',
          deviceId: 'device-01',
          plan: { power: { supplyId: 'office', port: -1 } },
        }),
      ]),
      422,
      /\/commands\/0\/plan\/power\/port/,
    ],
    [post(request, [say('nowhere', { type: 'removePhoto', photoId: 'x' })]), 422, /no job with this id/],
    [request.get('/api/jobs/nowhere'), 404, /No such job/],
    [request.get('/api/jobs/nowhere/assessment'), 404, /No such job/],
    [request.get('/api/jobs/nowhere/history'), 404, /No such job/],
    [request.get('/api/jobs/kestrel-quay/history?after=x'), 400, /whole numbers/],
    [request.get('/api/jobs/kestrel-quay/record.pdf?device=gone'), 404, /No such device/],
    [request.get('/api/jobs/nobody/pull-sheet.pdf'), 404, /nobody/],
    [request.get('/api/jobs/kestrel-quay/labels?stock=a4-7'), 400, /a4-21, a4-24/],
    [request.get('/api/jobs/kestrel-quay/labels?what=jam'), 400, /things or ends/],
    [request.get('/api/jobs/kestrel-quay/labels?first=22'), 400, /from 1 to 21/],
    [request.get('/api/jobs/kestrel-quay/labels?at=file:///etc'), 400, /http/],
    [
      request.get('/api/jobs/kestrel-quay/lists/nonsense'),
      404,
      /cut-list, lead-list, pull-list, .*, wire-list, edge-list, wall-holes, drill-list, van-list, box-plan/,
    ],
    [request.get('/api/jobs/kestrel-quay/template/device-01?paper=a0'), 400, /a4 or letter/],
    [request.get('/api/jobs/kestrel-quay/template/device-14'), 422, /Plan the mount/],
    [request.get('/api/jobs/kestrel-quay/plan-sheet?paper=a0'), 400, /\/paper/],
    [request.get('/api/jobs/kestrel-quay/plan-sheet?scale=many'), 400, /\/scale/],
    [request.get('/api/jobs/kestrel-quay/plan-sheet?scale=50&seen=none'), 422, /1 : 500 does/],
    [request.get('/api/jobs/nowhere/plan-sheet'), 404, /No such job/],
    [request.post('/api/jobs/kestrel-quay/prints', { data: { plan: { floor: 'cellar' } } }), 400, /floor/],
    [request.get('/api/photos/xyz'), 400, /64 hex digits/],
    [request.get(`/api/photos/${'0'.repeat(64)}`), 404, /No such photo/],
    [request.put(`/api/photos/${'0'.repeat(64)}`, { data: Buffer.from('text') }), 422, /do not match/],
    [
      request.post('/api/import', {
        data: Buffer.from('{'),
        headers: { 'content-type': 'application/json' },
      }),
      422,
      /not a JSON file/,
    ],
  ]
  for (const [asked, status, words] of cases) {
    const response = await asked
    expect([response.url(), response.status()]).toEqual([response.url(), status])
    expect(response.headers()['content-type']).toContain('application/problem+json')
    expect(await response.text()).toMatch(words)
  }
})

test('a photo is kept once by its hash, and comes back in every size', async ({ request }) => {
  const bytes = await sharp({ create: { width: 500, height: 400, channels: 3, background: '#345' } })
    .png()
    .toBuffer()
  const path = `/api/photos/${createHash('sha256').update(bytes).digest('hex')}`
  expect((await request.put(path, { data: bytes })).status()).toBe(201)
  expect((await request.put(path, { data: bytes })).status()).toBe(200)
  expect((await (await request.get(`${path}?size=original`)).body()).equals(bytes)).toBe(true)
  const small = await request.get(`${path}?size=small`)
  expect(small.headers()['cache-control']).toContain('immutable')
  expect((await sharp(await small.body()).metadata()).width).toBe(360)
})

const noise = (side: number) => grainy(side, side, 60).png().toBuffer()

/** Pieces of a photo, and what the server says of them. */
function inPieces(request: APIRequestContext, bytes: Buffer) {
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  const path = `/api/photos/${sha256}`
  const address = (at: number) => `${path}/pieces?at=${at}&of=${bytes.length}`
  const saidIn = async (answer: APIResponse) => (await answer.json()) as { has: number; whole: boolean }
  const send = (at: number, to: number) => request.put(address(at), { data: bytes.subarray(at, to) })
  return {
    sha256,
    path,
    address,
    saidIn,
    send,
    arrived: async () => saidIn(await request.get(`${path}/pieces`)),
  }
}

test('a photo that comes in pieces goes on from where it came to, and is kept once it is whole', async ({
  request,
}) => {
  const bytes = await noise(400)
  const { path, saidIn, send, arrived } = inPieces(request, bytes)
  expect(await arrived()).toEqual({ has: 0, whole: false })
  expect(await saidIn(await send(0, 100_000))).toEqual({ has: 100_000 })
  // The same again, and one that leaves a gap: neither is added.
  for (const at of [0, 200_000]) {
    const answer = await send(at, at + 100)
    expect([answer.status(), (await saidIn(answer)).has]).toEqual([409, 100_000])
  }
  expect((await request.get(`${path}?size=original`)).status()).toBe(404)
  expect(await arrived()).toEqual({ has: 100_000, whole: false })
  expect((await send(100_000, bytes.length)).status()).toBe(201)
  expect(await arrived()).toEqual({ has: 0, whole: true })
  expect((await (await request.get(`${path}?size=original`)).body()).equals(bytes)).toBe(true)
  // Another who sends the same is told that it is here, and leaves nothing behind.
  expect((await send(0, 9)).status()).toBe(200)
  expect(await arrived()).toEqual({ has: 0, whole: true })
  const other = `/api/photos/${'a'.repeat(64)}/pieces`
  for (const [query, status] of [
    ['at=0', 400],
    [`at=-1&of=9`, 400],
    ['at=10&of=9', 400],
    [`at=0&of=${21 * 1024 * 1024}`, 413],
    ['at=0&of=3', 413], // more than it says it is
    ['at=0&of=9', 422], // put together wrongly, it is refused and forgotten
  ] as const)
    expect([
      query,
      (await request.put(`${other}?${query}`, { data: bytes.subarray(0, 9) })).status(),
    ]).toEqual([query, status])
  expect(await saidIn(await request.get(other))).toEqual({ has: 0, whole: false })
})

test('a photo whose last piece has come is kept, though its sender or the server has gone meanwhile', async ({
  request,
  baseURL,
}) => {
  const left = await noise(420)
  const one = inPieces(request, left)
  const sending = httpRequest(`${baseURL}${one.address(0)}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream', 'content-length': left.length },
  }).on('error', () => undefined)
  sending.end(left, () => setTimeout(() => sending.destroy(), 30))
  await expect.poll(one.arrived).toEqual({ has: 0, whole: true })

  const bytes = await noise(430)
  const { sha256, send, arrived } = inPieces(request, bytes)
  const folder = join(process.env.NEAT_BRACKET_TEST_DATA!, 'arriving')
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, `${sha256}.part`), bytes) // a server that was killed before it kept it
  expect(await arrived()).toEqual({ has: bytes.length, whole: false })
  expect((await send(bytes.length, bytes.length)).status()).toBe(201)
  expect(await arrived()).toEqual({ has: 0, whole: true })
})

test('job, assessment, history, schema and record answer', async ({ request }) => {
  const { revision, job } = (await (await request.get('/api/jobs/kestrel-quay')).json()) as {
    revision: number
    job: { devices: unknown[] }
  }
  expect([revision > 0, job.devices.length]).toEqual([true, 15])
  const assessment = (await (await request.get('/api/jobs/quarry-lane/assessment')).json()) as {
    counts: object
  }
  // a job that no other test touches
  expect(assessment.counts).toMatchObject({ devices: 4, stopped: 0, done: 4 })
  const { entries } = (await (await request.get('/api/jobs/kestrel-quay/history?limit=2')).json()) as {
    entries: { command: { type: string } }[]
  }
  expect(entries.map(({ command }) => command.type)).toEqual(['createJob', 'setSite'])
  const survey = (await (await request.get('/api/jobs/kestrel-quay/survey')).json()) as {
    sentence: string
    areas: object[]
  }
  expect([survey.sentence, survey.areas.length]).toEqual([
    '3 of 4 areas of interest are met. 26 % is blind, in 10 spots.',
    4,
  ])
  expect((await request.get('/api/jobs/kestrel-quay/survey?floor=cellar')).status()).toBe(400)
  expect(await (await request.get('/api/schema/parts')).json()).toMatchObject({
    $id: expect.stringMatching(/^neat-bracket-parts-\d+$/),
  })
  const refused = await request.post('/api/backgrounds', {
    data: Buffer.from('no drawing'),
    headers: { 'content-type': 'application/octet-stream' },
  })
  expect([refused.status(), refused.headers()['content-type']]).toEqual([415, 'application/problem+json'])
  expect(await (await request.get('/api/schema')).json()).toEqual(
    JSON.parse(readFileSync('docs/job.schema.json', 'utf8')),
  )
  const pdf = await request.get('/api/jobs/quarry-lane/record.pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
})

test('only pages of this application change the record, and every answer says what may run in it', async ({
  request,
  baseURL,
}) => {
  const { host, origin } = new URL(baseURL!)
  const json = { 'content-type': 'application/json' }
  const knocks: [Record<string, string>, number][] = [
    [{ ...json, origin: 'http://elsewhere.example' }, 403],
    [{ ...json, 'sec-fetch-site': 'cross-site' }, 403],
    [{ ...json, host: `rebound.example:${host.split(':')[1]}` }, 421],
    [{ 'content-type': 'text/plain' }, 415],
    [{ 'content-type': 'application/x-www-form-urlencoded' }, 415],
    [{ ...json, origin, 'sec-fetch-site': 'same-origin' }, 400],
  ]
  for (const [headers, status] of knocks) {
    const response = await raw(baseURL!, 'POST', '/api/commands', headers, '{"commands": []}')
    expect([headers, response.status, response.type]).toEqual([headers, status, 'application/problem+json'])
  }
  const strange = await raw(baseURL!, 'GET', '/api/jobs/%ff', {})
  expect([strange.status, strange.type]).toEqual([400, 'application/problem+json'])
  const page = await request.get('/')
  const policy = page.headers()['content-security-policy']!
  const [, nonce] = /'nonce-([^']+)'/.exec(policy)!
  expect(policy).toContain("frame-ancestors 'none'")
  const scripts = [...(await page.text()).matchAll(/<script(?=[\s>])([^>]*)>/g)].map(([, words]) => words!)
  expect(scripts.length).toBeGreaterThan(3)
  expect(scripts.filter((words) => !words.includes(`nonce="${nonce}"`))).toEqual([])
  expect(page.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
  })
})

test('hostile files are refused in words while everybody else is served', async ({ request, baseURL }) => {
  const arc = [
    '0',
    'SECTION',
    '2',
    'ENTITIES',
    '0',
    'ARC',
    '10',
    '0',
    '20',
    '0',
    '40',
    '1',
    '50',
    '0',
    '51',
    '1e18',
    '0',
    'ENDSEC',
    '0',
    'EOF',
  ].join('\n')
  const nested = Array.from({ length: 9 }, (_, i) => [
    '0',
    'BLOCK',
    '2',
    `b${i}`,
    '10',
    '0',
    '20',
    '0',
    ...Array.from({ length: 12 }, () =>
      i === 0
        ? ['0', 'LINE', '10', '0', '20', '0', '11', '1', '21', '1']
        : ['0', 'INSERT', '2', `b${i - 1}`, '10', '1', '20', '1'],
    ).flat(),
    '0',
    'ENDBLK',
  ]).flat()
  const bomb = [
    '0',
    'SECTION',
    '2',
    'BLOCKS',
    ...nested,
    '0',
    'ENDSEC',
    '0',
    'SECTION',
    '2',
    'ENTITIES',
    '0',
    'INSERT',
    '2',
    'b8',
    '10',
    '0',
    '20',
    '0',
    '0',
    'ENDSEC',
    '0',
    'EOF',
  ].join('\n')
  const twelve = Array.from(
    { length: 9 },
    (_, i) => `<g id="a${i + 1}">${`<use href="#a${i}"/>`.repeat(12)}</g>`,
  )
  const uses =
    '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><g id="a0"><rect width="1" height="1"/></g>' +
    `${twelve.join('')}<use href="#a9"/></svg>`
  const strokes = pageOf('0 0 m 9 9 l S\n'.repeat(700_000))
  for (const [bytes, status] of [
    [arc, 201],
    [bomb, 422],
    [uses, 413],
    [strokes, 413],
  ] as const) {
    const sent = request.post('/api/backgrounds', {
      data: Buffer.from(bytes),
      headers: { 'content-type': 'application/octet-stream' },
      timeout: 90_000,
    })
    let over = false
    void sent.finally(() => (over = true))
    const waits: number[] = []
    while (!over) {
      const began = performance.now()
      await request.get('/api/health')
      waits.push(performance.now() - began)
      await new Promise((again) => setTimeout(again, 50))
    }
    const response = await sent
    expect(response.status()).toBe(status)
    expect(waits.sort((a, b) => a - b)[Math.floor(waits.length / 2)]).toBeLessThan(200)
  }
  const long = await raw(
    baseURL!,
    'POST',
    '/api/commands',
    { 'content-type': 'application/json', 'transfer-encoding': 'chunked' },
    Buffer.alloc(100 * 1024 * 1024, 32),
  )
  expect([413, 'cut']).toContain(long.status)
  expect((await request.get('/api/health')).ok()).toBe(true)
})

test('the record prints in the background: it tells how far it is, and can be cancelled', async ({
  request,
}) => {
  const started = await request.post('/api/jobs/kestrel-quay/prints', { data: {} })
  expect(started.status()).toBe(202)
  const at = started.headers()['location']!
  const state = async () => ((await (await request.get(at)).json()) as { state: string }).state
  expect(await state()).toBe('printing')
  expect((await request.get(`${at}/file`)).status()).toBe(404)
  await request.delete(at)
  await expect.poll(state).toBe('cancelled')
  const whole = (await request.post('/api/jobs/quarry-lane/prints', { data: { deviceId: null } })).headers()[
    'location'
  ]!
  await expect
    .poll(async () => ((await (await request.get(whole)).json()) as { state: string }).state, {
      timeout: 60_000,
    })
    .toBe('done')
  expect((await (await request.get(`${whole}/file`)).body()).subarray(0, 5).toString()).toBe('%PDF-')
})

/** A PDF of one page with these operators. */
function pageOf(operators: string): string {
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 9 9] /Contents 4 0 R >>',
    `<< /Length ${operators.length} >>\nstream\n${operators}\nendstream`,
  ]
  const numbered = objects.map((body, i) => `${i + 1} 0 obj\n${body}\nendobj\n`)
  return `%PDF-1.4\n${numbered.join('')}trailer << /Size 5 /Root 1 0 R >>\n%%EOF`
}

interface Raw {
  readonly status: number | 'cut'
  readonly type: string
}

/**
 * A request whose head is sent as it stands here, as a browser on another site or a program would send it.
 */
const raw = (
  base: string,
  method: string,
  path: string,
  headers: Record<string, string>,
  body?: string | Buffer,
) =>
  new Promise<Raw>((resolve) => {
    const { hostname, port } = new URL(base)
    const asked = httpRequest({ hostname, port, method, path, headers }, (response) => {
      response.resume()
      resolve({ status: response.statusCode!, type: response.headers['content-type'] ?? '' })
    })
    asked.on('error', () => resolve({ status: 'cut', type: '' }))
    asked.end(body)
  })
