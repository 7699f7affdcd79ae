import { readFileSync, writeFileSync } from 'node:fs'
import { CATALOGUE } from '@/catalogue'
import { jobFileSchema, partLibrarySchema } from '@/core/job'
import { SOURCES, type SourceId } from '@/core/sources'
import { REGISTER } from '@/core/stages'

const CHECKED = 'by `npm run docs`; `npm test` checks that it is current.'
const GENERATED = `Generated from the code ${CHECKED}`
const MADE_UP = 'with made-up figures of ordinary size'
const FROM_LOCKFILE = `Generated from the lockfile ${CHECKED}`
const TEXTS =
  'The text of each licence stands in its package under `node_modules`; the fonts’ in ' +
  '`node_modules/@fontsource/*/LICENSE`.'
const TERMS =
  'Libraries under LGPL and MPL are used as they come, by their published interface, and can be replaced ' +
  'by installing another build; fonts under the SIL Open Font License ship unchanged.'

/** A table of Markdown with three columns. */
const table = (head: string, rows: readonly string[]): string =>
  [head, '| --- | --- | --- |', ...rows].join('\n')

/** Writes the generated pages of docs. With `--check` it only says whether they are current. */
const PAGES: Record<string, string> = {
  'docs/sources.md': sourcesPage(),
  'docs/job.schema.json': `${JSON.stringify(jobFileSchema(), null, 2)}\n`,
  'docs/parts.schema.json': `${JSON.stringify(partLibrarySchema(), null, 2)}\n`,
  'docs/licences.md': licencesPage(),
}

const check = process.argv.includes('--check')
let stale = false
for (const [path, words] of Object.entries(PAGES)) {
  if (!check) writeFileSync(path, words)
  else if (readFileSync(path, 'utf8') !== words) {
    stale = true
    console.error(`${path} is not what the code says: run npm run docs.`)
  }
}
if (stale) process.exit(1)

function sourcesPage(): string {
  const used = new Set<SourceId>()
  const cite = (source: SourceId) => {
    used.add(source)
    return `[${source}](#sources)`
  }
  const parts = REGISTER.map(({ title, limits, formulas }) => {
    const rows = limits.map(
      ({ name, value, unit, source }) => `| ${name} | ${value} ${unit} | ${cite(source)} |`,
    )
    const lines = formulas.map(
      ({ name, formula, source }) => `| ${name} | ${formula.replaceAll('|', '\\|')} | ${cite(source)} |`,
    )
    const formulae = lines.length > 0 ? `\n${table('| formula | | source |', lines)}\n` : ''
    return `## ${title}\n\n${table('| constant | value | source |', rows)}\n${formulae}`
  })
  const sized = [
    ...CATALOGUE.cables.values(),
    ...CATALOGUE.fixings.values(),
    ...CATALOGUE.woods.values(),
    ...CATALOGUE.seals.values(),
    ...CATALOGUE.conduits.values(),
  ]
  const catalogue = sized.map(({ name, source }) => `| ${name} | ${cite(source)} |`)
  const list = (Object.keys(SOURCES) as SourceId[]).map(
    (id) => `| ${id} | ${SOURCES[id].kind} | ${SOURCES[id].cite} |`,
  )
  return `# Where every figure comes from

${GENERATED} Cameras, mounts and equipment of the catalogue are generic, ${MADE_UP}.

${parts.join('\n')}
## Catalogue

| part | source of its figures |
| --- | --- |
${catalogue.join('\n')}

## Sources

| key | kind | source |
| --- | --- | --- |
${list.join('\n')}
`
}

interface Locked {
  readonly version: string
  readonly license?: string
  readonly dev?: boolean
}

/** The licences of everything that ships, from the lockfile. */
function licencesPage(): string {
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as {
    packages: Record<string, Locked>
  }
  const shipped = Object.entries(packages).filter(([path, { dev }]) => path !== '' && !dev)
  const named = shipped.map(([path, { version, license }]) => ({
    name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
    version,
    licence: license ?? 'see the package',
  }))
  const rows = [...new Map(named.map((one) => [`${one.name} ${one.version}`, one])).values()].sort((a, b) =>
    a.name.localeCompare(b.name, 'en'),
  )
  const table = (list: typeof rows) =>
    `| package | version | licence |\n| --- | --- | --- |\n${list
      .map(({ name, version, licence }) => `| ${name} | ${version} | ${licence} |`)
      .join('\n')}`
  const bound = rows.filter(({ licence }) => /GPL|MPL|OFL|CC-BY/.test(licence))
  return `# Licences of what ships

${FROM_LOCKFILE} ${TEXTS}

## With terms of their own

${TERMS}

${table(bound)}

## All

${table(rows)}
`
}
