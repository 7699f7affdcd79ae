// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import type { Command, Device } from '@/core/job'
import { dice } from '@/testing/dice'
import { device, job, said } from '@/testing/jobs'
import { withCommands } from '../job/withCommands'
import { Copies, type StoredJob } from './copies'

const RECORD = 'record'
const START = job({ devices: [device()] })
const note = (words: string, at = new Date().toISOString()): Command =>
  said(
    {
      type: 'recordStep',
      deviceId: START.devices[0]!.id,
      stepId: `step/${words}`,
      title: '',
      outcome: { state: 'done', value: null, choice: null, note: words },
    } as never,
    { id: randomUUID(), jobId: START.id, at },
  )

/** A server: every batch makes a revision, and what came after any of them can be asked for. */
class Server {
  private readonly all: StoredJob[] = [{ revision: 1, job: START }]
  private readonly batches: Command[][] = []

  say(...commands: Command[]): number {
    const before = this.now()
    this.batches.push(commands)
    this.all.push({ revision: before.revision + 1, job: withCommands(before.job, commands)! })
    return before.revision + 1
  }
  now = (): StoredJob => this.all.at(-1)!
  at = (revision: number): StoredJob => this.all[revision - 1]!
  since = (revision: number): Command[] => this.batches.slice(revision - 1).flat()
}

/** A page: starts from what the server gives it, and hears what comes after. */
class Page {
  private revision: number
  constructor(
    private readonly server: Server,
    private readonly kept: Copies,
  ) {
    this.revision = server.now().revision
  }
  async open(): Promise<this> {
    await this.kept.keep(this.server.at(this.revision))
    return this
  }
  async hear(): Promise<void> {
    const now = this.server.now()
    if (now.revision === this.revision) return
    await this.kept.hear(this.revision, this.server.since(this.revision), now, RECORD)
    this.revision = now.revision
  }
}

describe('jobs kept on this device', () => {
  it('are the server’s at the furthest revision that any page heard, whatever was done in which order', async () => {
    for (let seed = 1; seed <= 25; seed++) {
      const name = `copies-${seed}`
      const throwDie = dice(seed)
      const server = new Server()
      let kept = new Copies(name)
      let pages = [await new Page(server, kept).open()]
      let furthest = 1
      const landed = new Map<string, number>()
      for (let turn = 0; turn < 40; turn++) {
        const what = Math.floor(throwDie(0, 6))
        const page = pages[Math.floor(throwDie(0, pages.length))]!
        if (what <= 1) server.say(note(`other ${turn}`), note(`and ${turn}`))
        if (what === 2) {
          const own = note(`own ${turn}`)
          landed.set(own.id, server.say(own))
          await kept.land([own], { [START.id]: landed.get(own.id)! }, RECORD)
        }
        if (what === 3) {
          await page.hear()
          furthest = server.now().revision
        }
        if (what === 4) {
          pages = [...pages.slice(-2), await new Page(server, kept).open()]
          furthest = server.now().revision
        }
        if (what === 5) kept = new Copies(name) // the browser was closed
        const opened = (await new Copies(name).open(START.id))!
        expect(opened.stored.revision).toBe(furthest)
        expect(opened.stored.job).toEqual(server.at(furthest).job)
        expect(opened.landed.map(({ command }) => command.id)).toEqual(
          [...landed].filter(([, revision]) => revision > furthest).map(([id]) => id),
        )
        expect((await kept.list()).map(({ id, upTo }) => [id, upTo])).toEqual([[START.id, furthest]])
      }
    }
  })

  it('tell a server that was restored from an older back-up what it lacks, once and in order', async () => {
    const kept = new Copies('restored')
    const server = new Server()
    const page = await new Page(server, kept).open()
    const times = ['08:00', '08:10', '08:20', '08:30'].map((time) => `2026-03-02T${time}:00.000Z`)
    const [first, second, third, fourth] = times.map((at, i) => note(String(i), at))
    for (const one of [first!, third!]) await kept.land([one], { [START.id]: server.say(one) }, RECORD)
    server.say(second!)
    await page.hear()
    await kept.land([fourth!], { [START.id]: server.say(fourth!) }, RECORD)
    expect((await kept.remembered(START.id, RECORD)).map(({ id }) => id)).toEqual(
      [first!, second!, third!, fourth!].map(({ id }) => id),
    )
    expect(await kept.lastLanded(START.id)).toBe(fourth!.id)
    await kept.forgetLanded(START.id)
    expect(await kept.lastLanded(START.id)).toBeNull()
    await kept.keep({ revision: 2, job: START })
    expect((await kept.open(START.id))!.stored.revision).toBe(4)
    await kept.keep({ revision: 2, job: START }, true)
    expect((await kept.open(START.id))!.stored).toEqual({ revision: 2, job: START })
  })

  it('tell nothing to a record that was begun anew, and forget what the old one had', async () => {
    const kept = new Copies('anew')
    const server = new Server()
    const page = await new Page(server, kept).open()
    const own = note('own')
    await kept.land([own], { [START.id]: server.say(own) }, RECORD)
    await page.hear()
    expect(await kept.remembered(START.id, 'another')).toEqual([])
    expect(await kept.lastLanded(START.id)).toBeNull()
  })

  it('are read by a later version of the application; what cannot be read is not shown', async () => {
    const kept = new Copies('older')
    const [{ partsKept: _, ...older }] = START.devices as [Device]
    await kept.keep({ revision: 3, job: { ...START, devices: [older as Device] } })
    const written = Reflect.get(kept, 'store') as {
      bodies: { update: (id: string, change: object) => Promise<number> }
    }
    await written.bodies.update(START.id, { version: 9 })
    const read = await new Copies('older').open(START.id)
    expect(read?.stored.job).toEqual(START)
    await written.bodies.update(START.id, { job: { id: START.id, devices: 'none' } })
    expect(await new Copies('older').open(START.id)).toBeNull()
  })
})
