import { NO_RECORDER } from '@/core/terminate/plan'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess, assessAgain } from '../assess'
import { device, fault, job, photo, said, stepRecord } from '@/testing/jobs'
import { apply, Command, openJobFile, reasonsOf, RECORD_VERSION, type Change, type Job, type Route } from '.'

const reasons = (change: object) => {
  const parsed = Command.safeParse({ ...said(change as Change) })
  return parsed.success ? [] : reasonsOf(parsed.error).map(({ path, message }) => `${path} ${message}`)
}

/** Today's demo file as an older program wrote it. */
function asVersion3(): {
  job: Record<string, unknown> & {
    devices: { route: { segments: object[] } | null }[]
    records: { stepId: string }[]
  }
} & Record<string, unknown> {
  const file = JSON.parse(readFileSync('demo/jobs/2-tamarisk-surgery.job.json', 'utf8')) as ReturnType<
    typeof asVersion3
  >
  const { terrain: _t, mainsV: _m, keepPhotoPlace: _k, conflicts: _c, signed: _s, ...older } = file.job
  const old = (id: string) => ({ 'bench/unpack': 'test/unpack', 'bench/power-up': 'test/bench' })[id] ?? id
  return {
    ...file,
    version: 3,
    photos: [],
    job: {
      ...older,
      photos: [],
      faults: [],
      devices: older.devices.map((d) => ({
        ...d,
        route: d.route && {
          ...d.route,
          segments: d.route.segments.map((s) => {
            const { conduitName: _, ...rest } = s as { conduitName: string }
            return rest
          }),
        },
      })),
      records: older.records.map((r) => ({ ...r, stepId: old(r.stepId) })),
    },
  }
}

it('a file of version 10 opens: nothing is drawn on its photos, nobody is left with a step', () => {
  const file = JSON.parse(readFileSync('demo/jobs/2-tamarisk-surgery.job.json', 'utf8')) as {
    job: { handed: object[]; photos: { marks: object[] }[] }
  }
  const { handed: _, photos, ...older } = file.job
  const unmarked = photos.map(({ marks: __, ...photo }) => photo)
  const opened = openJobFile(JSON.stringify({ ...file, version: 10, job: { ...older, photos: unmarked } }))
  expect(opened.ok && opened.file.job.handed).toEqual([])
  expect(opened.ok && new Set(opened.file.job.photos.map(({ marks }) => marks.length))).toEqual(new Set([0]))
})

it('a file of version 3 opens: mains by its units, no shared conduit, steps of the bench under their new names', () => {
  const older = asVersion3()
  expect(older.job.records.some(({ stepId }) => stepId === 'test/unpack')).toBe(true)
  const opened = openJobFile(JSON.stringify(older))
  expect(opened).toMatchObject({
    ok: true,
    file: { version: RECORD_VERSION, job: { mainsV: 120, terrain: 'open', keepPhotoPlace: false } },
  })
  if (!opened.ok) return
  const now = opened.file.job
  expect(
    now.devices
      .flatMap(({ route }) => route?.segments.map(({ conduitName }) => conduitName) ?? [])
      .every((name) => name === ''),
  ).toBe(true)
  expect(
    now.records
      .map(({ stepId }) => stepId)
      .filter((id) => /^(test|bench)\/(unpack|bench|power-up)$/.test(id))
      .every((id) => id.startsWith('bench/')),
  ).toBe(true)
  expect(now.records).toHaveLength(older.job.records.length)
})

describe('signs that nobody sees', () => {
  it.each([
    ['half a sign', 'Door \ud800'],
    ['NUL', 'Do\u0000or'],
    ['writing turned round', 'Door \u202egnp.exe'],
    ['an isolate', '\u2066Door'],
    ['escape', '\u001b[31mDoor'],
  ])('%s in a name is refused with a message', (_, name) => {
    expect(reasons({ type: 'putEquipment', equipmentId: 's', change: { name, partId: 'switch-8' } })).toEqual(
      ['/change/name It holds signs that cannot be seen (control signs or broken ones): type it again.'],
    )
    expect(
      reasons({
        type: 'recordStep',
        deviceId: 'd',
        stepId: 'mount/fix',
        title: '',
        outcome: { state: 'done', value: null, choice: null, note: name },
      })[0],
    ).toMatch(/^\/outcome\/note It holds/)
  })
  it('whole signs of any writing are taken, line breaks in notes too', () => {
    for (const name of ['Tür “links” ½', 'باب', '門 🚪'])
      expect(
        reasons({ type: 'putEquipment', equipmentId: 's', change: { name, partId: 'switch-8' } }),
      ).toEqual([])
    expect(
      reasons({
        type: 'recordStep',
        deviceId: 'd',
        stepId: 'mount/fix',
        title: '',
        outcome: { state: 'done', value: null, choice: null, note: 'one\n\ttwo' },
      }),
    ).toEqual([])
  })
  it('an id is no word of an address', () =>
    expect(reasons({ type: 'removeThing', thingId: 'new' })[0]).toMatch(/^\/thingId An id has/))
})

it('evidence of a closed fault stays; of an open one it goes', () => {
  const remove = (state: 'closed' | 'open') =>
    apply(
      job({ photos: [photo({ faultId: 'f' })], faults: [fault({ state })] }),
      Command.parse(said({ type: 'removePhoto', photoId: 'p' })),
      CATALOGUE,
    )
  expect(remove('closed')).toMatchObject({ ok: false, reasons: [{ path: '/photoId' }] })
  expect(remove('open')).toMatchObject({ ok: true, job: { photos: [] } })
})

const way = (conduitName: string): Route => ({
  segments: [
    { id: 'a', space: 'conduit', lengthM: 9, riseM: 0, temperatureC: 20, conduitId: 'pvc-half', conduitName },
  ],
  laid: 'new' as const,
  cordsM: 2,
  forced: null,
  lead: null,
})

describe('what one device says of another', () => {
  const yard = (...names: string[]): Job =>
    job({ devices: names.map((name, i) => device({ id: `d${i}`, mark: `0${i}`, route: way(name) })) })
  const full = (one: Job) =>
    assess(one, CATALOGUE).devices.map(({ findings }) => findings.some(({ id }) => id === 'route/conduit-a'))
  it('runs that share a conduit by name fill it together', () => {
    expect(full(yard('duct', 'duct', 'duct'))).toEqual([true, true, true])
    expect(full(yard('a', 'b', ''))).toEqual([false, false, false])
  })
  it('is taken up again when the other device changes', () => {
    const before = yard('duct', 'duct', 'duct')
    const after = {
      ...before,
      devices: before.devices.map((d, i) => (i === 2 ? { ...d, route: way('other') } : d)),
    }
    const again = assessAgain({ job: before, assessment: assess(before, CATALOGUE) }, after, CATALOGUE)
    expect(again).toEqual(assess(after, CATALOGUE))
  })
})

it('a length read off the jacket goes into the findings, the resistance and the volts of its device', () => {
  const long = device({
    route: {
      ...way(''),
      segments: [{ ...way('').segments[0]!, space: 'loft', conduitId: null, lengthM: 40 }],
    },
    power: { supplyId: 'switch', port: 1 },
    terminate: { cameraEndId: 'plug', headEndId: 'jack', ...NO_RECORDER },
  })
  const read = (value: number | null) => {
    const records = value === null ? [] : [stepRecord({ deviceId: long.id, stepId: 'route/length', value })]
    const [one] = assess(job({ devices: [long], records }), CATALOGUE).devices
    return {
      stop: one!.findings.find(({ id }) => id === 'route/length')!.verdict,
      ohm: one!.stages!.power!.result.drawing.circuitOhm,
      loop: one!.steps.find(({ step }) => step.id === 'terminate/loop')!.step.entry,
    }
  }
  const [planned, found] = [read(null), read(96)]
  expect([planned.stop, found.stop]).toEqual(['good', 'stop'])
  expect(found.ohm).toBeGreaterThan(1.7 * planned.ohm - 1)
  expect(found.loop).not.toEqual(planned.loop)
})
