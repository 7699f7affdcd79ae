// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { Command } from '@/core/job'
import { device, job } from '@/testing/jobs'
import { author, setAuthor } from './author'
import { envelope, say } from './commands'
import { withCommands } from './withCommands'
import { outbox } from '../outbox/outbox'

const yard = job({ devices: [device()] })
const powered = (supplyId: string, port: number) => ({
  type: 'setPlan' as const,
  deviceId: 'device-1',
  plan: { power: { supplyId, port } },
})
const power = powered('switch', 2)

beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no signal')))
  window.localStorage.clear()
})

// What is on its way when the page is taken away would look for what is no longer there.
afterAll(() => vi.waitFor(() => expect(outbox().snapshot().signal).toBe('no signal')))

describe('saying a change', () => {
  it('puts it into a valid envelope with who works here', () => {
    setAuthor('  Installer 7 ')
    const command = envelope('job-1', power)
    expect(Command.safeParse(command).success).toBe(true)
    expect([command.by, command.jobId]).toEqual(['Installer 7', 'job-1'])
    expect(envelope('job-1', power).id).not.toBe(command.id)
  })
  it('falls back to a role when the name is emptied', () => {
    setAuthor('   ')
    expect(author()).toBe('Installer 1')
  })
  it('keeps a good one in the outbox before it answers', async () => {
    const before = outbox().snapshot().waiting.length
    expect(await say(yard, 'job-1', power)).toEqual({ ok: true })
    expect(outbox().snapshot().waiting).toHaveLength(before + 1)
  })
  it.each([
    ['breaks the schema', powered('switch', 0), '/plan/power/port'],
    ['does not fit the job', powered('gone', 1), '/plan/power/supplyId'],
  ])('never lets one leave that %s, and names the field', async (_, change, path) => {
    const before = outbox().snapshot().waiting.length
    const said = await say(yard, 'job-1', change)
    expect(said.ok ? null : said.reasons[0]!.path).toBe(path)
    expect(outbox().snapshot().waiting).toHaveLength(before)
  })
})

describe('a job as it will be', () => {
  it('shows what waits, in order, and passes over what the server has taken over already', () => {
    const add = envelope('job-1', {
      type: 'putEquipment',
      equipmentId: 'dc',
      change: { name: 'DC', partId: 'dc-12-5' },
    })
    const use = envelope('job-1', powered('dc', 1))
    const now = withCommands(yard, [add, use])!
    expect(now.devices[0]!.power).toEqual({ supplyId: 'dc', port: 1 })
    const raise = envelope('job-1', {
      type: 'raiseFault',
      faultId: 'f',
      facts: {
        deviceId: null,
        stage: null,
        origin: null,
        title: 'x',
        severity: 'looks',
        cause: 'other',
        note: '',
        due: null,
      },
    })
    const once = withCommands(yard, [raise])!
    expect(withCommands(once, [raise])).toEqual(once) // sent twice, shown once
  })
})
