/**
 * `npm test`: from a fresh machine to every check: types, lint, import rules, docs, unit tests, build,
 * browser tests.
 */
import { readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, checkNode, installChromium, installPackages, must, run } from './machine.mjs'

await run(async () => {
  checkNode()
  installPackages()
  installChromium()
  const bin = (name) => `node_modules/.bin/${name}`
  must('Next types', bin('next'), ['typegen'])
  must('types', bin('tsc'), ['--noEmit'])
  must('format', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
  must('lint', bin('eslint'), ['.', '--max-warnings', '0'])
  must('import rules', bin('depcruise'), [
    '--config',
    '.dependency-cruiser.mjs',
    'src',
    'demo',
    'bench',
    'scripts',
  ])
  must('unused code', bin('knip'), [])
  must('docs match the code', bin('tsx'), ['scripts/docs.ts', '--check'])
  const units = join(tmpdir(), `neat-bracket-units-${process.pid}.json`)
  must('unit tests', bin('vitest'), [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${units}`,
  ])
  build()
  const browser = join(tmpdir(), `neat-bracket-browser-${process.pid}.json`)
  must('browser and server tests', bin('playwright'), ['test', '--reporter=list,json'], {
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: browser },
  })
  const unit = JSON.parse(readFileSync(units, 'utf8'))
  const { expected, unexpected, flaky } = JSON.parse(readFileSync(browser, 'utf8')).stats
  console.log(
    `\ntests: ${unit.numPassedTests + expected + flaky} passed, ${unit.numFailedTests + unexpected} failed`,
  )
})
