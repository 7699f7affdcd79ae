import { describe, expect, it } from 'vitest'
import { NOW } from '@/testing/jobs'
import type { StepState } from '../procedure'
import type { Fault } from '../job'
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
  const step = {
    id: 'mount/level',
    stage: 'mount' as const,
    title: 'Level',
    detail: '',
    items: [],
    reason: '',
    caution: null,
    hold: null,
    entry: { kind: 'done' as const },
    photo: null,
  }
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
  const of = (
    stepId: string,
    entry: StepState['step']['entry'],
    record: { value?: number; choice?: string },
  ): string | undefined => {
    const step = {
      id: stepId,
      stage: stepId.split('/')[0] as 'test',
      title: 'Step',
      detail: '',
      items: [],
      reason: '',
      caution: null,
      hold: null,
      entry,
      photo: null,
    }
    const full = {
      deviceId: 'd',
      stepId,
      state: 'done' as const,
      value: record.value ?? null,
      choice: record.choice ?? null,
      note: '',
      at: NOW,
      by: 'Lead',
    }
    return proposedFaults('d', [{ step, record: full, photos: 0, verdict: 'stop', says: '' }], [])[0]?.cause
  }
  const night = { kind: 'choice' as const, options: ['clear', 'glare', 'too dark'], good: ['clear'] }
  const volts = {
    kind: 'measure' as const,
    quantity: 'voltage' as const,
    label: 'V',
    least: 10.8,
    most: 13.2,
  }
  it('too dark is not glare, too many volts is not too few', () => {
    expect(of('test/picture-night', night, { choice: 'glare' })).toBe('glare')
    expect(of('test/picture-night', night, { choice: 'too dark' })).toBe('picture not as promised')
    expect(of('power/volts', volts, { value: 9 })).toBe('not enough power')
    expect(of('power/volts', volts, { value: 14 })).toBe('too many volts')
  })
})
