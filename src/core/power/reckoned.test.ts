import { NO_RECORDER } from '@/core/terminate/plan'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job } from '@/testing/jobs'
import type { Device, Job, Route } from '../job'
import { NOT_MEASURED, resolve, supplyOf } from '../parts'
import { awgDiameterMm } from '../terminate'
import { assessPower, POE_CLASSES, supplyLoad } from '.'
import { FED_FREELY } from '../route/plan'

const route = (lengthM: number, cordsM = 0): Route => ({
  segments: [
    {
      id: 'a',
      space: 'trunking indoors',
      lengthM,
      riseM: 0,
      temperatureC: 20,
      conduitId: null,
      conduitName: '',
    },
  ],
  laid: 'new',
  cordsM,
  forced: null,
  lead: null,
})
const assess = (
  partId: string,
  change: Partial<Device>,
  on: Partial<Job> = {},
  volts: number | null = null,
) => {
  const found = resolve(
    device(change),
    job({ equipment: [equipment({ id: 's', name: 'Supply', partId })], ...on }),
    CATALOGUE,
    { ...NOT_MEASURED, volts },
  )
  if ('missing' in found) throw new Error(found.missing.join())
  return assessPower(found, { supplyId: 's', port: null })!
}
const finding = (result: ReturnType<typeof assess>, id: string) =>
  result.findings.find((one) => one.id === id)

/** Copper of ASTM B258 gauges at 100 % IACS, 1/58 Ω·mm²/m: a second way to a wire's resistance. */
const wireOhm = (awg: number, m: number) => m / 58 / ((Math.PI / 4) * awgDiameterMm(awg) ** 2)

describe('the circuit over data pairs', () => {
  it('counts cable, patch leads and contacts: two pairs side by side, there and back', () => {
    const outdoors = {
      exposure: 'dry indoors' as const,
      terminate: { cameraEndId: 'plug', headEndId: 'jack', ...NO_RECORDER },
      route: route(56, 5),
    }
    // 60 m with slack (1 m, 3 m); there two wires side by side, back two more; 5 m of 26 AWG leads; three
    // contacts of 0.2 Ω.
    const leg = (wireOhm(23, 60) + wireOhm(26, 5) + 3 * 0.2) / 2
    expect(assess('switch-16', outdoors).drawing.circuitOhm).toBeCloseTo(2 * leg, 2)
    const direct = {
      ...outdoors,
      terminate: { cameraEndId: 'plug', headEndId: 'plug', ...NO_RECORDER },
      route: route(56, 0),
    }
    expect(assess('switch-16', direct).drawing.circuitOhm).toBeCloseTo(wireOhm(23, 60) + 2 * 0.2, 2)
  })
  /**
   * IEEE 802.3: a class 3 device works from 37 V, class 4 from 42.5 V; class 3 feeds at no less than 44 V.
   */
  it('stops below the least volts of the class, whatever the watts', () => {
    expect(POE_CLASSES.map(({ poeClass, leastDeviceV }) => [poeClass, leastDeviceV])).toEqual([
      [1, 37],
      [2, 37],
      [3, 37],
      [4, 42.5],
      [5, 44.3],
      [6, 42.5],
      [7, 42.9],
      [8, 41.1],
    ])
    const at = (volts: number) =>
      finding(assess('switch-16', { route: route(10) }, {}, volts), 'power/device-volts')?.verdict ?? null
    expect([at(36.99), at(37), at(37.01)]).toEqual(['stop', null, null])
    const long = assess('switch-16', {
      cableId: 'lead-thin',
      route: { ...route(150), lead: { lengthM: 100, ...FED_FREELY } },
    })
    // Ohm's law step by step instead of the quadratic: raise the current until the camera has its 12.2 W.
    let [amps, volts] = [0, 44]
    for (; volts * amps < 12.2; amps += 1e-5) volts = 44 - amps * long.drawing.circuitOhm
    expect(long.drawing.atCameraV).toBeCloseTo(volts, 2)
  })
  it('reserves the whole class of a port that does not signal, the draw of one that does', () => {
    const [plain, signalling] = [
      assess('switch-8', { route: route(10) }),
      assess('switch-16', { route: route(10) }),
    ]
    expect(plain.drawing.drawW).toBe(15.4) // class 3 of IEEE 802.3
    expect(signalling.drawing.drawW).toBeGreaterThan(12.2)
    expect(signalling.drawing.drawW).toBeLessThan(13)
    const load = (partId: string, drawW: number) =>
      supplyLoad(
        'S',
        supplyOf(CATALOGUE, partId)!,
        Array.from({ length: 8 }, (_, i) => ({ supplyId: 's', mark: `${i}`, port: null, drawW })),
      ).findings.map(({ id, verdict }) => `${id} ${verdict}`)
    expect(load('switch-8', plain.drawing.drawW!)).toEqual(['power/budget stop']) // 8 × 15.4 W of 120 W
    expect(load('switch-8', signalling.drawing.drawW!)).toEqual(['power/budget check'])
  })
})

describe('mains', () => {
  const flood = { cameraId: 'floodlight-4mp', mountIds: ['recessed-box'] }
  it('never goes over data or coax cable', () => {
    for (const cableId of ['cat6', 'rg59', 'rg59-18-2', 'fibre-single'])
      expect([
        cableId,
        finding(assess('mains-circuit', { ...flood, cableId }), 'power/match')?.verdict,
      ]).toEqual([cableId, 'stop'])
    expect(
      finding(assess('mains-circuit', { ...flood, cableId: 'mains-14-2' }), 'power/match'),
    ).toBeUndefined()
  })
  it('has the volts of the job', () =>
    expect(
      [120, 230].map(
        (mainsV) => assess('mains-circuit', { ...flood, cableId: 'mains-14-2' }, { mainsV }).drawing.sourceV,
      ),
    ).toEqual([120, 230]))
})

describe('low volts', () => {
  const analogue = (lengthM: number): Partial<Device> => ({
    cameraId: 'analogue-bullet-2mp',
    cableId: 'rg59-18-2',
    exposure: 'dry indoors',
    route: route(lengthM),
  })
  it('setting a supply up is said only where that alone brings enough, and then it does', () => {
    const advice = (m: number) => finding(assess('dc-12-5', analogue(m)), 'power/volts')?.advice ?? null
    const atHigher = (m: number) => finding(assess('dc-13.2-5', analogue(m)), 'power/volts')!.verdict
    let told = 0
    for (let m = 10; m <= 240; m += 10) {
      const says = advice(m)
      if (says === null) continue
      expect([m, says.includes('set the supply up to 13.2 V')]).toEqual([m, atHigher(m) === 'good'])
      told++
    }
    expect(told).toBeGreaterThan(10)
  })
  it('takes the volts read at the camera over the reckoned ones, at the very limit', () => {
    const read = (volts: number) => finding(assess('dc-12-5', analogue(5), {}, volts), 'power/volts')!.verdict
    expect([10.79, 10.8, 10.81].map(read)).toEqual(['stop', 'good', 'good'])
    expect(finding(assess('dc-12-5', analogue(5), {}, 13.21), 'power/over-volts')?.verdict).toBe('stop')
    expect(finding(assess('dc-12-5', analogue(5), {}, 13.2), 'power/over-volts')).toBeUndefined()
  })
})

describe('the figures of a circuit over cores', () => {
  const far = (lengthM: number, volts: number | null = null) =>
    assess(
      'dc-12-5',
      {
        cameraId: 'analogue-bullet-2mp',
        cableId: 'rg59-18-2',
        exposure: 'dry indoors',
        route: route(lengthM),
      },
      {},
      volts,
    )
  const reading = (result: ReturnType<typeof far>, label: string) => {
    const found = result.figures.find((figure) => figure.label === label)?.reading
    return found && 'value' in found ? found.value : (found?.text ?? null)
  }
  /** Conservation of energy: what the supply gives is what the camera takes and what warms the circuit. */
  it('what is drawn at the supply is what the camera takes and what the cores lose', () => {
    const result = far(60)
    const [taken, volts, ohm, drawn] = [
      'Camera, worst hour',
      'At the camera',
      'Cores and joints, there and back',
      'Drawn at the supply',
    ].map((label) => Number(reading(result, label)))
    const amps = taken! / volts!
    expect(drawn).toBeCloseTo(taken! + amps ** 2 * ohm!, 6)
    expect(volts! + amps * ohm!).toBeCloseTo(12, 6)
    expect(drawn).toBeGreaterThan(taken! + 0.1)
  })
  it('says what was measured, and that a circuit with no answer cannot start', () => {
    expect(reading(far(60, 11.1), 'At the camera, as measured')).toBe(11.1)
    expect(reading(far(60, 11.1), 'At the camera')).toBeNull()
    const never = far(2000)
    expect(reading(never, 'At the camera')).toBe('cannot start')
    expect(reading(never, 'Drawn at the supply')).toBeNull()
    expect(finding(never, 'power/volts')).toMatchObject({
      verdict: 'stop',
      short: 'cannot start',
      figure: { text: 'cannot start' },
      limit: { kind: 'voltage', value: 10.8 },
    })
    expect(finding(far(120), 'power/volts')).toMatchObject({ verdict: 'stop', short: 'too few volts' })
  })
})

describe('surges and the box', () => {
  const outside = (lengthM: number, change: Partial<Device> = {}) =>
    finding(
      assess('switch-16', {
        route: { ...route(0), segments: [{ ...route(lengthM).segments[0]!, space: 'clipped outside' }] },
        ...change,
      }),
      'power/surge',
    )
  it('fifty metres of outdoor copper without protectors is not Good; with them, or indoors, or as fibre it is', () => {
    expect(outside(50)?.verdict).toBe('check')
    expect(outside(50, { accessoryIds: ['protector-pair'] })).toBeUndefined()
    expect(outside(50, { cableId: 'fibre-single' })).toBeUndefined()
    expect(finding(assess('switch-16', { route: route(50) }), 'power/surge')).toBeUndefined()
    expect([29.9, 30, 30.1].map((m) => outside(m)?.verdict ?? 'good')).toEqual(['good', 'good', 'check'])
  })
  /** NEC 314.16(B) and its table, from memory: 2.00 cubic inches (16.387 mL each) a conductor of 14 AWG. */
  it('a mains joint of two and two cores, the earths and the clamp takes twelve cubic inches', () => {
    const flood = { cameraId: 'floodlight-4mp', cableId: 'mains-14-2' }
    const fill = (change: Partial<Device>) =>
      finding(assess('mains-circuit', { ...flood, ...change }), 'power/box-fill')
    const boxed = fill({ mountIds: ['recessed-box'] })!
    expect(boxed.verdict).toBe('good')
    expect('value' in boxed.figure && boxed.figure.value / 16.387064).toBeCloseTo(12, 2)
    expect(fill({ mountIds: [] })?.verdict).toBe('stop')
    expect(fill({ mountIds: [], surfaceId: 'existing-box' })?.verdict).toBe('check')
  })
})
