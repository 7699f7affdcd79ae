import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { anyJob } from '@/testing/anyJob'
import { device, job, said, stepRecord } from '@/testing/jobs'
import { enough, runs } from '@/testing/runs'
import {
  apply,
  applyAll,
  Command,
  commandsOf,
  Job,
  RECORD_VERSION,
  openJobFile,
  reasonsOf,
  type Change,
} from '.'

const ids = () => {
  let n = 0
  return () => `00000000-0000-4000-8000-${String(n++).padStart(12, '0')}`
}
const command = (change: Change) => said(change)
const refusal = (on: Job | null, change: Change) => {
  const applied = apply(on, command(change), CATALOGUE)
  return applied.ok ? 'applied' : applied.reasons.map(({ path, message }) => `${path} ${message}`).join()
}
/** One by one, and all at once: the same. */
const known = (j: Job) => {
  const all = applyAll(null, commandsOf(j, ids()), CATALOGUE)
  let now: Job | null = null
  for (const c of commandsOf(j, ids())) {
    const applied = apply(now, c, CATALOGUE)
    if (!applied.ok) return null
    now = applied.job
  }
  expect(all).toEqual({ ok: true, job: now })
  return now
}

describe('a job and its commands', () => {
  it('generated jobs are valid by the schema, so that what the tests prove they prove of legal values', () => {
    fc.assert(
      fc.property(anyJob, (j) => Job.safeParse(j).success),
      { numRuns: runs(200) },
    )
  })
  it('any job of known parts is rebuilt by its own commands, and each command is valid', () => {
    let rebuilt = 0
    fc.assert(
      fc.property(anyJob, (j) => {
        for (const c of commandsOf(j, ids())) expect(Command.safeParse(c).success).toBe(true)
        const again = known(j)
        if (again === null) return
        rebuilt++
        expect(again).toEqual(j)
      }),
      { numRuns: runs(300) },
    )
    expect(rebuilt).toBeGreaterThan(enough(20))
  })
  it('sharing: a command leaves every other device the same object', () => {
    const before = job({ devices: [device(), device({ id: 'device-2', mark: '02' })] })
    const applied = apply(
      before,
      command({ type: 'setPlan', deviceId: 'device-2', plan: { power: { supplyId: 'switch', port: 1 } } }),
      CATALOGUE,
    )
    expect(applied.ok && applied.job.devices[0]).toBe(before.devices[0])
  })
})

describe('refusals name the field and say what to do', () => {
  const yard = job({
    devices: [device({ power: { supplyId: 'switch', port: 1 } })],
    records: [stepRecord()],
  })
  const { id: _, details, sight, mount, route, terminate, seal, power, ...choice } = device({ mark: '01' })
  void [details, sight, mount, route, terminate, seal, power]
  it.each<[Job | null, Change, RegExp]>([
    [null, { type: 'removePhoto', photoId: 'p' }, /^\/jobId There is no job/],
    [
      yard,
      { type: 'addDevice', deviceId: 'device-2', choice },
      /^\/choice\/mark Workshop doors is marked 01 already/,
    ],
    [
      yard,
      { type: 'addDevice', deviceId: 'device-2', choice: { ...choice, mark: '02', cameraId: 'x' } },
      /^\/choice\/cameraId The catalogue has no part "x"/,
    ],
    [yard, { type: 'removeDevice', deviceId: 'device-1' }, /recorded on it/],
    [yard, { type: 'removeEquipment', equipmentId: 'switch' }, /Device 01 is fed from it/],
    [
      yard,
      { type: 'setPlan', deviceId: 'device-1', plan: { power: { supplyId: 'gone', port: 1 } } },
      /^\/plan\/power\/supplyId/,
    ],
    [
      yard,
      {
        type: 'recordStep',
        deviceId: 'device-1',
        stepId: 'mount/tug',
        title: '',
        outcome: { state: 'left out', value: null, choice: null, note: '' },
      },
      /^\/outcome\/note Say why/,
    ],
    [yard, { type: 'recheckFault', faultId: 'f', passed: true, note: '' }, /^\/faultId There is no fault/],
  ])('%#', (on, change, expected) => expect(refusal(on, change)).toMatch(expected))

  it('points at the field in a command that breaks the schema', () => {
    const parsed = Command.safeParse({
      ...command({ type: 'setPlan', deviceId: 'device-1', plan: { power: { supplyId: 'switch', port: 0 } } }),
    })
    expect(parsed.success ? [] : reasonsOf(parsed.error)).toEqual([
      { path: '/plan/power/port', message: 'Ports count from 1.' },
    ])
  })
})

it(
  'leads a fault from raised over a temporary and a lasting fix to closed, and opens it ' +
    'again when the re-check fails',
  () => {
    const changes: Change[] = [
      {
        type: 'raiseFault',
        faultId: 'f',
        facts: {
          deviceId: null,
          stage: 'seal',
          origin: null,
          title: 'Drilled face',
          severity: 'will fail',
          cause: 'drilled face',
          note: '',
          due: null,
        },
      },
      { type: 'fixFault', faultId: 'f', fix: { kind: 'temporary', what: 'silicone', until: '2026-04-01' } },
      { type: 'fixFault', faultId: 'f', fix: { kind: 'lasting', what: 'new box' } },
      { type: 'recheckFault', faultId: 'f', passed: false, note: 'still wet' },
      { type: 'fixFault', faultId: 'f', fix: { kind: 'lasting', what: 'gasket' } },
      { type: 'recheckFault', faultId: 'f', passed: true, note: '' },
    ]
    let now = job()
    const states = changes.map((change) => {
      const applied = apply(now, command(change), CATALOGUE)
      if (!applied.ok) throw new Error(JSON.stringify(applied.reasons))
      now = applied.job
      return now.faults[0]!.state
    })
    expect(states).toEqual(['open', 'temporary fix', 'fixed', 'open', 'fixed', 'closed'])
    expect(refusal(now, changes[1]!)).toMatch(/closed/)
  },
)

describe('job files', () => {
  const file = (change: object = {}) =>
    JSON.stringify({
      format: 'neat-bracket-job',
      version: RECORD_VERSION,
      job: job(),
      photos: [],
      ...change,
    })
  const message = (words: string) => {
    const opened = openJobFile(words)
    return opened.ok ? 'opened' : `${opened.reasons[0]!.path} ${opened.reasons[0]!.message}`
  }
  it.each([
    [file(), /^opened$/],
    ['{', /not a JSON file/],
    ['[]', /not a Neat Bracket job file/],
    [file({ version: RECORD_VERSION + 1 }), /^\/version Version \d+ is newer/],
    [file({ job: { ...job(), name: '' } }), /^\/job\/name Give it a name/],
    [file({ extra: 1 }), /extra/],
  ])('%#', (words, expected) => expect(message(words)).toMatch(expected))
})
