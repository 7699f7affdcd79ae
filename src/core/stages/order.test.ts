import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { enough, runs } from '@/testing/runs'
import { carryOut } from '@/testing/simulate'
import { assessDevice } from '../assess'
import { EXPOSURES, FILM_TIMES, PASSAGES, type Device } from '../job'
import { fits } from '../assembly'
import type { Interface } from '../parts'

const SUPPLIES = ['switch-16', 'dc-12-5', 'mains-circuit'].map((partId, i) =>
  equipment({ id: partId, name: partId, partId, mark: `E${i + 1}` }),
)
const CABLE = { 'pair': 'cat6-outdoor', 'coax and power': 'rg59-18-2', 'mains': 'mains-14-2' } as const
const SUPPLY = { 'pair': 'switch-16', 'coax and power': 'dc-12-5', 'mains': 'mains-circuit' } as const

/** Every stack of up to three parts whose joints fit, for every camera. */
const STACKS: readonly Pick<Device, 'cameraId' | 'mountIds'>[] = (() => {
  const mounts = [...CATALOGUE.mounts.values()]
  const stacks: { cameraId: string; mountIds: string[] }[] = []
  const grow = (mountIds: string[], offers: Interface) => {
    for (const camera of CATALOGUE.cameras.values())
      if (fits(offers, camera.needs)) stacks.push({ cameraId: camera.id, mountIds })
    if (mountIds.length === 3) return
    for (const part of mounts)
      if (
        fits(offers, part.needs) &&
        !mountIds.includes(part.id) &&
        !(part.coversCamera && mountIds.length !== 1)
      )
        grow([...mountIds, part.id], part.offers)
  }
  grow([], 'surface')
  return stacks
})()

const anyDevice = fc
  .record({
    stack: fc.constantFrom(...STACKS),
    exposure: fc.constantFrom(...(Object.keys(EXPOSURES) as Device['exposure'][])),
    surfaceId: fc.constantFrom(...CATALOGUE.surfaces.keys()),
    passage: fc.constantFrom(...(Object.keys(PASSAGES) as (keyof typeof PASSAGES)[])),
    sealing: fc.constantFrom('always' as const, 'by exposure' as const),
    film: fc.constantFrom(...(Object.keys(FILM_TIMES) as (keyof typeof FILM_TIMES)[])),
    laid: fc.constantFrom('new' as const, 'kept' as const),
    kept: fc.nat(3),
  })
  .map(({ stack, exposure, surfaceId, passage, laid, kept, ...habits }) => {
    const camera = CATALOGUE.cameras.get(stack.cameraId)!
    const on = job({ equipment: SUPPLIES, policies: { ...job().policies, ...habits } })
    const partsKept = Math.min(kept, stack.mountIds.length)
    const first = device({ ...stack, partsKept, exposure, surfaceId, cableId: CABLE[camera.cable] })
    const mount = assessDevice(first, on, CATALOGUE).stages!.mount.input
    const planned = plannedThrough({ ...first, mount: { ...mount, passage } }, on)
    const of = { ...planned, route: { ...planned.route!, laid } }
    return { of: { ...of, power: { supplyId: SUPPLY[camera.cable], port: 1 } }, on }
  })

const stepsOf = ({ of, on }: { of: Device; on: ReturnType<typeof job> }) => {
  const { steps, findings } = assessDevice(of, on, CATALOGUE)
  return {
    steps: steps.map(({ step }) => step),
    contradicted: findings.some(({ id }) => id.startsWith('mount/order')),
    hidden: findings.some(({ id }) => id.startsWith('mount/hidden')),
  }
}

describe('the order of the steps', () => {
  it('can be carried out by whoever knows nothing but what passes, reaches, hangs and is live', () => {
    expect(STACKS.length).toBeGreaterThan(200)
    let [kept, out] = [0, 0]
    fc.assert(
      fc.property(anyDevice, (one) => {
        const { steps, contradicted, hidden } = stepsOf(one)
        const ids = steps.map(({ id }) => id)
        expect(new Set(ids).size).toBe(ids.length)
        const { cameraId, mountIds, partsKept } = one.of
        const refused = carryOut(one.of, ids)
        if (partsKept > 0) kept++
        if (hidden) out++
        // What hides behind a part that stays cannot be done: it is told, and of nothing else.
        expect([contradicted, refused !== null, refused, cameraId, mountIds, partsKept]).toEqual([
          false,
          hidden,
          hidden ? expect.any(String) : null,
          cameraId,
          mountIds,
          partsKept,
        ])
      }),
      { numRuns: runs(300) },
    )
    expect([kept >= enough(60), out >= enough(8)]).toEqual([true, true])
  })
  it('is refused where a step is done after what it is held before', () => {
    const on = job({ equipment: SUPPLIES })
    const outdoors = { exposure: 'open weather', surfaceId: 'timber-wall' } as const
    const cases: [Partial<Device>, string, string[]][] = [
      [
        {},
        'switch-16',
        [
          'mount/cable-hole',
          'terminate/thread-on',
          'seal/mount-0/entry',
          'seal/before-closing',
          'power/connect',
        ],
      ],
      [
        { cameraId: 'floodlight-4mp', mountIds: ['recessed-box'], cableId: 'mains-14-2' },
        'mains-circuit',
        ['power/dead', 'power/clamp', 'seal/before-closing'],
      ],
      [
        { cameraId: 'large-dome-4mp', mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-hood'] },
        'switch-16',
        ['mount/camera', 'mount/join-2', 'aim/tilt'],
      ],
      [
        { cameraId: 'mini-dome-2mp', mountIds: [] },
        'switch-16',
        ['terminate/camera-end', 'mount/fix', 'aim/level'],
      ],
    ]
    for (const [change, supplyId, held] of cases) {
      const of = { ...plannedThrough(device({ ...outdoors, ...change }), on), power: { supplyId, port: 1 } }
      const { steps } = stepsOf({ of, on })
      const ids = steps.map(({ id }) => id)
      const refused = steps.flatMap((step, i) => {
        const then = step.because.find(({ when }) => when === 'before')
        const later = then && ids.toSpliced(i, 1).toSpliced(ids.indexOf(then.stepId), 0, step.id)
        return later && carryOut(of, later) ? [step.id] : []
      })
      expect(refused).toEqual(expect.arrayContaining(held))
    }
  })
})

describe('steps that no order can meet', () => {
  /** A plate whose middle is closed, between the box with the joint and the camera that hides its screws. */
  const closed = { ...CATALOGUE.mounts.get('wall-plate')! }
  delete (closed as { passesJoint?: true }).passesJoint
  const catalogue = { ...CATALOGUE, mounts: new Map([...CATALOGUE.mounts, [closed.id, closed]]) }
  const on = job({ equipment: SUPPLIES })
  const of = plannedThrough(device({ mountIds: ['round-back-box', 'wall-plate'] }), on)

  it('stop the mount, named as the circle that they are, with a way out; there is an order all the same', () => {
    const { findings, stages, steps } = assessDevice(of, on, catalogue)
    const order = findings.find(({ id }) => id === 'mount/order')!
    expect(order).toMatchObject({ verdict: 'stop', short: 'steps wait for each other' })
    expect(order.reason).toContain('The screws of the surface plate are turned only until the bullet closes')
    expect(order.reason).toContain('to the joint behind: they are joined first')
    expect(order.advice).toBe('Put the box outermost, or take a part whose middle is open for the joint.')
    expect(stages!.mount.mark).toBe('stop')
    expect(new Set(steps.map(({ step }) => step.id)).size).toBe(steps.length)
  })
  it('the way out is one: with either part of it nothing waits, and what comes can be carried out', () => {
    for (const mountIds of [['wall-plate', 'round-back-box'], ['round-back-box']]) {
      const out = plannedThrough(device({ mountIds }), on)
      const assessed = assessDevice(out, on, catalogue)
      expect(assessed.findings.filter(({ id }) => id.startsWith('mount/order'))).toEqual([])
      expect(
        carryOut(
          out,
          assessed.steps.map(({ step }) => step.id),
        ),
      ).toBeNull()
    }
    expect(assessDevice(of, on, CATALOGUE).findings.some(({ id }) => id === 'mount/order')).toBe(false)
  })
})
