import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { openJobFile } from '../job'
import { survey, surveyRequest } from '../sight'
import { assess, assessDevice } from '../assess'
import { device, equipment, job, NOW } from '@/testing/jobs'
import { deviceRecord, equipmentRecord, surveyedFloors, surveyRecord } from '.'

const photo = (id: string, change: object) => ({
  id,
  sha256: 'a'.repeat(64),
  deviceId: null,
  stepId: null,
  faultId: null,
  caption: '',
  marks: [],
  at: NOW,
  by: 'Lead',
  ...change,
})
const fault = {
  id: 'f1',
  deviceId: 'device-1',
  stage: null,
  origin: null,
  title: 'Loose nut',
  severity: 'will fail' as const,
  cause: 'loose' as const,
  note: '',
  due: null,
  state: 'closed' as const,
  raisedAt: NOW,
  raisedBy: 'Lead',
  events: [
    { event: 'fix' as const, at: NOW, by: 'Lead', fix: { kind: 'lasting' as const, what: 'Tightened' } },
    { event: 're-check' as const, at: NOW, by: 'Lead', passed: true, note: '' },
  ],
}

const recordOf = (change: Parameters<typeof device>[0] = {}) => {
  const d = device(change)
  const on = job({
    devices: [d],
    faults: [fault, { ...fault, id: 'f2', deviceId: null }],
    photos: [
      photo('p1', { deviceId: 'device-1' }),
      photo('p2', { faultId: 'f1' }),
      photo('p3', { deviceId: 'other' }),
      photo('p4', {}),
    ],
  })
  return deviceRecord(on, d, assessDevice(d, on, CATALOGUE), CATALOGUE)
}
const says = (record: ReturnType<typeof recordOf>, label: string) =>
  record.facts.find((fact) => fact.label === label)?.says

it('names parts and port, and leaves empty facts out', () => {
  const record = recordOf({ power: { supplyId: 'switch', port: 3 }, accessoryIds: ['ferrite'], mountIds: [] })
  expect(says(record, 'Camera')).toBe('Bullet, 4 MP, 2.8–12 mm')
  expect(says(record, 'Mount')).toBe('straight on the surface')
  expect(says(record, 'Port')).toBe('Switch, port 3')
  expect(says(record, 'Goes with it')).toBe('Ferrite core')
  expect([says(record, 'Serial number'), says(record, 'Moved because')]).toEqual([undefined, undefined])
})

it('tells why it stands elsewhere and who agreed', () => {
  const sight = {
    ...assessDevice(device(), job(), CATALOGUE).stages!.sight.input,
    wish: {
      place: 'left of the door',
      at: null,
      kept: false,
      reason: 'the lamp blinds it',
      agreedBy: 'Owner',
    },
  }
  expect(says(recordOf({ sight }), 'Moved because')).toBe('the lamp blinds it (agreed: Owner)')
})

it('carries its own faults with their history, and its own photos and those of its faults', () => {
  const record = recordOf()
  expect(record.faults).toEqual([
    {
      id: 'f1',
      title: 'Loose nut',
      state: 'closed',
      history: 'loose, raised 2026-03-02; lasting fix 2026-03-02: Tightened; re-check passed 2026-03-02',
    },
  ])
  expect(record.photos.map(({ id }) => id)).toEqual(['p1', 'p2'])
})

it('says of equipment what it is, where it stands, what it took the place of, and who ends at which port', () => {
  const old = equipment({ id: 'old', mark: 'E2', name: 'Old switch', state: 'taken away' })
  const piece = equipment({ replaces: 'old', stands: 'on site', exposure: 'marine' })
  const on = job({
    equipment: [piece, old],
    devices: [device({ power: { supplyId: 'switch', port: 2 } })],
    photos: [photo('p1', { deviceId: 'switch' }), photo('p2', { deviceId: 'old' })],
  })
  const record = equipmentRecord(on, piece, assess(on, CATALOGUE).equipment[0]!)
  expect(record.facts.map(({ label, says }) => `${label}: ${says}`)).toEqual([
    'What it is: PoE switch, 8 ports, 120 W',
    'Stands: Out on site, marine',
    'Takes the place of: E2 Old switch',
    'Runs by port: 2: 01 Workshop doors',
    'Recorded: 0 of 5 steps',
  ])
  expect(record.photos.map(({ id }) => id)).toEqual(['p1'])
})

const yard = (() => {
  const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
  if (!opened.ok) throw new Error('The demo job cannot be read.')
  return opened.file.job
})()
const seenOf = (change: Partial<typeof yard> = {}) => {
  const of = { ...yard, ...change }
  const made = survey(surveyRequest(of, CATALOGUE, 'ground'))
  return { made, record: surveyRecord(of, assess(of, CATALOGUE).devices, made) }
}
it('what is seen of a floor: promised against reached, blind spots, the sun of each camera', () => {
  const { made, record } = seenOf()
  expect(surveyedFloors(yard)).toEqual(['ground'])
  const says = new Map(record.facts.map(({ label, says: words }) => [label, words]))
  for (const { name, met } of made.areas) {
    expect(says.get(name)).toMatch(/^promised /)
    expect(says.get(name)).toContain(`reached on ${Math.floor(met * 100)} %`)
  }
  expect(record.findings.filter(({ id }) => id.includes('area:'))).toHaveLength(made.areas.length)
  expect(says.get('Blind spots')!.split('; ')).toHaveLength(9) // eight, and how many are left
  expect(says.get('Blind spots')).toMatch(/; 2 smaller$/)
  const suns = says.get('Sun in the picture, a year at most')!.split(', ')
  expect(suns.length).toBeGreaterThan(3)
  for (const one of suns) expect(one).toMatch(/^\d\d: \d+ h$/)
  expect(record.unjudged.join(' ')).not.toMatch(/sun/i)
})
it('never says Good of what it did not judge: without a site, areas or cameras it says so', () => {
  const { record } = seenOf({ site: null, things: yard.things.filter(({ kind }) => kind !== 'area') })
  expect(record.facts.some(({ label }) => label.startsWith('Sun'))).toBe(false)
  expect(record.unjudged.join(' ')).toMatch(/The sun: nobody has said where/)
  expect(record.unjudged.join(' ')).toMatch(/no area of interest is drawn/)
  expect(record.findings.some(({ id }) => id.includes('area:'))).toBe(false)
  expect(surveyedFloors(job({ devices: [device()] }))).toEqual([])
})
