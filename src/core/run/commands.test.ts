import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { good, yard } from '@/testing/goodRuns'
import { run, said } from '@/testing/jobs'
import { apply, type Change, type Job, type Run } from '../job'

describe('commands', () => {
  const on = yard([good('network')])
  const after = (change: Change, from: Job = on) => apply(from, said(change), CATALOGUE)
  const refusedAt = (change: Change) => {
    const applied = after(change)
    return applied.ok ? null : applied.reasons[0]!.path
  }
  const put = (change: Partial<Run>, runId = 'run-1'): Change => ({ type: 'putRun', runId, change })
  const fresh = {
    name: 'Sound',
    carries: 'audio',
    cableId: 'rg59',
    fromId: 'microphone',
    toId: 'coax',
  } as const

  it('a new run gets the next free mark and nothing chosen; it changes field by field', () => {
    const made = after(put(fresh, 'run-2'))
    expect(made.ok && made.job.runs[1]).toMatchObject({
      mark: 'R2',
      state: 'new',
      fromPort: null,
      segments: [],
    })
    const renamed = after(put({ name: 'Trunk' }))
    expect(renamed.ok && renamed.job.runs[0]).toEqual({ ...good('network'), name: 'Trunk' })
  })
  it.each([
    [put({ cableId: 'rope' }), '/change/cableId'],
    [put({ toEndId: 'knot' }), '/change/toEndId'],
    [put({ fromId: 'nowhere' }), '/change/fromId'],
    [put({ toId: 'recorder' }), '/change/toId'],
    [put({ mark: 'E1' }), '/change/mark'],
    [put({ name: 'no more' }, 'run-9'), '/change/carries'],
    [put(fresh, 'switch'), '/runId'],
    [put({ replaces: 'recorder' }), '/change/replaces'],
    [put({ segments: [run().segments[0]!, run().segments[0]!] }), '/change/segments'],
    [{ type: 'removeRun', runId: 'gone' }, '/runId'],
    [{ type: 'removeEquipment', equipmentId: 'switch' }, '/equipmentId'],
    [{ type: 'putBox', box: { id: 'b', name: '', cableId: 'rope', leftM: 9 } }, '/box/cableId'],
  ] as readonly [Change, string][])('%j is refused at %s', (change, path) =>
    expect(refusedAt(change)).toBe(path),
  )
  it('a run that work is recorded on stays; one that nothing is recorded on goes', () => {
    const outcome = { state: 'done', value: null, choice: null, note: '' } as const
    const pulled = after({ type: 'recordStep', deviceId: 'run-1', stepId: 'route/pull', title: '', outcome })
    expect(pulled.ok && after({ type: 'removeRun', runId: 'run-1' }, pulled.job)).toMatchObject({ ok: false })
    const gone = after({ type: 'removeRun', runId: 'run-1' })
    expect(gone.ok && gone.job.runs).toEqual([])
  })
})
