import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess, assessAgain, type Assessment } from '@/core/assess'
import { openJobFile, type Job } from '@/core/job'
import { withOwn } from '@/core/parts'
import { bundlesIn, leadsAhead, waysOn } from '@/core/pathway'
import { fillWords, pullSheet } from '@/core/pull'
import { surveyReport } from '@/core/sight'
import { punchListState } from '@/core/test'
import { asOf } from './shift'

/** The demo jobs show what they are there to show. */
function open(name: string) {
  const opened = openJobFile(readFileSync(`demo/jobs/${name}.job.json`, 'utf8'))
  if (!opened.ok) throw new Error(opened.reasons.map(({ path, message }) => `${path} ${message}`).join())
  return { ...opened.file, assessment: assess(opened.file.job, CATALOGUE) }
}

describe('Kestrel Quay', () => {
  const { job, photos, assessment } = open('3-kestrel-quay')
  const found = (mark: string, verdict: 'stop' | 'check') =>
    assessment.devices
      .find((device) => device.mark === mark)!
      .findings.filter((finding) => finding.verdict === verdict)
      .map(({ id }) => id)

  it('has fifteen devices, some done, some stopped, some not planned', () => {
    expect(assessment.counts).toMatchObject({ devices: 15, done: 2, stopped: 4, unplanned: 2 })
    expect(assessment.sentence).toMatch(/^15 devices\. 2 are done/)
  })
  it.each([
    ['03', 'mount/tile'],
    ['08', 'seal/grip:camera/entry'],
    ['13', 'power/volts'],
    ['05', 'mount/load'],
  ])('device %s is stopped by %s alone', (mark, id) => expect(found(mark, 'stop')).toEqual([id]))
  it.each([
    ['05', 'route/length'],
    ['09', 'power/mains'],
    ['02', 'mount/shake'],
    ['11', 'sight/near:soffit'],
    ['12', 'sight/sun'],
    ['08', 'route/pull-length-1'],
    ['08', 'route/pull-bends-1'],
    ['13', 'sight/privacy'],
  ])('device %s wants a look at %s', (mark, id) => expect(found(mark, 'check')).toContain(id))
  it('names the fix for the arm on hollow block, and lets the dome in soffit timber pass', () => {
    const of = (mark: string) => assessment.devices.find((device) => device.mark === mark)!.stages!.mount
    expect(of('05').result.findings.find(({ id }) => id === 'mount/load')!.advice).toMatch(
      /^Use 4 × Resin anchor M8 in a mesh sleeve: that uses up \d+ %\.$/,
    )
    expect(of('04').result.findings.every(({ verdict }) => verdict === 'good')).toBe(true)
  })
  const without = (stepId: string) => ({ records: job.records.filter((one) => one.stepId !== stepId) })
  const drawsMore = job.devices.map((one) => (one.id === 'device-08' ? { ...one, cameraId: 'ptz-2mp' } : one))
  const put = <T extends { readonly id: string }>(all: readonly T[], id: string, change: Partial<T>) =>
    all.map((one) => (one.id === id ? { ...one, ...change } : one))
  it.each([
    ['a camera that draws more', { devices: drawsMore }, ['office']],
    [
      'a cable that ends elsewhere',
      { runs: put(job.runs, 'till-run', { toPort: 'port-14' }) },
      ['office', 'till-run'],
    ],
    [
      'a run of another cable',
      { runs: put(job.runs, 'bench-run-2', { cableId: 'cat6-duct' }) },
      ['bench-run-1', 'bench-run-2'],
    ],
    [
      'another part',
      { equipment: put(job.equipment, 'jetty', { partId: 'switch-16' }) },
      ['jetty', 'jetty-link'],
    ],
    [
      'the old one by another name',
      { equipment: put(job.equipment, 'old-recorder', { name: 'Loft' }) },
      ['recorder'],
    ],
    ['a step of a run', without('route/coil'), ['jetty-link']],
    ['a cable not drawn yet', without('route/pull'), ['jetty-link']],
    ['a step of equipment', without('bench/set-up'), ['office']],
    ['a picture of equipment', { photos: [] }, ['office', 'jetty-link']],
    [
      'another pin scheme',
      { policies: { ...job.policies, pinScheme: 'T568A' as const } },
      ['panel', 'till-run'],
    ],
    ['a longer coil', { allowances: { ...job.allowances, deviceSlackM: 4 } }, ['bench-run-1', 'till-run']],
    ['another mains', { mainsV: 110 }, ['jetty', 'lamps']],
    ['feet and inches', { units: 'imperial' as const }, ['jetty-link']],
  ])('is brought up to date of equipment and runs: %s', (_, change, ids) => {
    const now: Job = { ...job, ...change }
    const again = assessAgain({ job, assessment }, now, CATALOGUE)
    expect(again).toEqual(assess(structuredClone(now), CATALOGUE))
    const wordsOf = (of: Assessment, id: string) =>
      JSON.stringify([...of.equipment, ...of.runs].find(({ deviceId }) => deviceId === id))
    expect(ids.filter((id) => wordsOf(again, id) === wordsOf(assessment, id))).toEqual([])
  })
  it('has a plan: one area unmet and why, one moved wish that was agreed', () => {
    const report = surveyReport(job, CATALOGUE, 'ground')
    expect(report.findings.filter(({ verdict }) => verdict !== 'good').map(({ id }) => id)).toEqual([
      'sight/area:slipway',
      'sight/privacy:garden',
    ])
    expect(report.blindSpots.length).toBeGreaterThan(3)
    expect(
      job.devices
        .filter(({ sight }) => sight?.wish.at)
        .map(({ mark, sight }) => [mark, sight!.wish.kept, sight!.wish.agreedBy]),
    ).toEqual([['04', false, 'Office manager']])
  })
  it('has a conduit that is too full and one that grows, and what is named for them mends it', () => {
    const fills = (things: typeof job.things) =>
      pullSheet({ ...job, things }, CATALOGUE).conduits.map((use) => ({ ...use, said: fillWords(use) }))
    const tight = fills(job.things).filter(({ said }) => said !== 'Good')
    expect(tight.map(({ name, marks, said }) => [name, marks.length, said])).toEqual([
      ['Down the office wall', 11, 'Check: too full'],
      ['Up the slipway pole', 1, 'Check: wants an expansion fitting'],
    ])
    const [full, grown] = tight
    const cured = job.things.map((thing) =>
      thing.kind === 'pathway'
        ? {
            ...thing,
            ...(full!.pathwayIds.includes(thing.id) ? { conduitId: full!.fitting!.id } : {}),
            ...(grown!.pathwayIds.includes(thing.id) ? { expansionFitted: true } : {}),
          }
        : thing,
    )
    expect(fills(cured).filter(({ said }) => said !== 'Good')).toEqual([])
  })
  it('has fifteen cables on the plan, five of them and more in one bundle, one a ready-made lead', () => {
    const ways = [...waysOn(job, withOwn(CATALOGUE, job.ownParts)).values()]
    expect(ways.filter((way) => 'segments' in way)).toHaveLength(15)
    const { pulls, cuts } = pullSheet(job, CATALOGUE)
    expect(Math.max(...bundlesIn(pulls).map(({ marks }) => marks.length))).toBeGreaterThanOrEqual(5)
    expect(cuts.find(({ mark }) => mark === 'R1')!.cutM).toBeNull()
    const lead = assessment.runs[0]!.findings.filter(({ id }) => id === 'route/lead')
    expect(lead.map(({ verdict }) => verdict)).toEqual(['good'])
    // Beside what else goes there its end does not pass everywhere: it was to be drawn first, and is drawn.
    const bores = ({ runs }: Assessment) =>
      runs[0]!.findings.filter(({ id }) => id.startsWith('route/lead-bore')).map(({ verdict }) => verdict)
    expect([bores(assessment), pulls.first]).toEqual([[], []])
    const before = { ...job, records: [] }
    expect(bores(assess(before, CATALOGUE))).toEqual(['check', 'check'])
    expect(leadsAhead(pullSheet(before, CATALOGUE).pulls)).toMatchObject([{ mark: 'R1' }])
    // Others of the same conduit are drawn: had it waited, it would not pass beside them.
    const waited = { ...job, records: job.records.filter(({ deviceId }) => deviceId !== 'jetty-link') }
    expect(bores(assess(waited, CATALOGUE))).toEqual(['stop', 'check'])
  })
  it('has a measured level out of limits that proposes a fault', () => {
    const door = job.devices.find(({ mark }) => mark === '04')!
    expect(job.records.some(({ deviceId, stepId }) => deviceId === door.id && stepId === 'mount/level')).toBe(
      false,
    )
    expect(door.sight!.wish).toMatchObject({ kept: false, agreedBy: 'Office manager' })
  })
  it('has the bytes of every photo it names, and every photo of a step that asks for one', () => {
    const kept = new Set(photos.map(({ sha256 }) => sha256))
    expect(job.photos.every(({ sha256 }) => kept.has(sha256))).toBe(true)
    for (const { steps } of assessment.devices)
      for (const { step, record, photos: count } of steps)
        if (record && step.photo === 'required') expect([step.id, count > 0]).toEqual([step.id, true])
    for (const { steps } of [...assessment.devices, ...assessment.equipment, ...assessment.runs])
      for (const { step } of steps)
        expect([step.id, step.view !== null]).toEqual([step.id, step.photo !== null])
  })
})

it('Tamarisk has faults as found, a temporary fix and feet and inches', () => {
  const { job, assessment } = open('2-tamarisk-surgery')
  expect(
    assessment.devices.flatMap(({ proposedFaults }) => proposedFaults.map(({ origin }) => origin)),
  ).toEqual(['step:power/volts'])
  expect(job.units).toBe('imperial')
  expect(punchListState(job.faults, '2026-11-20')).toMatchObject({
    open: 3,
    temporary: 1,
    closed: 1,
    overdue: ['fault-2'],
  })
})

it.each(['2026-11-06', '2027-03-01', '2031-12-31'])(
  'loaded on %s, everything lies as many days back as it did, and hangs together',
  (today) => {
    const words = readFileSync('demo/jobs/2-tamarisk-surgery.job.json', 'utf8')
    const opened = openJobFile(asOf(words, today))
    if (!opened.ok) throw new Error('broken')
    expect(opened.file.job.faults.find(({ id }) => id === 'fault-2')!.due! > today).toBe(true)
    expect(punchListState(opened.file.job.faults, today)).toMatchObject({ open: 3, temporary: 1, closed: 1 })
    expect(opened.file.job.records.every(({ at }) => at < `${today}T00`)).toBe(true)
  },
)

it('Quarry Lane is finished: every step good, nothing open', () => {
  const { job, assessment } = open('1-quarry-lane')
  expect(assessment.counts.done).toBe(4)
  expect(
    assessment.devices.flatMap(({ steps }) =>
      steps.filter(({ verdict }) => verdict !== 'good').map(({ step }) => step.id),
    ),
  ).toEqual([])
  expect(job.faults.every(({ state }) => state === 'closed')).toBe(true)
})
