/** `npm run demo`: from a fresh machine to the running application with the demo jobs. `-- --port N`, `-- --reset`. */
import { spawn, spawnSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { build, checkNode, installPackages, portIsFree, run, Stop } from './machine.mjs'

await run(async () => {
  checkNode()
  const { values } = parseArgs({ options: { port: { type: 'string', default: process.env.PORT ?? '3000' }, reset: { type: 'boolean', default: false } } })
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Stop(`"${values.port}" is no port: take a number from 1 to 65535.`)
  if (!(await portIsFree(port))) throw new Stop(`Port ${port} is in use. Stop what runs there, or take another: npm run demo -- --port ${port + 1}`)
  installPackages()
  build()
  const data = process.env.NEAT_BRACKET_DATA ?? 'data'
  if (values.reset) {
    console.log(`Starting over: everything in ${data} goes`)
    rmSync(data, { recursive: true, force: true })
  }
  const env = { ...process.env, NEAT_BRACKET_DATA: data, NEXT_TELEMETRY_DISABLED: '1' }
  const loaded = spawnSync(process.execPath, ['--conditions=react-server', '--import', 'tsx', 'demo/load.ts'], { stdio: 'inherit', env })
  if (loaded.status !== 0) throw new Stop('The demo jobs could not be loaded; the lines above say why.')
  console.log(`\nNeat Bracket is starting at http://localhost:${port}  (data in ${data}; Ctrl+C stops it)\n`)
  const server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-p', String(port)], { stdio: 'inherit', env })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => process.exit(code ?? 0))
})
