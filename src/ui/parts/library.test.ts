import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { columnsOf, libraryOf } from '@/core/job'
import { allOf, ownPart } from '@/testing/ownParts'
import { CATALOGUE } from '@/catalogue'
import { partsIn, partsOfTable, tableOf } from './library'

/** Files of own parts as they come from a spreadsheet, or from somebody who means no good. */

const cable = ownPart('cables', 'cat6', allOf('cables', CATALOGUE.cables.get('cat6')!), {
  name: '=SUM(A1) "yard"; cable, 6 mm',
})
const bare = ownPart('cables', 'cat6-outdoor', {}, { id: 'own-2', name: 'Bare', sheet: '-' })
const file = (words: string, type = '') => new File([words], 'parts', { type })

const HEADINGS = '\uFEFFid,name,from,sheet,boreAreaMm2,growsMmPerMC,outsideMm'

describe('a table', () => {
  it('comes back as it went, with quotes, commas and what a spreadsheet would run', () => {
    const words = tableOf('cables', [cable, bare])
    expect(words).toContain(`"'=SUM(A1)`)
    expect(partsOfTable(words, 'imperial')).toEqual({ ok: true, parts: [cable, bare] })
  })
  it('is understood by its headings, in any order, with semicolons and line ends of any kind', () => {
    const { data } = Papa.parse<Record<string, string>>(tableOf('cables', [cable]).slice(1), { header: true })
    const columns = columnsOf('cables').toReversed()
    const words = Papa.unparse(
      { fields: columns, data: data.map((row) => columns.map((one) => row[one])) },
      { delimiter: ';', newline: '\n' },
    )
    expect(partsOfTable(words, 'metric')).toEqual({
      ok: true,
      parts: [{ ...cable, part: { ...cable.part, name: expect.anything() as string } }],
    })
  })
  it('without parts is its headings: a pattern to fill in', () => {
    expect(tableOf('conduits', [cable])).toBe(`${HEADINGS}\r\n`)
    expect(partsOfTable(tableOf('conduits', []), 'metric')).toEqual({ ok: true, parts: [] })
  })
  it('of before a column was known is still read', () => {
    const read = partsOfTable('id,name,from,sheet,boreAreaMm2\n,Pipe,pvc-half,p. 3,100', 'metric')
    expect(read.ok && read.parts.map(({ part }) => part)).toMatchObject([{ name: 'Pipe', boreAreaMm2: 100 }])
  })
  it.each([
    ['a,b\n1,2', /headings are of no kind/],
    ['', /headings are of no kind/],
    [`${HEADINGS}\r\n,Pipe,pvc-half,,100,0.06,21,extra`, /^Line 2: /],
    [`${HEADINGS}\r\n,Pipe,pvc-half,,"100`, /^Line 2: /],
  ])('%j is refused in words', (words, message) => {
    const read = partsOfTable(words, 'metric')
    expect(read.ok ? '' : read.reasons[0]!.message).toMatch(message)
  })
})

describe('a file', () => {
  it('is a library or a table by what is in it, whatever it is called', async () => {
    expect(await partsIn(file(libraryOf([cable]), 'text/csv'), 'metric')).toEqual({
      ok: true,
      parts: [cable],
    })
    expect(await partsIn(file(tableOf('cables', [bare]), 'application/json'), 'metric')).toEqual({
      ok: true,
      parts: [bare],
    })
  })
  it('of four megabytes and more is not read', async () => {
    const read = await partsIn(file('x'.repeat(4_000_001)), 'metric')
    expect(read).toMatchObject({ ok: false, reasons: [{ message: expect.stringMatching(/4 MB/) as string }] })
  })
})
