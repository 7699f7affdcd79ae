/** What is settled about a request before the application sees it. Plain functions over a request's head. */
import { hostname } from 'node:os'

const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])
const JSON_ONLY = /^application\/json\b/i
/** What may be sent where: a form on another site can send none of these without asking first. */
const TAKES = [
  [
    /^\/api\/photos\//,
    /^(image\/|application\/octet-stream\b)/i,
    'a picture (image/…) or application/octet-stream',
  ],
  [
    /^\/api\/backgrounds\b/,
    /^(image\/|application\/(pdf|dxf|octet-stream)\b)/i,
    'a picture (image/…), application/pdf, application/dxf or application/octet-stream',
  ],
  [/^\/api\//, JSON_ONLY, 'application/json'],
]

const ADDRESS = /^(\d{1,3}(\.\d{1,3}){3}|\[[0-9a-f:.]+\])$/i

/**
 * Whether a `Host` can be meant for this machine: an address, its own name, or the name it was told to
 * listen on.
 */
function isOurs(host, listensOn) {
  const name = host.replace(/:\d+$/, '').toLowerCase()
  const own = hostname().toLowerCase()
  return ADDRESS.test(name) || ['localhost', own, `${own}.local`, listensOn.toLowerCase()].includes(name)
}

/** Why a request is not let in, as status, title and detail; null when it is. */
export function refusal({ method, url, headers }, listensOn) {
  const host = headers.host ?? ''
  if (!isOurs(host, listensOn))
    return [
      421,
      'Not this machine',
      'Nothing is served under this name. Start with NEAT_BRACKET_HOST set to the name you use.',
    ]
  let path
  try {
    path = decodeURIComponent(new URL(url, 'http://here').pathname)
  } catch {
    return [400, 'Not an address', 'This address cannot be read.']
  }
  if (path.includes('\0')) return [400, 'Not an address', 'This address cannot be read.']
  if (!CHANGES.has(method)) return null
  const { origin } = headers
  const site = headers['sec-fetch-site']
  if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
    return [403, 'From another site', 'Only pages of this application may change the record.']
  if (site !== undefined && site !== 'same-origin' && site !== 'none')
    return [403, 'From another site', 'Only pages of this application may change the record.']
  if (method === 'DELETE') return null
  const taken = TAKES.find(([where]) => where.test(path))
  if (taken && !taken[1].test(headers['content-type'] ?? ''))
    return [415, 'Not this kind of content', `Send ${taken[2]} here.`]
  return null
}

/** What a page may load and do; scripts and styles run by this answer's nonce alone. */
export const policyOf = (nonce) =>
  [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'`,
    `style-src 'self' 'nonce-${nonce}'`,
    `style-src-attr 'unsafe-inline'`,
    `img-src 'self' blob: data:`,
    `font-src 'self' data:`,
    `connect-src 'self' blob:`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ')

export const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'geolocation=(), microphone=(self), payment=(), usb=()',
}
