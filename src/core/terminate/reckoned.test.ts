import { NO_RECORDER } from '@/core/terminate/plan'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import type { Device } from '../job'
import { NOT_MEASURED, resolve } from '../parts'
import { assessTerminate, awgDiameterMm, loopLeastOhm, loopLimitOhm, pairLoopOhm, proposeTerminate } from '.'

const context = (change: Partial<Device>, cableMm: number | null = null) => {
  const found = resolve(device({ seal: { choices: [] }, ...change }), job(), CATALOGUE, {
    ...NOT_MEASURED,
    cableMm,
  })
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const stops = (change: Partial<Device>, ends: Partial<NonNullable<Device['terminate']>> = {}) => {
  const c = context(change)
  return assessTerminate(c, { ...proposeTerminate(c), ...ends }).findings.filter(
    ({ verdict }) => verdict === 'stop',
  )
}

describe('the loop of a pair', () => {
  /**
   * ANSI/TIA-568.2-D: 9.38 Ω per 100 m of conductor at 20 °C. Copper gains 0.39 % a degree (IEC 60028, from
   * memory).
   */
  it('has a limit that moves with the copper’s temperature', () => {
    expect(loopLimitOhm(100)).toBeCloseTo(18.76, 9)
    expect(loopLimitOhm(100, 45) / loopLimitOhm(100)).toBeCloseTo(1 + 25 * 0.0039, 9)
  })
  /** IEC 60028: 1/58 Ω·mm²/m. A short half way reads half. */
  it('reads low with a short on the way, and whole copper never does', () => {
    const whole = (2 * 80) / 58 / ((Math.PI / 4) * awgDiameterMm(24) ** 2)
    expect(pairLoopOhm(24, 80)).toBeCloseTo(whole, 1)
    expect(loopLeastOhm(24, 80)).toBeGreaterThan(whole * 0.5)
    expect(loopLeastOhm(24, 80)).toBeLessThan(whole * 0.9) // a run measured a tenth short still passes
  })
})

describe('camera and cable', () => {
  it.each<[string, string, string[], boolean]>([
    ['bullet-4mp-vf', 'rg59', [], false],
    ['bullet-4mp-vf', 'rg59', ['coax-converter-pair'], true],
    ['bullet-4mp-vf', 'cat6', [], true],
    ['analogue-bullet-2mp', 'cat6', [], false],
    ['analogue-bullet-2mp', 'cat6', ['balun-pair'], true],
    ['analogue-bullet-2mp', 'rg59-18-2', [], true],
    ['bullet-4mp-vf', 'fibre-single', [], false],
    ['analogue-bullet-2mp', 'rg59', ['coax-converter-pair'], true],
    ['floodlight-4mp', 'cat6', [], false],
  ])('%s on %s with %j: %s', (cameraId, cableId, accessoryIds, fits) => {
    const [stop] = stops({ cameraId, cableId, accessoryIds }).filter(({ id }) => id === 'terminate/camera')
    expect(stop === undefined).toBe(fits)
    const way =
      stop && [...CATALOGUE.accessories.values()].find(({ name }) => stop.advice!.includes(`Add ${name}`))
    if (way)
      expect(stops({ cameraId, cableId, accessoryIds: [way.id] }).map(({ id }) => id)).not.toContain(
        'terminate/camera',
      )
  })
  it('a jack does not go onto the camera’s own', () => {
    expect(stops({}, { cameraEndId: 'jack' }).find(({ id }) => id === 'terminate/jack')?.advice).toBe(
      'Make the RJ45 plug at the camera.',
    )
    expect(stops({}, { cameraEndId: 'plug', headEndId: 'jack', ...NO_RECORDER })).toEqual([])
  })
})

it('judges the strain relief by the jacket as measured', () => {
  const good = (mm: number | null) => {
    const c = context({}, mm)
    return assessTerminate(c, { cameraEndId: 'plug', headEndId: 'jack', ...NO_RECORDER }).findings.every(
      ({ verdict }) => verdict === 'good',
    )
  }
  expect([null, 6.49, 6.5, 6.51].map(good)).toEqual([true, true, true, false])
})
