/**
 * Completes package-lock.json after a change of packages. npm leaves out optional packages for other
 * platforms that the registry did not serve, and `npm ci` then misses them: a stub for each makes it pass.
 * No download address may stay.
 */
import { readFileSync, writeFileSync } from 'node:fs'

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'))
let added = 0
for (const [path, entry] of Object.entries(lock.packages)) {
  delete entry.resolved
  for (const [name, range] of Object.entries(entry.optionalDependencies ?? {})) {
    const nested = `${path}/node_modules/${name}`
    const top = `node_modules/${name}`
    if (lock.packages[top] || lock.packages[nested]) continue
    const version = /^[\^~]?(\d+\.\d+\.\d+.*)$/.exec(range)?.[1]
    if (!version) continue
    const [os, cpu] = platformOf(name)
    lock.packages[top] = {
      version,
      optional: true,
      ...(os ? { os: [os] } : {}),
      ...(cpu ? { cpu: [cpu] } : {}),
    }
    added++
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)))
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`)
console.log(`package-lock.json: ${added} stubs added`)

function platformOf(name) {
  const os =
    ['win32', 'darwin', 'linux', 'freebsd', 'openbsd', 'netbsd', 'android', 'sunos', 'aix'].find((word) =>
      name.includes(word),
    ) ?? (name.includes('wasm') ? null : 'none')
  const cpu =
    ['arm64', 'x64', 'ia32', 'arm', 's390x', 'ppc64', 'riscv64'].find((word) => name.includes(word)) ?? null
  return [os, cpu]
}
