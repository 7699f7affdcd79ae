import { readFileSync, writeFileSync } from 'node:fs'
import { CATALOGUE } from '@/catalogue'
import { jobFileSchema } from '@/core/job'
import { SOURCES, type SourceId } from '@/core/sources'
import { REGISTER } from '@/core/sources/register'

/**
 * Writes the generated pages: docs/sources.md and docs/job.schema.json. With `--check` it only says whether
 * they are current.
 */
const PAGES: Record<string, string> = {
  'docs/sources.md': sourcesPage(),
  'docs/job.schema.json': `${JSON.stringify(jobFileSchema(), null, 2)}\n`,
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
    return `## ${title}\n\n| constant | value | source |\n| --- | --- | --- |\n${rows.join('\n')}\n${lines.length > 0 ? `\n| formula | | source |\n| --- | --- | --- |\n${lines.join('\n')}\n` : ''}`
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

Generated from the code by \`npm run docs\`; \`npm test\` checks that it is current. Cameras, mounts and supplies of the catalogue are generic, with made-up figures of ordinary size.

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
