/**
 * `npm run demo`: from a fresh machine to the running application with the demo jobs. `-- --port N`, `--
 * --reset`, `-- --lan` (paired phones on the network).
 */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { build, checkNode, installPackages, portIsFree, run, Stop } from './machine.mjs'

await run(async () => {
  checkNode()
  const { values } = parseArgs({
    options: {
      port: { type: 'string', default: process.env.PORT ?? '3000' },
      reset: { type: 'boolean', default: false },
      lan: { type: 'boolean', default: false },
    },
  })
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`"${values.port}" is no port: take a number from 1 to 65535.`)
  if (!(await portIsFree(port)))
    throw new Stop(
      `Port ${port} is in use. Stop what runs there, or take another: npm run demo -- --port ${port + 1}`,
    )
  const data = process.env.NEAT_BRACKET_DATA ?? 'data'
  if (values.reset && existsSync(data)) {
    if (!existsSync(join(data, 'record.sqlite')))
      throw new Stop(
        `${data} holds no record of Neat Bracket: it is left alone. Remove it yourself if it should go.`,
      )
    console.log(`Starting over: everything in ${data} goes`)
    rmSync(data, { recursive: true, force: true })
  }
  installPackages()
  build()
  const env = { ...process.env, NEAT_BRACKET_DATA: data, NEXT_TELEMETRY_DISABLED: '1' }
  const loaded = spawnSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'demo/load.ts'],
    { stdio: 'inherit', env },
  )
  if (loaded.status !== 0) throw new Stop('The demo jobs could not be loaded; the lines above say why.')
  console.log(`\nNeat Bracket is starting at http://localhost:${port}  (data in ${data}; Ctrl+C stops it)\n`)
  keepUp(() =>
    spawn(process.execPath, ['scripts/serve.mjs', '--port', String(port), ...(values.lan ? ['--lan'] : [])], {
      stdio: 'inherit',
      env,
    }),
  )
})

const MOST_FALLS = 5
const WITHIN_MS = 60_000

/** Starts the server again when it falls, until it falls too often. */
function keepUp(start) {
  const falls = []
  let stopping = false
  let server
  const up = () => {
    server = start()
    server.on('exit', (code) => {
      falls.push(Date.now())
      if (stopping || code === 0) process.exit(code ?? 0)
      if (falls.filter((at) => Date.now() - at < WITHIN_MS).length >= MOST_FALLS) {
        console.error('The server keeps falling; the lines above say why.')
        process.exit(1)
      }
      console.error('The server fell and is started again.')
      setTimeout(up, 1000)
    })
  }
  for (const signal of ['SIGINT', 'SIGTERM']) {
    process.on(signal, () => {
      stopping = true
      server.kill(signal)
    })
  }
  up()
}
