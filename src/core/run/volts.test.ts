import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { equipment, job, run } from '@/testing/jobs'
import { assess } from '../assess'
import type { Equipment, Run } from '../job'
import type { EquipmentPart } from '../parts'
import { POWER_LIMITS } from '../power'

/** Volts at what hangs on a low-voltage run, and what that takes of its supply. */

const supply = (partId: string): Equipment => equipment({ id: 'supply', mark: 'E1', name: 'Supply', partId })
const lamp = equipment({ id: 'lamp', mark: 'E2', name: 'Lamp', partId: 'lamp-infrared', stands: 'on site' })
const feed = (lengthM: number, change: Partial<Run> = {}): Run =>
  run({
    carries: 'dc',
    cableId: 'cores-18-2',
    fromId: 'supply',
    fromPort: 'dc-3',
    fromEndId: 'terminals',
    toId: 'lamp',
    toPort: 'dc-1',
    toEndId: 'terminals',
    segments: [{ ...run().segments[0]!, lengthM }],
    ...change,
  })
const assessed = (one: Run, fedBy = 'dc-12-5', of: Partial<EquipmentPart> = {}) => {
  const parts = new Map(CATALOGUE.equipment)
  parts.set('lamp-infrared', { ...parts.get('lamp-infrared')!, ...of })
  const yard = job({ equipment: [supply(fedBy), lamp], runs: [one] })
  const { equipment: pieces, runs } = assess(yard, { ...CATALOGUE, equipment: parts })
  return { run: runs[0]!, supply: pieces[0]! }
}
const volts = (one: Run, fedBy?: string, of?: Partial<EquipmentPart>) => {
  const found = assessed(one, fedBy, of).run.findings.find(({ id }) => id === 'power/volts')
  return found && { verdict: found.verdict, advice: found.advice, figure: found.figure as { value: number } }
}

describe('a low-voltage run', () => {
  it('brings what remains once the current it takes has dropped over its cores, found by trying currents', () => {
    // 20.95 Ω/km: 18 AWG at 20 °C, ASTM B258. Slack of 1 m and 3 m; the way lies at 20 °C.
    const joints = 2 * POWER_LIMITS.dcJoints.value * POWER_LIMITS.jointOhm.value
    const ohm = 2 * (20.95 / 1000) * (6 + 1 + 3) + joints
    let current = 0
    for (let tried = 0; tried < 200; tried++) current = 20 / (12 - current * ohm)
    const reckoned = 12 - current * ohm
    expect(volts(feed(6))!.figure.value).toBeCloseTo(reckoned, 3)
  })
  it('is good from the least volts that its load takes on, and stops below', () => {
    const { figure } = volts(feed(6))!
    const at = (leastV: number) => volts(feed(6), 'dc-12-5', { takesV: [leastV, 13.2] })!.verdict
    expect([at(figure.value - 1e-6), at(figure.value), at(figure.value + 1e-6)]).toEqual([
      'good',
      'good',
      'stop',
    ])
  })
  it('too long: with the cable that is advised it is gone; where none helps that is said', () => {
    const long = feed(12)
    const { verdict, advice } = volts(long)!
    expect(verdict).toBe('stop')
    const cables = new Map(CATALOGUE.cables)
    const thick = { ...cables.get('cores-18-2')!, id: 'cores-12-2', name: 'Two cores of 12 AWG', awg: 12 }
    cables.set('cores-12-2', thick)
    const of = (one: Run) =>
      assess(job({ equipment: [supply('dc-12-5'), lamp], runs: [one] }), { ...CATALOGUE, cables }).runs[0]!
    const named = of(long).findings.find(({ id }) => id === 'power/volts')!
    expect(named.advice).toBe('Take two cores of 12 AWG.')
    const after = of({ ...long, cableId: 'cores-12-2' }).findings
    expect(after.filter((one) => one.verdict !== 'good').map(({ id }) => id)).toEqual([])
    expect(advice).toBe('Make the run shorter, or set a supply nearer to it.')
    expect(volts(feed(100))!.verdict).toBe('stop')
  })
  it('from a supply above what its load takes is stopped, however long it is', () => {
    const over = (mostV: number) =>
      assessed(feed(6), 'dc-13.2-5', { takesV: [10.8, mostV] }).run.findings.some(
        ({ id }) => id === 'power/over-volts',
      )
    expect([over(13.2), over(13.2 - 1e-6)]).toEqual([false, true])
  })
  it('counts on its supply, with its loss and at its port', () => {
    const taken = assessed(feed(6)).run.draw!
    expect([taken.supplyId, taken.mark, taken.port]).toEqual(['supply', 'R1', 3])
    expect(taken.drawW).toBeGreaterThan(20)
    expect(taken.drawW).toBeLessThan(23)
    const budget = (takesW: number) =>
      assessed(feed(0.1), 'dc-12-5', { takesW }).supply.findings.find(({ id }) => id === 'power/budget')
        ?.verdict
    expect([budget(20), budget(50), budget(61)]).toEqual([undefined, 'check', 'stop'])
  })
  it('is not judged where its load, its supply or its length is not known, and that is told', () => {
    const unjudged = (one: Run, of: Partial<EquipmentPart> = {}) => {
      const { run: judged } = assessed(one, 'dc-12-5', of)
      const told = judged.unjudged.filter((line) => line.startsWith('The drop of its volts'))
      return [judged.findings.some(({ id }) => id === 'power/volts'), told.length, judged.draw]
    }
    expect(unjudged(feed(6))).toEqual([true, 0, expect.objectContaining({ port: 3 })])
    expect(unjudged(feed(6), { takesW: undefined })).toEqual([false, 1, null])
    expect(unjudged(feed(6, { segments: [] }))).toEqual([false, 1, null])
    expect(unjudged(feed(6, { fromId: 'lamp', toId: 'supply', fromPort: null, toPort: null }))[0]).toBe(true)
  })
})
