/**
 * The application on the network: over TLS, with the certificate it is given or with one of an authority of
 * its own that phones are told to trust.
 */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { X509Certificate } from 'node:crypto'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { generate } from 'selfsigned'

const DAY_MS = 86_400_000
/** Phones take no certificate for longer. */
const MOST_DAYS = 397
const RENEW_DAYS = 30
const EC = { keyType: 'ec', curve: 'P-256', algorithm: 'sha256' }

/** Addresses of this machine that others can reach. */
export function lanAddresses() {
  return Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address)
}

/**
 * `{ cert, key, authority }`: the certificate given by `NEAT_BRACKET_TLS_CERT` and `_KEY`, with no authority;
 * else one made for this machine's names and addresses, kept in the data folder.
 */
export async function certificateOf(folder, { NEAT_BRACKET_TLS_CERT: cert, NEAT_BRACKET_TLS_KEY: key }) {
  if (cert && key) return { cert: readFileSync(cert), key: readFileSync(key), authority: null }
  const tls = join(folder, 'tls')
  mkdirSync(tls, { recursive: true, mode: 0o700 })
  const kept = (name) => {
    const [certFile, keyFile] = [join(tls, `${name}.pem`), join(tls, `${name}.key`)]
    if (!existsSync(certFile) || !existsSync(keyFile)) return null
    return { cert: readFileSync(certFile, 'utf8'), key: readFileSync(keyFile, 'utf8') }
  }
  const keep = (name, { cert, private: key }) => {
    writeFileSync(join(tls, `${name}.pem`), cert)
    writeFileSync(join(tls, `${name}.key`), key, { mode: 0o600 })
    return { cert, key }
  }
  const authority = kept('authority') ?? keep('authority', await newAuthority())
  const addresses = lanAddresses()
  const server = kept('server')
  const fits =
    server && serves(new X509Certificate(server.cert), new X509Certificate(authority.cert), addresses)
  const { cert: own, key: ownKey } = fits ? server : keep('server', await newServer(authority, addresses))
  return { cert: own, key: ownKey, authority: authority.cert }
}

const newAuthority = () =>
  generate([{ name: 'commonName', value: `Neat Bracket on ${hostname()}` }], {
    ...EC,
    notAfterDate: new Date(Date.now() + 10 * 365 * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  })

const newServer = (authority, addresses) =>
  generate([{ name: 'commonName', value: hostname() }], {
    ...EC,
    ca: authority,
    notAfterDate: new Date(Date.now() + MOST_DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [
          ...['localhost', hostname(), `${hostname()}.local`].map((value) => ({ type: 2, value })),
          ...['127.0.0.1', ...addresses].map((ip) => ({ type: 7, ip })),
        ],
      },
    ],
  })

/** Whether a certificate is of this authority, names all addresses and lasts for a while. */
const serves = (server, authority, addresses) =>
  server.verify(authority.publicKey) &&
  Date.parse(server.validTo) > Date.now() + RENEW_DAYS * DAY_MS &&
  addresses.every((address) => server.checkIP(address) !== undefined)

/** Tells phones over plain HTTP how to trust the authority, and gives them its certificate: nothing else. */
export function trustServer(authority, address) {
  const der = new X509Certificate(authority).raw
  return createServer(({ method, url }, response) => {
    response.setHeader('x-content-type-options', 'nosniff')
    if (method !== 'GET') return response.writeHead(405).end()
    if (url === '/neat-bracket.crt') {
      response.writeHead(200, { 'content-type': 'application/x-x509-ca-cert' })
      return response.end(der)
    }
    if (url !== '/') return response.writeHead(404).end()
    response.writeHead(200, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
    })
    response.end(page(new X509Certificate(authority), address))
  })
}

const page = ({ fingerprint256 }, address) => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this laptop · Neat Bracket</title>
<style>
  body { font: 18px/1.45 sans-serif; max-width: 640px; margin: 0 auto; padding: 20px; background: #F7F5EF; color: #1C2126 }
  a.go { display: block; padding: 16px; margin: 16px 0; background: #A84B1C; color: #FFFEFA; text-align: center }
  code { overflow-wrap: anywhere; font-size: 15px }
  li { margin: 8px 0 }
</style>
<h1>Trust this laptop</h1>
<p>What you enter travels encrypted, and the phone keeps the application for when there is no signal. For both
it must trust the laptop: once.</p>
<a class="go" href="/neat-bracket.crt">1. Fetch the certificate</a>
<h2>2. On an Android phone</h2>
<ol>
  <li>Settings, search for “CA certificate”, and choose it.</li>
  <li>“Install anyway”, then the file that was just fetched.</li>
</ol>
<h2>2. On an iPhone or iPad</h2>
<ol>
  <li>Allow the profile to be fetched, then Settings, “Profile Downloaded”, Install.</li>
  <li>Settings, General, About, Certificate Trust Settings: switch it on for “Neat Bracket on …”.</li>
</ol>
<a class="go" href="${address}">3. Open Neat Bracket</a>
<p>Do this only on phones that work with this laptop, and take the certificate out of the phone when that ends:
whoever holds the laptop could otherwise speak for other sites. Compare its fingerprint with the one on the
laptop:</p>
<p><code>${fingerprint256}</code></p>
</html>
`
