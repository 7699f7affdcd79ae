import { readFileSync } from 'node:fs'
import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { openJobFile, type Device, type Job, type PlanThing } from '@/core/job'

/**
 * A job of 1,000 devices with 30,000 recorded steps, made of the demo's: what the large figures are
 * measured on.
 */

const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
if (!opened.ok) throw new Error('The demo job cannot be read.')
export const demo = opened.file.job
const planned = demo.devices.filter(({ power }) => power !== null)

/** How far one copy of the yard lies from the next, m: each has its own walls. */
const YARD_M = 120

function moved(thing: PlanThing, copy: number): PlanThing {
  const by = copy * YARD_M
  const shift = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(shift)
    if (typeof value !== 'object' || value === null) return value
    const point = value as { x?: unknown; y?: unknown }
    if (typeof point.x === 'number' && typeof point.y === 'number') return { x: point.x + by, y: point.y }
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, shift(one)]))
  }
  return { ...(shift(thing) as PlanThing), id: `${thing.id}-${copy}` }
}

export function largeJob(devices = 1000, recordsEach = 30): Job {
  const copies = Math.ceil(devices / planned.length)
  // A piece of equipment stands in one place.
  const things = Array.from({ length: Math.min(copies, 40) }, (_, copy) =>
    demo.things.filter(({ kind }) => copy === 0 || kind !== 'equipment').map((thing) => moved(thing, copy)),
  ).flat()
  const all = Array.from({ length: devices }, (_, i): Device => {
    const device = planned[i % planned.length]!
    const copy = Math.floor(i / planned.length)
    const place = device.sight?.place && copy < 40 ? device.sight.place : null
    const sight = device.sight && {
      ...device.sight,
      place: place && { ...place, x: place.x + copy * YARD_M },
    }
    return { ...device, sight, id: `device-${i}`, mark: String(i) }
  })
  const job = { ...demo, devices: all, things, records: [], handed: [], photos: [], faults: [] }
  const steps = new Map(
    assess({ ...job, devices: all.slice(0, planned.length), things: [] }, CATALOGUE).devices.map(
      (device, i) => [i, device.steps.map(({ step }) => step)],
    ),
  )
  const records = all.flatMap((device, i) =>
    Array.from({ length: recordsEach }, (_, n) => ({
      deviceId: device.id,
      stepId: steps.get(i % planned.length)![n]?.id ?? `other/step-${n}`,
      title: '',
      state: 'done' as const,
      value: null,
      choice: null,
      note: '',
      at: '2026-03-02T09:30:00.000Z',
      by: 'Installer 1',
    })),
  )
  return { ...job, records }
}
