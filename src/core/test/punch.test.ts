import { describe, expect, it } from 'vitest'
import { NOW, device, equipment, job, plannedThrough } from '@/testing/jobs'
import { CATALOGUE } from '@/catalogue'
import { assessDevice } from '../assess'
import type { Device, Fault, StepRecord } from '../job'
import { task } from '../procedure'
import { text, quantity } from '../units'
import { dueDay, proposalOf, proposedFaults, punchListState } from '.'

const fault = (change: Partial<Fault> = {}): Fault => ({
  id: 'f',
  deviceId: null,
  stage: 'seal',
  origin: null,
  title: 'Drilled face',
  severity: 'will fail',
  cause: 'drilled face',
  note: '',
  due: null,
  state: 'open',
  raisedAt: '2026-03-02T09:30:00Z',
  raisedBy: 'Lead',
  events: [],
  ...change,
})
const patched = (until: string, due: string | null = null) =>
  fault({
    state: 'temporary fix',
    due,
    events: [
      {
        event: 'fix',
        at: '2026-03-03T09:30:00Z',
        by: 'Lead',
        fix: { kind: 'temporary', what: 'silicone', until },
      },
    ],
  })

describe('the day by which something must happen', () => {
  it.each([
    [fault(), null],
    [fault({ due: '2026-04-01' }), '2026-04-01'],
    [patched('2026-03-20'), '2026-03-20'],
    [patched('2026-03-20', '2026-04-01'), '2026-03-20'],
    [patched('2026-05-01', '2026-04-01'), '2026-04-01'],
  ])('%#', (one, expected) => expect(dueDay(one)).toBe(expected))
  it('forgets the end of a temporary fix once a lasting one is made', () => {
    const lasting = { ...patched('2026-03-20', '2026-04-01'), state: 'fixed' as const }
    expect(dueDay(lasting)).toBe('2026-04-01')
  })
})

it('says where the punch list stands on a day', () => {
  const faults = [
    fault({ id: 'a', due: '2026-03-10' }),
    fault({ id: 'b', due: '2026-03-11' }),
    { ...patched('2026-03-09'), id: 'c' },
    fault({ id: 'd', state: 'fixed' }),
    fault({ id: 'e', state: 'closed', due: '2020-01-01' }),
  ]
  expect(punchListState(faults, '2026-03-11')).toEqual({
    open: 4,
    overdue: ['a', 'c'],
    toRecheck: 1,
    temporary: 1,
    closed: 1,
  })
  expect(punchListState([], '2026-03-11')).toEqual({
    open: 0,
    overdue: [],
    toRecheck: 0,
    temporary: 0,
    closed: 0,
  })
})

it('fills a fault in from a finding, in the units of the job', () => {
  const finding = {
    id: 'mount/count',
    stage: 'mount',
    verdict: 'stop',
    title: 'Too few fixings',
    short: 'few words',
    figure: quantity(2, 'count'),
    limit: quantity(4, 'count'),
    reason: 'The box asks for at least 4.',
    source: 'catalogue',
    advice: 'Use 4.',
  } as const
  expect(proposalOf('d', finding, 'metric')).toEqual({
    deviceId: 'd',
    stage: 'mount',
    origin: 'finding:mount/count',
    title: 'Too few fixings',
    severity: 'will fail',
    cause: 'loose',
    note: '2 of 4. The box asks for at least 4. Use 4.',
  })
  expect(
    proposalOf(null, { ...finding, verdict: 'check', figure: text('unknown'), limit: null }, 'metric'),
  ).toMatchObject({ severity: 'below standard', note: expect.stringMatching(/^unknown\. /) as string })
})

it('proposes nothing for steps that are good, open or a Check', () => {
  const step = { ...task('fix', { id: 'mount/level', title: 'Level', reason: '' }), because: [] }
  for (const verdict of ['good', 'check', null] as const)
    expect(proposedFaults('d', [{ step, record: null, photos: 0, verdict, says: '' }], [])).toEqual([])
  expect(
    proposedFaults(
      'd',
      [{ step, record: null, photos: 0, verdict: 'stop', says: '2.5°' }],
      [fault({ deviceId: 'other', origin: 'step:mount/level' })],
    ),
  ).toHaveLength(1)
})

describe('causes follow the answer', () => {
  const on = job({
    equipment: [equipment(), equipment({ id: 'dc', name: 'Twelve volts', partId: 'dc-12-5', mark: 'E2' })],
  })
  const networked = plannedThrough(device(), on)
  const wired = plannedThrough(device({ cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' }), on)
  const cause = (of: Device, stepId: string, { value = null, choice = null }: Partial<StepRecord>) =>
    assessDevice(of, on, CATALOGUE, {
      records: [
        { deviceId: of.id, stepId, title: '', state: 'done', value, choice, note: '', at: NOW, by: 'Lead' },
      ],
      photos: [],
      faults: [],
    }).proposedFaults[0]?.cause

  it.each([
    [networked, 'sight/place', { choice: 'moved' }, 'wrong position against the wish'],
    [networked, 'sight/height', { value: 99 }, 'wrong position against the wish'],
    [networked, 'mount/level', { value: 20 }, 'not upright or level'],
    [networked, 'mount/tug', { choice: 'moves' }, 'loose'],
    [networked, 'route/length', { value: 900 }, 'wrong cable'],
    [networked, 'seal/cable', { value: 40 }, 'wrong cable'],
    [networked, 'terminate/wire-map', { choice: 'reversed pair' }, 'polarity'],
    [networked, 'terminate/wire-map', { choice: 'open' }, 'bad termination'],
    [networked, 'terminate/loop', { value: 900 }, 'bad termination'],
    [networked, 'power/connect', { choice: 'link only' }, 'not enough power'],
    [networked, 'power/connect', { choice: 'nothing' }, 'bad termination'],
    [wired, 'power/volts', { value: 9 }, 'not enough power'],
    [wired, 'power/volts', { value: 14 }, 'too many volts'],
    [networked, 'aim/tilt', { value: 89 }, 'picture not as promised'],
    [networked, 'test/picture-day', { choice: 'not as promised' }, 'picture not as promised'],
    [networked, 'test/picture-night', { choice: 'glare' }, 'glare'],
    [networked, 'test/picture-night', { choice: 'too dark' }, 'picture not as promised'],
    [networked, 'handover/password', { choice: 'not yet' }, 'default password'],
    [networked, 'bench/power-up', { choice: 'dead' }, 'other'],
  ] as const)('%#: %s', (of, stepId, said, expected) => expect(cause(of, stepId, said)).toBe(expected))
})
