import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess } from '../assess'
import type { Device, Job } from '../job'
import { resolve } from '../parts'
import { proposeSeal } from '../seal'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import {
  assessTerminate,
  awgDiameterMm,
  loopLimitOhm,
  ohmPerKm,
  pairLoopOhm,
  PINS,
  proposeTerminate,
  threadOnOrder,
} from '.'
import { FED_FREELY } from '../route/plan'

const YARD = job({
  equipment: [equipment(), equipment({ id: 'coax', mark: 'E5', name: 'Rack', partId: 'recorder-coax-8' })],
})
const context = (change: Parameters<typeof device>[0] = {}) => {
  const found = resolve(device(change), YARD, CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}

/**
 * ASTM B258 diameters and 100 % IACS copper, from memory: 24 AWG 0.5106 mm and 84.2 Ω/km, 23 AWG 66.8, 18
 * AWG 1.0237 mm and 20.95.
 */
it('knows the gauges', () => {
  expect(awgDiameterMm(24)).toBeCloseTo(0.5106, 4)
  expect(awgDiameterMm(18)).toBeCloseTo(1.0237, 4)
  expect(ohmPerKm(24)).toBeCloseTo(84.2, 1)
  expect(ohmPerKm(23)).toBeCloseTo(66.8, 1)
  expect(ohmPerKm(18)).toBeCloseTo(20.95, 2)
})

/**
 * NEC chapter 9 table 8, uncoated copper at 75 °C: 18 AWG stranded 7.95 Ω/kft, 16 4.99, 14 3.14, 12 1.98;
 * stranding adds a little to a solid wire.
 */
it.each([
  [18, 7.95],
  [16, 4.99],
  [14, 3.14],
  [12, 1.98],
])('comes within 3 %% of the code table for %i AWG at 75 °C', (awg, perKft) => {
  expect((ohmPerKm(awg, 75) * 0.3048) / perKft).toBeGreaterThan(0.97)
  expect((ohmPerKm(awg, 75) * 0.3048) / perKft).toBeLessThan(1.03)
})

/** ANSI/TIA-568.2-D: 9.38 Ω per 100 m of conductor. A good 24 AWG pair stays under it. */
it('keeps a loop of good copper under the standard’s limit', () => {
  expect(loopLimitOhm(100)).toBeCloseTo(18.76, 9)
  expect(pairLoopOhm(24, 100)).toBeLessThan(loopLimitOhm(100))
  // copper-clad aluminium, common practice
  expect(pairLoopOhm(24, 100) * 1.55).toBeGreaterThan(loopLimitOhm(100))
})

/** ANSI/TIA-568 pin tables. */
it('gives both pin schemes', () => {
  const wires = (scheme: 'T568A' | 'T568B') => PINS[scheme].map(({ wire }) => wire).join(' ')
  expect(wires('T568B')).toBe('white-orange orange white-green blue white-blue green white-brown brown')
  expect(wires('T568A')).toBe('white-green green white-orange blue white-blue orange white-brown brown')
})

describe('what goes on the cable first', () => {
  it('threads from the building outwards, nut before claw ring before body, the boot last', () => {
    const c = context({ mountIds: [], mount: null })
    const seal = { choices: [{ opening: 'camera/tail', sealId: 'coupling-four-part', cables: 1 }] }
    expect(threadOnOrder(c, seal, CATALOGUE.connectors.get('plug-boot')!).map(({ piece }) => piece)).toEqual([
      'nut',
      'claw ring',
      'coupling body',
      'boot',
    ])
  })
  it('puts the box gland before the coupling of the tail inside', () => {
    const c = context()
    const seal = {
      choices: [
        { opening: 'camera/tail', sealId: 'coupling-slip-on', cables: 1 },
        { opening: 'mount-0/entry', sealId: 'gland-m20', cables: 1 },
      ],
    }
    expect(threadOnOrder(c, seal, CATALOGUE.connectors.get('plug')!).map(({ piece }) => piece)).toEqual([
      'gland nut',
      'nut',
      'coupling body',
    ])
  })
  it('needs nothing when the seals pass a plug', () => {
    const c = context({ cameraId: 'dome-back-box-4mp', mountIds: [] })
    expect(
      threadOnOrder(
        c,
        { choices: [{ opening: 'camera/entry', sealId: 'grommet-piercing', cables: 1 }] },
        CATALOGUE.connectors.get('plug')!,
      ),
    ).toEqual([])
  })
})

describe('findings', () => {
  const lead = {
    laid: 'new' as const,
    segments: [],
    cordsM: 0,
    forced: null,
    lead: { lengthM: 20, ...FED_FREELY },
  }
  const ids = (
    on: Parameters<typeof device>[0],
    change: Partial<ReturnType<typeof proposeTerminate>> = {},
  ) => {
    const c = context(on)
    return assessTerminate(c, { ...proposeTerminate(c), ...change }).findings.map(
      ({ id, verdict }) => `${id} ${verdict}`,
    )
  }
  it.each<[string, Parameters<typeof device>[0], Partial<ReturnType<typeof proposeTerminate>>]>([
    ['terminate/match good', {}, {}],
    [
      'terminate/match good',
      { cableId: 'rg59-18-2', cameraId: 'analogue-bullet-2mp' },
      { cameraEndId: 'bnc-twist-59', headEndId: 'bnc-twist-59', recorderPort: 'video-8' },
    ],
    ['terminate/kind:camera stop', {}, { cameraEndId: 'bnc-twist-59' }],
    ['terminate/coax:head stop', { cableId: 'rg59' }, { headEndId: 'bnc-twist-6' }],
    ['terminate/jacket:camera stop', { cableId: 'cat6-screened-outdoor' }, { cameraEndId: 'plug' }],
    ['terminate/school:camera check', { cableId: 'rg6' }, { cameraEndId: 'bnc-crimp-6' }],
    ['terminate/conductor:head stop', { cableId: 'lead-thin' }, { headEndId: 'jack' }],
    [
      'terminate/boot stop',
      { seal: { choices: [{ opening: 'mount-0/entry', sealId: 'gland-m20', cables: 1 }] } },
      { cameraEndId: 'plug-boot' },
    ],
    ['terminate/lead stop', { cableId: 'lead-thin' }, { cameraEndId: 'plug-moulded' }],
    ['terminate/lead-thread stop', { cableId: 'lead-thin', route: lead }, {}],
  ])('finds %s on %j %j', (expected, on, change) => expect(ids(on, change)).toContain(expected))

  it('proposes ends that suit every cable of the catalogue', () => {
    for (const cable of CATALOGUE.cables.values()) {
      const moulded = cable.id.startsWith('lead-')
      const cameraId = {
        'pair': 'bullet-4mp-vf',
        'coax': 'analogue-bullet-2mp',
        'coax and power': 'analogue-bullet-2mp',
        'power': 'floodlight-4mp',
        'cores': null,
        'earth': null,
        'fibre': null,
      }[cable.kind]
      if (cameraId === null) continue // no camera of the catalogue takes it
      const c = context({ cameraId, cableId: cable.id, route: moulded ? lead : null, seal: { choices: [] } })
      const stops = assessTerminate(c, proposeTerminate(c)).findings.filter(
        ({ verdict }) => verdict === 'stop',
      )
      expect([cable.id, stops.map(({ title }) => title)]).toEqual([cable.id, []])
    }
    expect(proposeSeal(context()).choices.map(({ sealId }) => sealId)).not.toContain(null)
  })
})

describe('where an analogue picture goes', () => {
  const analogue = { cableId: 'rg59-18-2', cameraId: 'analogue-bullet-2mp' }
  const at = (recorderId: string | null, recorderPort: string | null, of: Partial<Device> = analogue) => {
    const planned = plannedThrough(device(of), YARD)
    return { ...planned, terminate: { ...planned.terminate!, recorderId, recorderPort } }
  }
  const said = (one: Device, change: Partial<Job> = {}) => {
    const on = { ...YARD, ...change }
    const { findings } = assess({ ...on, devices: [one] }, CATALOGUE).devices[0]!
    return findings.flatMap(({ id, verdict }) =>
      id.startsWith('terminate/') && verdict !== 'good' ? [`${verdict} ${id}`] : [],
    )
  }
  it('a recorder is proposed where there is one, its input is asked for', () => {
    expect(proposeTerminate(context(analogue))).toMatchObject({ recorderId: 'coax', recorderPort: null })
    expect(proposeTerminate(context())).toMatchObject({ recorderId: null, recorderPort: null })
  })
  it.each([
    ['check terminate/picture', null, null],
    ['check terminate/input', 'coax', null],
    ['stop terminate/recorder', 'switch', null],
    ['stop terminate/other-input', 'coax', 'video-9'],
    ['stop terminate/other-input', 'coax', 'audio-1'],
  ] as const)('%s at %s, %s', (expected, id, port) => expect(said(at(id, port))).toEqual([expected]))
  it('the first input and the last are inputs; a network camera is asked nothing', () => {
    expect([said(at('coax', 'video-1')), said(at('coax', 'video-8'))]).toEqual([[], []])
    expect(said(at(null, null, {}))).toEqual([])
  })
  it('a recorder that is taken away takes no picture', () => {
    const equipment = YARD.equipment.map((one) => ({ ...one, state: 'taken away' as const }))
    expect(said(at('coax', 'video-1'), { equipment })).toEqual(['stop terminate/recorder'])
  })
  it('stands at the recorder by its input, with its connector there; two in one input stop the recorder', () => {
    const two = [at('coax', 'video-2'), { ...at('coax', 'video-2'), id: 'b', mark: '02' }]
    const recorder = (devices: Device[]) => assess({ ...YARD, devices }, CATALOGUE).equipment[1]!
    const named = ({ port, mark, end }: { port: string | null; mark: string; end: string }) => [
      port,
      mark,
      end,
    ]
    expect(recorder(two.slice(0, 1)).uses.map(named)).toEqual([['video 2', '01', 'BNC, twist-on, RG59']])
    const found = (devices: Device[]) =>
      recorder(devices).findings.find(({ short }) => short === 'input is taken')
    expect(found(two)).toMatchObject({ verdict: 'stop', figure: { text: 'video 2: 01, 02' } })
    expect(
      found([two[0]!, { ...two[1]!, terminate: { ...two[1]!.terminate, recorderPort: 'video-3' } }]),
    ).toBeUndefined()
  })
})
