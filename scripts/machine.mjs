/**
 * What the two commands share: this machine's Node, its packages, a compiler, a free port. Plain Node,
 * nothing installed.
 */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'

export class Stop extends Error {}

/** Runs the steps of a command; a `Stop` ends it with its message alone. */
export async function run(steps) {
  try {
    await steps()
  } catch (error) {
    console.error(error instanceof Stop ? `\n${error.message}` : error)
    process.exit(1)
  }
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 9))
    throw new Stop(
      `This needs Node 20.9 or newer; here is ${process.version}. Install a newer Node and try again.`,
    )
}

const isRoot = () => process.getuid?.() === 0
const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0

/** Installs Debian packages when root; says what to install otherwise. */
export function debian(packages, why) {
  if (!isRoot() || !has('apt-get'))
    throw new Stop(`${why} Install it first, on Debian: sudo apt-get install ${packages.join(' ')}`)
  console.log(`Installing ${packages.join(', ')} from Debian's packages`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const install = () =>
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env,
    })
  if (install().status !== 0) {
    spawnSync('apt-get', ['update', '-qq'], { stdio: 'inherit', env })
    if (install().status !== 0)
      throw new Stop(`Debian's packages ${packages.join(', ')} could not be installed. ${why}`)
  }
}

/** Installs the npm packages of the lockfile unless exactly these are here. */
export function installPackages() {
  const stamp = 'node_modules/.neat-bracket-lock'
  const wanted = createHash('sha256')
    .update(readFileSync('package-lock.json'))
    .update(process.version)
    .digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  const tools = ['python3', 'make', 'g++'].filter((tool) => !has(tool))
  if (tools.length > 0) debian(tools, 'A compiler is missing: SQLite is built for this machine.')
  const prefix = dirname(dirname(process.execPath))
  const headers = existsSync(join(prefix, 'include/node/node.h')) ? { npm_config_nodedir: prefix } : {}
  console.log('Installing packages (a few minutes the first time)')
  const installed = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    stdio: 'inherit',
    env: { ...process.env, ...headers },
  })
  if (installed.status !== 0) throw new Stop('The packages could not be installed; the lines above say why.')
  writeFileSync(stamp, wanted)
}

/** Builds the application unless what is built is of these sources. */
export function build() {
  const stamp = '.next/neat-bracket-sources'
  const wanted = sourcesHash()
  if (existsSync('.next/BUILD_ID') && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  console.log('Building (under a minute)')
  const built = spawnSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  })
  if (built.status !== 0) throw new Stop('The application could not be built; run npm run build to see why.')
  must('What a device keeps', process.execPath, ['scripts/serviceWorker.mjs'])
  mkdirSync('.next', { recursive: true })
  writeFileSync(stamp, wanted)
}

function sourcesHash() {
  const hash = createHash('sha256')
  const files = [
    'package-lock.json',
    'next.config.ts',
    'tsconfig.json',
    'scripts/serviceWorker.mjs',
    ...listed('src'),
  ]
  for (const file of files) hash.update(file).update(readFileSync(file))
  return hash.digest('hex')
}

function listed(folder) {
  return readdirSync(folder)
    .sort()
    .flatMap((name) => {
      const path = join(folder, name)
      if (statSync(path).isDirectory()) return listed(path)
      return /\.test\.tsx?$/.test(name) ? [] : [path]
    })
}

/** Chromium of Debian's packages. */
export function installChromium() {
  if (existsSync('/usr/bin/chromium')) return
  debian(['chromium'], 'The browser tests need Chromium.')
}

export function portIsFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, () => probe.close(() => resolve(true)))
  })
}

/** Runs a program of the project to its end; a non-zero end stops the command. */
export function must(label, command, args, options = {}) {
  console.log(`\n== ${label}`)
  const result = spawnSync(command, args, { stdio: 'inherit', ...options })
  if (result.status !== 0) throw new Stop(`${label}: failed.`)
}
