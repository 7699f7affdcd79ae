/**
 * The server: Next behind the gate. `--port N`; `NEAT_BRACKET_HOST` is the address it listens on, this
 * machine alone unless told.
 */
import { randomBytes, randomUUID } from 'node:crypto'
import { createServer } from 'node:http'
import { parseArgs } from 'node:util'
import { HEADERS, policyOf, refusal } from './gate.mjs'

process.env.NODE_ENV = 'production' // before Next is read: it chooses its React by it
const { default: next } = await import('next')

const { values } = parseArgs({ options: { port: { type: 'string', default: process.env.PORT ?? '3000' } } })
const port = Number(values.port)
const host = process.env.NEAT_BRACKET_HOST ?? '127.0.0.1'

const app = next({ dev: false, hostname: host, port })
await app.prepare()
const serve = app.getRequestHandler()

const server = createServer((request, response) => {
  const id = randomUUID()
  const began = performance.now()
  const nonce = randomBytes(16).toString('base64')
  response.setHeader('x-request-id', id)
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value)
  response.setHeader('content-security-policy', policyOf(nonce))
  response.on('finish', () => {
    if (response.statusCode < 400) return
    const { method, url } = request
    console.error(
      JSON.stringify({
        at: new Date().toISOString(),
        id,
        method,
        path: url?.split('?')[0],
        status: response.statusCode,
        ms: Math.round(performance.now() - began),
      }),
    )
  })
  const refused = refusal(request, host)
  if (refused) {
    const [status, title, detail] = refused
    request.resume()
    response.writeHead(status, { 'content-type': 'application/problem+json' })
    response.end(JSON.stringify({ type: 'about:blank', title, status, detail, instance: `urn:uuid:${id}` }))
    return
  }
  request.headers['x-request-id'] = id
  request.headers['x-nonce'] = nonce
  request.headers['content-security-policy'] = policyOf(nonce) // how Next learns the nonce of its own scripts
  serve(request, response).catch((error) => {
    console.error(JSON.stringify({ at: new Date().toISOString(), id, error: String(error?.stack ?? error) }))
    if (!response.headersSent) response.writeHead(500, { 'content-type': 'application/problem+json' })
    response.end()
  })
})
server.requestTimeout = 300_000
server.on('error', (error) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is in use.` : error.message)
  process.exit(1)
})
server.listen(port, host, () => {
  const address = host.includes(':') ? `[${host}]` : host
  console.log(
    'Listening on ' +
      `http://${address}:${port}, ` +
      (host === '127.0.0.1'
        ? 'for this machine alone'
        : 'for everybody who can reach it: there is no sign-in yet'),
  )
  // The list of jobs is asked for once, so that whoever comes first does not wait for its code to be loaded.
  fetch(`http://${host === '0.0.0.0' ? '127.0.0.1' : address}:${port}/`).catch(() => undefined)
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0))
