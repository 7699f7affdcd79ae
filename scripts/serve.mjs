/**
 * The server: Next behind the gate, for this machine alone. `--port N`. `--lan` opens it to paired phones on
 * the network too, over TLS: on `NEAT_BRACKET_HOST` (everywhere) and `NEAT_BRACKET_LAN_PORT` (3443), with the
 * page that tells phones to trust it on the port after that.
 */
import { randomBytes, randomUUID } from 'node:crypto'
import { X509Certificate } from 'node:crypto'
import { createServer } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import { hostname } from 'node:os'
import { parseArgs } from 'node:util'
import { doorOf } from './door.mjs'
import { HEADERS, policyOf, refusal } from './gate.mjs'
import { certificateOf, lanAddresses, trustServer } from './lan.mjs'

process.env.NODE_ENV = 'production' // before Next is read: it chooses its React by it
const { default: next } = await import('next')

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env.PORT ?? '3000' },
    lan: { type: 'boolean', default: process.env.NEAT_BRACKET_LAN === '1' },
  },
})
const port = Number(values.port)
const HOME = '127.0.0.1'
const host = process.env.NEAT_BRACKET_HOST ?? '0.0.0.0'
const lanPort = Number(process.env.NEAT_BRACKET_LAN_PORT ?? 3443)
const folder = process.env.NEAT_BRACKET_DATA ?? 'data'
const door = doorOf(folder)

const lan = values.lan ? await certificateOf(folder, process.env) : null
const shownHost = host === '0.0.0.0' ? (lanAddresses()[0] ?? hostname()) : host
if (lan) {
  // What the application tells whoever pairs a phone.
  process.env.NEAT_BRACKET_LAN_ADDRESS = `https://${shownHost}:${lanPort}`
  if (lan.authority) {
    process.env.NEAT_BRACKET_TRUST_ADDRESS = `http://${shownHost}:${lanPort + 1}`
    process.env.NEAT_BRACKET_TRUST_FINGERPRINT = new X509Certificate(lan.authority).fingerprint256
  }
}

const app = next({ dev: false, hostname: HOME, port })
await app.prepare()
const serve = app.getRequestHandler()

const answer = (home) => (request, response) => {
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
  const refused = door.letsIn(request, home) ?? refusal(request, host)
  if (refused) {
    const [status, title, detail] = refused
    request.resume()
    if (request.headers.accept?.includes('text/html')) {
      response.writeHead(status, { 'content-type': 'text/html; charset=utf-8' })
      response.end(
        `<!doctype html><html lang="en"><title>${title}</title><h1>${title}</h1><p>${detail}</p></html>`,
      )
    } else {
      response.writeHead(status, { 'content-type': 'application/problem+json' })
      response.end(JSON.stringify({ type: 'about:blank', title, status, detail, instance: `urn:uuid:${id}` }))
    }
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
}

const listen = (server, at, on, says) => {
  server.requestTimeout = 300_000
  server.on('error', (error) => {
    console.error(error.code === 'EADDRINUSE' ? `Port ${at} is in use.` : error.message)
    process.exit(1)
  })
  server.listen(at, on, () => console.log(says))
}
if (lan) {
  const phones = createSecureServer({ cert: lan.cert, key: lan.key }, answer(false))
  listen(phones, lanPort, host, `Open to paired phones at ${process.env.NEAT_BRACKET_LAN_ADDRESS}`)
  if (lan.authority) {
    const trust = trustServer(lan.authority, process.env.NEAT_BRACKET_LAN_ADDRESS)
    listen(trust, lanPort + 1, host, `Phones learn to trust it at ${process.env.NEAT_BRACKET_TRUST_ADDRESS}`)
  }
}
const server = createServer(answer(true))
listen(server, port, HOME, `Listening on http://${HOME}:${port}, for this machine alone`)
// The list of jobs is asked for once, so that whoever comes first does not wait for its code to be loaded.
server.on('listening', () => fetch(`http://${HOME}:${port}/`).catch(() => undefined))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0))
