import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assessDevice } from '../assess'
import type { Device, Job } from '../job'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { judge, printLimits, task, type Step } from '.'
import { FED_FREELY } from '../route/plan'

const step = (entry: Step['entry'], photo: Step['photo'] = null) =>
  task('fix', { id: 'mount/x', title: 'x', reason: '', entry, photo })
const done = (value: number | null = null, choice: string | null = null, note = '') => ({
  state: 'done' as const,
  value,
  choice,
  note,
})
const grip = { kind: 'measure', quantity: 'size', label: 'Cable across', least: 6, most: 12 } as const
const map = { kind: 'choice', options: ['pass', 'open'], good: ['pass'] } as const

describe('judging a record', () => {
  it.each([
    ['in the middle', grip, done(8), 0, null, 'good', '8 mm; takes 6 mm to 12 mm.'],
    ['on the limit', grip, done(12), 0, null, 'good', '12 mm; takes 6 mm to 12 mm.'],
    ['too thin', grip, done(5.9), 0, null, 'stop', '5.9 mm; takes 6 mm to 12 mm.'],
    ['no value', grip, done(), 0, null, 'check', 'No value is recorded.'],
    ['the good choice', map, done(null, 'pass'), 0, null, 'good', 'pass'],
    ['another choice', map, done(null, 'open'), 0, null, 'stop', 'open; should be pass.'],
    ['a choice that is none', map, done(null, 'perhaps'), 0, null, 'check', 'Nothing is chosen.'],
    [
      'done without the photo',
      { kind: 'done' } as const,
      done(),
      0,
      'required' as const,
      'check',
      'The photo is missing.',
    ],
    ['done with the photo', { kind: 'done' } as const, done(), 1, 'required' as const, 'good', 'Done.'],
    [
      'a good choice without the photo',
      map,
      done(null, 'pass'),
      0,
      'required' as const,
      'check',
      'The photo is missing.',
    ],
    ['an empty note', { kind: 'note', label: 'n' } as const, done(), 0, null, 'check', 'Nothing is written.'],
  ] as const)('%s', (_, entry, record, photos, photo, verdict, says) =>
    expect(judge(step(entry, photo), record, photos, 'metric')).toEqual({ verdict, says }),
  )

  it('calls a step left out a Check with its reason', () => {
    expect(
      judge(step(grip), { state: 'left out', value: null, choice: null, note: 'no ladder' }, 0, 'metric'),
    ).toEqual({ verdict: 'check', says: 'Left out: no ladder' })
  })
  it('prints limits in the units of the job', () => {
    expect(printLimits({ ...grip, least: null }, 'imperial')).toBe('at most 15/32"')
    expect(printLimits({ ...grip, most: null }, 'metric')).toBe('at least 6 mm')
    expect(printLimits({ ...grip, least: null, most: null }, 'metric')).toBe('any value')
  })
})

describe('steps follow from the plan', () => {
  const plan = (change: Partial<Device>, on: Partial<Job> = {}) => {
    const d = plannedThrough(device(change), job(on))
    return assessDevice(d, job(on), CATALOGUE).steps.map(({ step }) => step)
  }
  const find = (steps: readonly Step[], id: string) => steps.find((one) => one.id === id)

  it('none before anything is planned', () =>
    expect(assessDevice(device(), job(), CATALOGUE).steps).toEqual([]))
  it('only those of the planned stages', () => {
    const steps = assessDevice(
      device({ power: { supplyId: 'switch', port: 2 } }),
      job(),
      CATALOGUE,
    ).steps.map(({ step }) => step.id)
    expect(steps).toEqual(['bench/unpack', 'bench/power-up', 'power/connect'])
  })
  it('a coupling in the open brings a hold point with its pieces, the right way round', () => {
    const hold = find(
      plan({
        mountIds: [],
        seal: { choices: [{ opening: 'camera/tail', sealId: 'coupling-four-part', cables: 1 }] },
      }),
      'terminate/thread-on',
    )!
    expect(hold.hold).toBe('Before you crimp')
    expect(hold.items.map((item) => item.split(':')[0])).toEqual(['nut', 'claw ring', 'coupling body'])
    expect(hold.items[2]).toContain('mating end toward the tail')
  })
  it('every drilling step names hidden services, every ladder step the ladder', () => {
    const steps = plan({ surfaceId: 'brick' })
    for (const id of ['mount/pilot', 'mount/cable-hole'])
      expect(find(steps, id)!.caution).toMatch(/hidden cables and pipes/)
    expect(find(steps, 'mount/reach')!.title).toMatch(/^Set the ladder: foot 0.7\d m out$/)
  })
  it('says soffit of soffits and ceiling of ceilings, and takes a step ladder indoors', () => {
    const height = (surfaceId: string, exposure: Device['exposure'] = 'under a soffit') =>
      find(plan({ surfaceId, exposure, cameraId: 'dome-4mp-vf', mountIds: [] }), 'sight/height')!.detail
    expect(height('timber-soffit')).toMatch(/, under the soffit\.$/)
    expect(height('concrete-ceiling')).toMatch(/, under the ceiling\.$/)
    expect(height('brick')).not.toMatch(/under the/)
    const reach = (exposure: Device['exposure']) => find(plan({ exposure }), 'mount/reach')!.title
    expect([reach('dry indoors'), reach('open weather')]).toEqual([
      'Set the step ladder under it, locked open',
      expect.stringMatching(/^Set the ladder: foot/) as string,
    ])
  })
  it('cuts an opening for what is let in, drills no hole for the cable there, in a pole or in an old box', () => {
    const holes = (change: Partial<Device>) =>
      plan(change).flatMap(({ id }) => (/^mount\/(cut-out|cable-hole)$/.test(id) ? [id] : []))
    const inside = { exposure: 'dry indoors', cameraId: 'large-dome-4mp' } as const
    expect(holes({ ...inside, surfaceId: 'ceiling-tile', mountIds: ['in-ceiling-kit'] })).toEqual([
      'mount/cut-out',
    ])
    expect(holes({ surfaceId: 'steel-pole', mountIds: ['pole-adapter'] })).toEqual([])
    expect(holes({ surfaceId: 'existing-box', mountIds: ['electrical-box-plate'] })).toEqual([])
    expect(holes({})).toEqual(['mount/cable-hole'])
  })
  it('seals the hole of an outside wall on both sides while it is seen, unless a tail is pushed into it', () => {
    const sealed = (change: Partial<Device>) => plan(change).some(({ id }) => id === 'mount/wall-hole')
    const ids = plan({}).map(({ id }) => id)
    expect(ids.indexOf('mount/wall-hole')).toBeGreaterThan(ids.indexOf('route/pull'))
    expect(ids.indexOf('mount/wall-hole')).toBeLessThan(ids.indexOf('mount/fix'))
    expect(sealed({ exposure: 'dry indoors' })).toBe(false)
    expect(sealed({ surfaceId: 'timber-soffit', mountIds: [] })).toBe(false)
    const mount = { ...plannedThrough(device()).mount!, passage: 'tail and plugs' as const }
    expect(sealed({ mount })).toBe(false)
  })
  it.each<[string, string[], RegExp, string]>([
    ['ptz-2mp', ['wall-arm'], /motors turn it\. Never turn it by hand/, 'at the desk'],
    ['modular-dome-5mp', [], /motors turn it\. Never turn it by hand/, 'at the desk'],
    ['dome-4mp-vf', [], /tilt the lens; never turn past its stop/, 'at the device'],
    ['turret-5mp-2.8', [], /turn the ball with clean gloves/, 'at the device'],
    ['floodlight-4mp', ['recessed-box'], /lamp heads after it/, 'at the device'],
  ])('%s is aimed by its own head', (cameraId, mountIds, says, place) => {
    const steps = plan({
      cameraId,
      mountIds,
      ...(cameraId === 'floodlight-4mp' && { cableId: 'mains-14-2' }),
    })
    expect(find(steps, 'aim/tilt')).toMatchObject({ detail: expect.stringMatching(says) as string, place })
    const ring = steps.some(({ title }) => title.includes('lens ring'))
    expect(ring).toBe(cameraId === 'dome-4mp-vf')
  })
  it('a head that turns nowhere has no tilt to set; portrait asks for the shroud to come off', () => {
    expect(find(plan({ cameraId: 'panoramic-12mp', mountIds: [] }), 'aim/tilt')).toBeUndefined()
    const sight = assessDevice(device(), job(), CATALOGUE).stages!.sight.input
    const tilt = find(plan({ sight: { ...sight, portrait: true } }), 'aim/tilt')!
    expect(tilt.detail).toMatch(/shroud comes off, the picture is turned 90°, the shroud goes back on/)
  })
  it('unused tails are capped outdoors, and indoors only where the job wants that', () => {
    const tails = (exposure: Device['exposure'], sealing: Job['policies']['sealing']) =>
      find(plan({ exposure }, { policies: { ...job().policies, sealing } }), 'seal/tails') !== undefined
    expect([tails('dry indoors', 'by exposure'), tails('dry indoors', 'always')]).toEqual([false, true])
    expect(tails('open weather', 'by exposure')).toBe(true)
  })
  it('grease comes before mating, and the joint is made, sealed and looked at before the camera closes over it', () => {
    const ids = plan({ exposure: 'marine' }).map(({ id }) => id)
    const order = ['seal/grease', 'power/connect', 'seal/camera/tail', 'seal/before-closing', 'mount/camera']
    expect(ids.filter((id) => order.includes(id))).toEqual(order)
  })
  it.each([
    ['coupling-push-turn', ['seal/camera/tail/first', 'power/connect', 'seal/camera/tail'], 3, 1],
    ['coupling-four-part', ['power/connect', 'seal/camera/tail'], 0, 5],
  ])('a kit is closed in the order that its maker says: %s', (sealId, order, first, last) => {
    const choices = [{ opening: 'camera/tail', sealId, cables: 1 }]
    const steps = plan({ exposure: 'open weather', seal: { choices } })
    const ids = steps.map(({ id }) => id)
    expect(ids.filter((id) => order.includes(id) || id === 'seal/camera/tail/first')).toEqual(order)
    const pieces = (id: string) => steps.find((one) => one.id === id)?.items.length ?? 0
    expect([pieces('seal/camera/tail/first'), pieces('seal/camera/tail')]).toEqual([first, last])
    expect(ids.indexOf(order[0]!)).toBeGreaterThan(ids.indexOf('terminate/camera-end'))
  })
  it('an analogue camera shows a picture, not a link, and has no password', () => {
    const on = { equipment: [equipment({ id: 'dc', name: 'DC', partId: 'dc-12-5' })] }
    const steps = plan({ cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' }, on)
    expect(find(steps, 'power/connect')!.entry).toMatchObject({ good: ['picture'] })
    expect(find(steps, 'handover/password')).toBeUndefined()
    expect(find(plan({}), 'power/connect')!.entry).toMatchObject({ good: ['link and camera light'] })
  })
  it('mains brings isolation and a licensed person instead of a plug', () => {
    const steps = plan(
      {
        cameraId: 'floodlight-4mp',
        mountIds: ['recessed-box'],
        cableId: 'mains-14-2',
        exposure: 'under a soffit',
      },
      { equipment: [equipment({ id: 'm', name: 'Lamps', partId: 'mains-circuit' })] },
    )
    expect(find(steps, 'power/mains')!.caution).toBe('Isolated, locked off and proved dead. No live work.')
    expect(find(steps, 'power/mains')!.items).toEqual(['earth first', 'then neutral', 'then live'])
    const ids = steps.map(({ id }) => id)
    const order = ['power/isolate', 'power/dead', 'mount/pilot', 'power/clamp', 'mount/fix', 'power/mains']
    expect(ids.filter((id) => order.includes(id))).toEqual(order)
    for (const id of ['power/isolate', 'power/dead']) {
      expect(find(steps, id)!.hold).toBe('Before anything is touched')
      expect(find(steps, id)!.entry).toMatchObject({ kind: 'choice' })
    }
    expect(find(steps, 'power/isolate')!.detail).toMatch(/lamp next to it .* stays live/)
    expect(find(steps, 'terminate/wire-map')).toBeUndefined()
  })
  it('a ready-made lead is led through, never cut, crimped or measured off the jacket', () => {
    const steps = plan({
      cableId: 'lead-thin',
      cameraId: 'dome-back-box-4mp',
      mountIds: [],
      route: {
        segments: [
          {
            id: 'a',
            space: 'trunking indoors',
            lengthM: 12,
            riseM: 0,
            temperatureC: 20,
            conduitId: null,
            conduitName: '',
          },
        ],
        laid: 'new' as const,
        cordsM: 0,
        forced: null,
        lead: { lengthM: 20, ...FED_FREELY },
      },
    })
    expect(find(steps, 'route/pull')!.title).toBe('Lead the ready-made cable through')
    expect([find(steps, 'route/length'), find(steps, 'terminate/camera-end')]).toEqual([undefined, undefined])
    expect(find(steps, 'terminate/wire-map')).toBeUndefined()
    expect(find(steps, 'terminate/lead-look')!.entry).toMatchObject({ good: ['sound'] })
  })
  it('salt air brings grease; a moved camera the agreement; a tile its tether', () => {
    expect(find(plan({ exposure: 'marine' }), 'seal/grease')).toBeDefined()
    expect(find(plan({}), 'seal/grease')).toBeUndefined()
    const sight = assessDevice(device(), job(), CATALOGUE).stages!.sight.input
    const moved = find(
      plan({
        sight: {
          ...sight,
          wish: { place: 'left', at: null, kept: false, reason: 'lamp', agreedBy: 'Owner' },
        },
      }),
      'sight/place',
    )!
    expect(moved.detail).toBe('Asked for: left. Moved: lamp. Agreed by Owner.')
    const tile = {
      surfaceId: 'ceiling-tile',
      cameraId: 'dome-4mp-vf',
      mountIds: ['tile-spread-plate'],
      exposure: 'dry indoors' as const,
    }
    const mount = assessDevice(device(tile), job(), CATALOGUE).stages!.mount.input
    expect(
      find(plan({ ...tile, mount: { ...mount, tethered: true } }), 'mount/fix')!.items.some((item) =>
        item.startsWith('Tether of'),
      ),
    ).toBe(true)
  })
  it('takes a measured cable where the first seal grips it, and volts between the camera’s own limits', () => {
    expect(find(plan({}), 'seal/cable')!.entry).toMatchObject({ quantity: 'size', least: 6, most: 6.5 })
    const dc = plan(
      { cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' },
      { equipment: [equipment({ id: 'dc', name: 'DC', partId: 'dc-12-5' })] },
    )
    expect(find(dc, 'power/volts')!.entry).toMatchObject({ quantity: 'voltage', least: 10.8, most: 13.2 })
  })
})
