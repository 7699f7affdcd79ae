// @vitest-environment jsdom
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { openJobFile, type Job } from '@/core/job'
import { survey, surveyRequest } from '@/core/sight'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import { headEnd, pathway, pullPoint, wall, xy } from '@/testing/plans'
import { planSheet, planSheetSvg, SHEETS, UNIT_MM, type PlanSheet, type SheetMark, type SheetWish } from '.'

const wish: SheetWish = {
  floor: 'ground',
  seen: 'none',
  cables: true,
  paper: 'a4',
  upright: false,
  scale: null,
}
/** Every letter as wide as the widest. */
const measure = (words: string, size: number) => words.length * size * 0.62
const of = (on: Job, seen = false) => ({
  job: on,
  survey: seen ? survey(surveyRequest(on, CATALOGUE, 'ground')) : null,
  bundles: [],
  devices: [],
  cameraName: () => 'Camera',
  halfFov: () => 40,
  today: '2026-03-02',
})
const laid = (on: Job, change: Partial<SheetWish> = {}, seen = false): PlanSheet => {
  const sheet = planSheet(of(on, seen), { ...wish, ...change }, measure)
  if ('fits' in sheet) throw new Error(`fits at ${sheet.fits}`)
  return sheet
}
const flat = (marks: readonly SheetMark[]): SheetMark[] =>
  marks.flatMap((mark) => (mark.is === 'window' ? flat(mark.marks) : [mark]))
const said = (marks: readonly SheetMark[]) =>
  flat(marks).flatMap((mark) => (mark.is === 'words' || mark.is === 'letters' ? [mark.words] : []))
const walled = (lengthM: number, change: Partial<Job> = {}) =>
  job({ devices: [], things: [wall(0, 0, lengthM, 0)], ...change })
const linesOf = (sheet: PlanSheet) =>
  flat(sheet.pages[0]!).flatMap((mark) => (mark.is === 'line' ? [mark] : []))
/** How long the heavy line of the one wall is on paper, mm. */
const onPaper = (sheet: PlanSheet) => {
  const [[a, b] = []] = linesOf(sheet).flatMap(({ spots, wide }) =>
    wide! > 2.4 && spots.length === 2 ? [spots] : [],
  )
  return Math.hypot(b![0] - a![0], b![1] - a![1]) * UNIT_MM
}
const at = (x: number, y: number) => ({
  floor: 'ground' as const,
  x,
  y,
  panDeg: 180,
  rollDeg: 0,
  locked: false,
})
const standing = (i: number) =>
  device({
    id: `d${i}`,
    mark: String(i).padStart(2, '0'),
    name: `Camera number ${i}`,
    sight: {
      heightM: 3,
      targetDistanceM: 6,
      targetHeightM: 1.6,
      level: 'recognise',
      focalMm: 4,
      tiltDeg: 15,
      portrait: false,
      shutterS: 0.01,
      wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
      place: at((i % 20) * 3, Math.floor(i / 20) * 3),
    },
  })

describe('a plan on paper', () => {
  it.each([
    ['metric', 100, 100],
    ['metric', 250, 40],
    ['imperial', 96, 104.16667],
  ] as const)('%s at 1 : %s: ten metres come out %s mm long', (units, scale, mm) =>
    expect(onPaper(laid(walled(10, { units }), { scale, paper: 'a3' }))).toBeCloseTo(mm, 3),
  )
  it('without a scale takes the largest that fits; one that does not fit is refused and the next named', () => {
    // A4 lying: 277 mm less the table's 74 and twice 5 mm round the drawing leave 193 mm.
    expect(laid(walled(19.29)).scale).toBe(100)
    expect(laid(walled(19.31)).scale).toBe(200)
    expect(laid(walled(19.29), { scale: 100 }).scale).toBe(100)
    expect(planSheet(of(walled(19.31)), { ...wish, scale: 100 }, measure)).toEqual({ fits: 200 })
    expect(planSheet(of(walled(9000)), wish, measure)).toEqual({ fits: null })
  })
  it.each(Object.keys(SHEETS) as (keyof typeof SHEETS)[])('%s has its size, upright turned', (paper) => {
    const { width, height } = SHEETS[paper]
    const lying = laid(walled(10), { paper })
    expect([lying.widthMm, lying.heightMm]).toEqual([width, height])
    const upright = laid(walled(10), { paper, upright: true })
    expect([upright.widthMm, upright.heightMm]).toEqual([height, width])
  })
  it('says job, floor, day, scale and what is shown; north only where the site is known', () => {
    const words = said(laid(walled(10, { name: 'Yard', address: 'Quay 1' })).pages[0]!)
    for (const one of ['Yard', 'Ground', 'Quay 1', '1 : 100 on A4']) expect(words).toContain(one)
    expect(words).not.toContain('N')
    const site = { latitudeDeg: 50, longitudeDeg: 0, upBearingDeg: 90, timeZone: 'Europe/London' }
    const north = flat(laid(walled(10, { site })).pages[0]!).find((one) => one.is === 'letters')!
    // Up the sheet is east: north lies to the left of the arrow's middle.
    const arrow = linesOf(laid(walled(10, { site }))).find(({ spots }) => spots.length === 3)!
    const middle = (arrow.spots[0]![0] + arrow.spots[1]![0]) / 2
    expect((north as { at: readonly [number, number] }).at[0]).toBeLessThan(middle - 20)
  })
  it('every device stands in the table once, overleaf where there is no room, and the count says so', () => {
    const on = job({
      devices: Array.from({ length: 70 }, (_, i) => standing(i)),
      things: [wall(0, -9, 60, -9)],
    })
    for (const upright of [false, true]) {
      const { pages } = laid(on, { upright })
      expect(pages.length).toBeGreaterThan(1)
      const words = pages.flatMap(said)
      for (const { mark, name } of on.devices)
        expect(words.filter((one) => one === `${mark}  ${name}`)).toHaveLength(1)
      expect(words).toContain('Devices on this plan: 70')
    }
  })
  it('cables lie on their ways as thick as their bundle, on their floor, and the legend says so', () => {
    const bundle = (y: number, count: number, floor: 'ground' | 'upper' = 'ground') => ({
      floor,
      points: [xy(0, y), xy(8, y)],
      count,
    })
    const sheetOf = (bundles: ReturnType<typeof bundle>[]) => {
      const sheet = planSheet({ ...of(walled(10)), bundles }, wish, measure)
      if ('fits' in sheet) throw new Error('It does not fit.')
      return sheet
    }
    const tubes = (sheet: PlanSheet) =>
      linesOf(sheet).filter(({ ends, stroke, spots: [a, b] }) => {
        const longMm = Math.hypot(b![0] - a![0], b![1] - a![1]) * UNIT_MM
        return ends === 'round' && stroke === 'sheet' && Math.abs(longMm - 80) < 0.1
      })
    const sheet = sheetOf([bundle(-1, 1), bundle(-2, 4), bundle(-3, 2, 'upper')])
    const [one, four, ...others] = tubes(sheet)
    expect(others).toEqual([])
    expect(four!.wide! / one!.wide!).toBeCloseTo(2) // four round cables are twice as thick
    expect(said(sheet.pages[0]!)).toContain('4 cables')
    const legend = 'Cables on their ways, as thick as their bundle'
    expect(said(sheet.pages[0]!)).toContain(legend)
    expect(said(sheetOf([bundle(-3, 2, 'upper')]).pages[0]!)).not.toContain(legend)
  })
  it('pathways and pull points go with the cables, and nothing else does', () => {
    const lane = pathway([[0, -1], [8, -1]], { name: 'Loft way' }) // prettier-ignore
    const things = [wall(0, 0, 10, 0), lane, { ...pullPoint(4, -1), name: 'Box one' }, headEnd(8, -1)]
    const words = (cables: boolean) => said(laid(walled(10, { things }), { cables }).pages[0]!)
    for (const name of ['Loft way', 'Box one', 'Head end']) expect(words(true)).toContain(name)
    expect(words(false)).not.toContain('Loft way')
    expect(words(false)).not.toContain('Box one')
    expect(words(false)).toContain('Head end')
  })
  it('the bar is as long as it says, in metres and in feet', () => {
    for (const [units, metres] of [
      ['metric', 1],
      ['imperial', 0.3048],
    ] as const) {
      const sheet = laid(walled(10, { units }))
      const parts = flat(sheet.pages[0]!).flatMap((mark) =>
        mark.is === 'line' && mark.spots.length === 4 && (mark.fill === 'ink' || mark.fill === 'sheet')
          ? [mark.spots.map(([x]) => x)]
          : [],
      )
      const long = (Math.max(...parts.flat()) - Math.min(...parts.flat())) * UNIT_MM
      const words = said(sheet.pages[0]!)
      const figure = parseFloat(words[words.indexOf('0') + 1]!)
      expect([units, parts.length]).toEqual([units, 5])
      expect(long).toBeCloseTo((figure * metres * 1000) / sheet.scale, 6)
    }
  })
})

describe('the boatyard on paper', () => {
  const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
  if (!opened.ok) throw new Error('The demo job cannot be read.')
  const yard = opened.file.job
  it.each(['density', 'count', 'blind'] as const)('%s: an SVG that is well formed, no NaN in it', (seen) => {
    const svg = planSheetSvg(laid(yard, { seen, paper: 'a3' }, true), 'text{}', () => null)
    expect(svg).not.toMatch(/NaN|undefined|Infinity/)
    const read = new DOMParser().parseFromString(svg, 'image/svg+xml')
    expect(read.documentElement.getAttribute('width')).toBe('420mm')
    const marks = [...read.querySelectorAll('text')].map(({ textContent }) => textContent)
    for (const { mark, sight, state } of yard.devices)
      if (sight?.place?.floor === 'ground' && state !== 'taken away') expect(marks).toContain(mark)
  })
  it('seen by more lies within seen by less', () => {
    const bands = flat(laid(yard, { seen: 'density', paper: 'a3' }, true).pages[0]!).flatMap((mark) =>
      mark.is === 'band' ? [mark] : [],
    )
    const sizes = new Map<string, number>()
    for (const { colour, rings } of bands) {
      const [outer] = rings
      const twice = outer!.reduce((sum, [x, y], i) => {
        const [u, v] = outer![(i + 1) % outer!.length]!
        return sum + x * v - u * y
      }, 0)
      sizes.set(colour, (sizes.get(colour) ?? 0) + Math.abs(twice))
    }
    const inOrder = [...sizes.values()]
    expect(inOrder.length).toBeGreaterThan(3)
    expect([...inOrder].sort((a, b) => b - a)).toEqual(inOrder)
  })
  it('names from the record are words, never markup', () => {
    const svg = planSheetSvg(laid(walled(10, { name: '<script>&"\u0007' })), '', () => null)
    const read = new DOMParser().parseFromString(svg, 'image/svg+xml')
    expect(read.querySelector('script')).toBeNull()
    expect([...read.querySelectorAll('text')].map((one) => one.textContent)).toContain('<script>&"')
  })
})
