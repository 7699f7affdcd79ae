/**
 * Changes the trade and the server in hundreds of small ways, one at a time, and counts the changes that no
 * test notices. `npm run mutate` takes a sample that a seed decides, so that two runs can be compared;
 * `--places N` takes more or fewer (a place has two or three changes), `--seed N` others. The scores by
 * module go into `docs/mutation.md`.
 */
import { Instrumenter } from '@stryker-mutator/instrumenter'
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'

const { values } = parseArgs({
  options: { places: { type: 'string', default: '300' }, seed: { type: 'string', default: '1' } },
})

/** Words and the shape of data are read by people, not by tests. */
const LEFT_ALONE = ['StringLiteral', 'Regex', 'ObjectLiteral', 'ArrayDeclaration', 'OptionalChaining']

interface Place {
  readonly line: number
  readonly column: number
}
interface Mutant {
  readonly fileName: string
  readonly location: { readonly start: Place; readonly end: Place }
}

/** `src/core/seal/ingress.ts` belongs to `core/seal`. */
const moduleOf = (path: string): string => {
  const parts = path.slice(path.indexOf('src/') + 4).split('/')
  return parts.length > 2 ? `${parts[0]}/${parts[1]}` : parts[0]!
}

function groupedBy<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item])
  return groups
}

/** A sequence of numbers from 0 to 1 that a seed decides (mulberry32). */
function numbers(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** What is mutated: all that computes or keeps, without its tests, its faces and its lists of words. */
const FILES = ['src/core', 'src/server']
  .flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => `${folder}/${name}`),
  )
  .filter((path) => /\.ts$/.test(path) && !/(\.test|index|limits|judged|choices|sources)\.ts$/.test(path))
  .sort()

const silent = () => undefined
const logger = {
  isTraceEnabled: () => false,
  isDebugEnabled: () => false,
  isInfoEnabled: () => false,
  isWarnEnabled: () => false,
  isErrorEnabled: () => false,
  isFatalEnabled: () => false,
  trace: silent,
  debug: silent,
  info: silent,
  warn: silent,
  error: silent,
  fatal: silent,
}

async function mutantsOf(paths: readonly string[]): Promise<Mutant[]> {
  const files = paths.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') }))
  const options = { plugins: null, excludedMutations: LEFT_ALONE, ignorers: [], noHeader: true }
  const { mutants } = await new Instrumenter(logger).instrument(files, options)
  return mutants.filter(({ status }) => status === undefined)
}

const before = (a: Place, b: Place) => a.line < b.line || (a.line === b.line && a.column <= b.column)
const placeOf = ({ fileName, location: { start, end } }: Mutant) =>
  `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`

/** Places that hold no other within them: whoever names one of these names no more than it. */
function leaves(mutants: readonly Mutant[]): string[] {
  const byFile = groupedBy(mutants, ({ fileName }) => fileName)
  return [...byFile.values()].flatMap((all) => {
    const inner = all.filter((one) =>
      all.every(
        (other) =>
          placeOf(other) === placeOf(one) ||
          !(before(one.location.start, other.location.start) && before(other.location.end, one.location.end)),
      ),
    )
    return [...new Set(inner.map(placeOf))]
  })
}

/** As many places of every module as its size asks for, and no fewer than five. */
function sample(places: readonly string[], count: number, next: () => number): string[] {
  const modules = groupedBy(places, moduleOf)
  return [...modules.values()].flatMap((all) => {
    const wanted = Math.max(5, Math.round((all.length / places.length) * count))
    return all
      .map((place) => ({ place, at: next() }))
      .sort((a, b) => a.at - b.at)
      .slice(0, wanted)
      .map(({ place }) => place)
  })
}

const REPORT = '.stryker-tmp/report.json'

function run(places: readonly string[]): void {
  const options = {
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner'],
    vitest: { configFile: 'vitest.mutate.config.ts', related: false },
    coverageAnalysis: 'perTest',
    mutate: places,
    mutator: { excludedMutations: LEFT_ALONE },
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: REPORT },
    concurrency: 2,
    timeoutMS: 10_000,
    timeoutFactor: 2,
    dryRunTimeoutMinutes: 15,
    // What is computed once, as a module is read, is tested by every test: it would take hours.
    ignoreStatic: true,
    ignorePatterns: ['.next', 'data', 'e2e', 'docs/screenshots', 'node_modules', '/bench'],
    tempDirName: '.stryker-tmp/sandboxes',
  }
  writeFileSync('.stryker-tmp/stryker.config.json', JSON.stringify(options))
  const ran = spawnSync(
    process.execPath,
    ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', '.stryker-tmp/stryker.config.json'],
    { stdio: 'inherit' },
  )
  if (ran.status !== 0) process.exit(ran.status ?? 1)
}

type Status = 'Killed' | 'Timeout' | 'Survived' | 'NoCoverage' | 'Ignored' | 'CompileError' | 'RuntimeError'
interface Report {
  readonly files: Readonly<
    Record<
      string,
      {
        readonly mutants: readonly {
          readonly mutatorName: string
          readonly replacement: string
          readonly status: Status
          readonly location: { readonly start: Place }
        }[]
      }
    >
  >
}

/** A page of the scores by module, and of every change that nothing noticed. */
function page(report: Report, minutes: number): string {
  const mutants = Object.entries(report.files)
    .flatMap(([path, { mutants: all }]) => all.map((one) => ({ ...one, path, module: moduleOf(path) })))
    .filter(({ status }) => status !== 'Ignored' && status !== 'CompileError' && status !== 'RuntimeError')
  const killed = (all: typeof mutants) =>
    all.filter(({ status }) => status === 'Killed' || status === 'Timeout')
  const score = (all: typeof mutants) => `${((killed(all).length / all.length) * 100).toFixed(0)} %`
  const modules = [...groupedBy(mutants, (one) => one.module)].sort(([a], [b]) => a.localeCompare(b))
  const left = mutants.filter((one) => !killed([one]).length)
  return [
    '# Mutants',
    '',
    '<!-- Made by `npm run mutate`. -->',
    '',
    `Small changes of the trade and of the server, one at a time: ${killed(mutants).length} ` +
      `of ${mutants.length} are noticed by a test (${score(mutants)}). Seed ${values.seed}; ` +
      `${minutes.toFixed(0)} minutes. Words, lists and shapes of data are left alone.`,
    '',
    '| module | changes | noticed | score |',
    '| --- | --- | --- | --- |',
    ...modules.map(([name, all]) => `| ${name} | ${all.length} | ${killed(all).length} | ${score(all)} |`),
    '',
    '## Not noticed',
    '',
    ...left.map(
      ({ path, location, mutatorName, replacement, status }) =>
        `- ${path}:${location.start.line} ` +
        `${mutatorName}${status === 'NoCoverage' ? ', no test comes by' : ''}: ` +
        `\`${replacement.replace(/\s+/g, ' ').slice(0, 80)}\``,
    ),
    '',
  ].join('\n')
}

const began = Date.now()
mkdirSync('.stryker-tmp', { recursive: true })
const places = leaves(await mutantsOf(FILES))
const chosen = sample(places, Number(values.places), numbers(Number(values.seed)))
console.log(`${chosen.length} of ${places.length} places in ${FILES.length} files`)
run(chosen)
const report = JSON.parse(readFileSync(REPORT, 'utf8')) as Report
writeFileSync('docs/mutation.md', page(report, (Date.now() - began) / 60_000))
console.log('docs/mutation.md is written.')
