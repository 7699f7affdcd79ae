import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { resolve, supplyOf } from '../parts'
import { ohmPerKm } from '../terminate'
import { device, equipment, job } from '@/testing/jobs'
import { assessPower, POE_CLASSES, poeClassFor, powerAtEnd, supplyLoad, voltsAtLoad } from '.'

/**
 * IEEE 802.3af/at/bt: device power is what the lowest source voltage and the reckoned circuit leave of the
 * source power.
 */
it.each([
  [3, 15.4, 12.95],
  [4, 30, 25.5],
  [8, 90, 71.3],
])('derives class %i: %f W at the port, %f W at the camera', (poeClass, sourceW, deviceW) => {
  const poe = POE_CLASSES.find((row) => row.poeClass === poeClass)!
  expect([poe.sourceW, poe.deviceW]).toEqual([sourceW, deviceW])
  expect(Math.abs(powerAtEnd(poe.sourceW, poe.sourceV, poe.circuitOhm) - deviceW)).toBeLessThan(0.05)
})
it('keeps the classes of the standard in order', () => {
  expect(POE_CLASSES.map(({ sourceW, deviceW }) => [sourceW, deviceW])).toEqual([
    [4, 3.84],
    [7, 6.49],
    [15.4, 12.95],
    [30, 25.5],
    [45, 40],
    [60, 51],
    [75, 62],
    [90, 71.3],
  ])
  expect(poeClassFor(12.95)?.poeClass).toBe(3)
  expect(poeClassFor(13)?.poeClass).toBe(4)
  expect(poeClassFor(80)).toBeNull()
})

describe('volts at a constant-power load, circuit theory', () => {
  it('12 V, 6 W, 60 m of 18 AWG at 20 °C: 2.514 Ω, 10.57 V', () => {
    const ohm = (2 * ohmPerKm(18) * 60) / 1000
    expect(ohm).toBeCloseTo(2.514, 3)
    expect(voltsAtLoad(12, 6, ohm)).toBeCloseTo(10.57, 2)
  })
  it('balances: volts times current is the load, and the rest is lost in the circuit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (vs, p, r) => {
          const v = voltsAtLoad(vs, p, r)
          if (v === null) expect(4 * p * r).toBeGreaterThan(vs ** 2)
          else expect(v + (p / v) * r).toBeCloseTo(vs, 6)
        },
      ),
    )
  })
})

describe('findings', () => {
  const SUPPLIES = ['switch-8', 'dc-12-5', 'mains-circuit', 'injector-30'].map((partId, i) =>
    equipment({ id: partId, name: partId, partId, mark: `E${i + 1}` }),
  )
  const ids = (on: Parameters<typeof device>[0], supplyId: string, lengthM = 30) => {
    const route = {
      segments: [
        {
          id: 'a',
          space: 'trunking indoors' as const,
          lengthM,
          riseM: 0,
          temperatureC: 20,
          conduitId: null,
          conduitName: '',
        },
      ],
      laid: 'new' as const,
      cordsM: 2,
      forced: null,
      lead: null,
    }
    const found = resolve(device({ ...on, route }), job({ equipment: SUPPLIES }), CATALOGUE)
    if ('missing' in found) throw new Error(found.missing.join())
    return assessPower(found, { supplyId, port: 1 })!.findings.map(({ id, verdict }) => `${id} ${verdict}`)
  }
  const analogue = { cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' }
  it.each<[string, Parameters<typeof device>[0], string, number]>([
    ['power/arrives good', {}, 'switch-8', 80],
    ['power/class stop', { cameraId: 'ptz-2mp' }, 'switch-8', 30],
    ['power/match stop', {}, 'mains-circuit', 30],
    ['power/match stop', analogue, 'switch-8', 30],
    ['power/volts good', analogue, 'dc-12-5', 30],
    ['power/volts stop', analogue, 'dc-12-5', 100],
    ['power/volts stop', analogue, 'dc-12-5', 900],
    ['power/mains check', { cameraId: 'floodlight-4mp', cableId: 'mains-14-2' }, 'mains-circuit', 10],
  ])('finds %s on %j from %s over %i m', (expected, on, supply, length) =>
    expect(ids(on, supply, length)).toContain(expected),
  )
})

describe('supplies of a job', () => {
  const draw = (mark: string, drawW: number, port: number | null = null) => ({
    supplyId: 's',
    mark,
    port,
    drawW,
  })
  const ids = (draws: ReturnType<typeof draw>[]) =>
    supplyLoad('Switch', supplyOf(CATALOGUE, 'switch-outdoor-4')!, draws).findings.map(
      ({ id, verdict }) => `${id} ${verdict}`,
    )
  it('adds up the worst hour against the budget', () => {
    expect(ids([draw('01', 30), draw('02', 30)])).toEqual([])
    expect(ids([draw('01', 60), draw('02', 40)])).toEqual(['power/budget check'])
    expect(ids([draw('01', 70), draw('02', 60)])).toEqual(['power/budget stop'])
  })
  it('sees ports given twice, ports that are not there and too many cameras', () => {
    expect(ids([draw('01', 1, 2), draw('02', 1, 2)])).toEqual(['power/port-2 stop'])
    expect(ids([draw('01', 1, 9)])).toEqual(['power/no-port-9 stop'])
    expect(ids(['1', '2', '3', '4', '5'].map((mark) => draw(mark, 1)))).toEqual(['power/ports stop'])
  })
})
