import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { assessDevice } from '../assess'
import type { Device, Policies } from '../job'
import { inForcedOrder, task } from '.'

/** Freedoms that the trade leaves: each is a habit of the job, and none overrides what parts force. */

const assessed = (habits: Partial<Policies>, change: Partial<Device> = {}) => {
  const on = job({ policies: { ...job().policies, ...habits } })
  const of = plannedThrough(device(change), on)
  return { of, on, ...assessDevice(of, on, CATALOGUE) }
}
const stepsOf = (habits: Partial<Policies>, change: Partial<Device> = {}) =>
  assessed(habits, change).steps.map(({ step }) => step)

it('a habit that parts forbid gives way, and stops nobody', () => {
  const lid = task('close', {
    id: 'mount/lid',
    title: 'Lid',
    reason: '',
    gives: ['closed'],
    before: [{ fact: 'connected', because: 'This job closes first.', force: 'habit' }],
  })
  const plug = task('connect', {
    id: 'power/plug',
    title: 'Plug',
    reason: '',
    gives: ['connected'],
    before: [{ fact: 'closed', because: 'It lies behind the lid.', force: 'reach' }],
  })
  const { steps, contradictions } = inForcedOrder([lid, plug])
  expect([steps.map(({ id }) => id), contradictions]).toEqual([['power/plug', 'mount/lid'], []])
})

describe('film, card, dead tails, head end', () => {
  const dome = { cameraId: 'dome-4mp-vf', mountIds: [], surfaceId: 'timber-soffit' }
  it('the film comes off once: last of all, or on the bench', () => {
    const said = (habits: Partial<Policies>) =>
      stepsOf(habits, dome).flatMap(({ id, title }) => (/film/i.test(title) ? [id] : []))
    expect(said({ film: 'last' })).toEqual(['mount/close'])
    expect(said({ film: 'on the bench' })).toEqual(['bench/film'])
  })
  it('the card goes in once, on the bench or up there', () => {
    const card = { ...dome, accessoryIds: ['memory-card'] }
    const where = (memoryCard: Policies['memoryCard']) =>
      stepsOf({ memoryCard }, card).flatMap(({ id, place }) =>
        id === 'mount/accessory-memory-card' ? [place] : [],
      )
    expect(where('up there')).toEqual(['at the device'])
    expect(where('on the bench')).toEqual(['bench'])
  })
  it('tails that get wet are capped, taken off, or told to stay open; capping them is the way out', () => {
    const tails = (deadTails: Policies['deadTails'], exposure: Device['exposure'] = 'open weather') => {
      const { steps, findings } = assessed({ deadTails }, { exposure })
      return [
        steps.find(({ step }) => step.id === 'seal/tails')?.step.title.split(':')[0] ?? null,
        findings.find(({ id }) => id === 'seal/tails')?.verdict ?? null,
      ]
    }
    expect(tails('cap')).toEqual(['Cap the unused tails', null])
    expect(tails('take off')).toEqual(['Take the unused tails off', null])
    expect(tails('leave')).toEqual([null, 'check'])
    expect(tails('leave', 'dry indoors')).toEqual([null, null])
  })
  it('a dry joint is taped with what the job tapes with; where water reaches it, never with plain tape', () => {
    const taped = (tape: Policies['tape'], exposure: Device['exposure']) => {
      const { of } = assessed({ tape }, { exposure })
      return of.seal!.choices.find(({ opening }) => opening === 'camera/tail')!.sealId
    }
    const [plain, stretched] = ['plain', 'self-amalgamating'] as const
    expect([taped(plain, 'under a soffit'), taped(stretched, 'under a soffit')]).toEqual([
      'tape-plain',
      'tape',
    ])
    // A bare cable through the hole: its joint hangs in the open.
    const mount = { ...assessed({}, { mountIds: [] }).of.mount!, passage: 'bare cable' as const }
    for (const exposure of ['damp indoors', 'under a soffit', 'open weather'] as const) {
      const { of, on } = assessed({ tape: plain }, { exposure, mountIds: [], mount })
      const joint = of.seal!.choices.find(({ opening }) => opening === 'camera/tail')!
      expect(joint.sealId).not.toBe('tape-plain')
      const seal = { choices: [{ ...joint, sealId: 'tape-plain' }] }
      expect(assessDevice({ ...of, seal }, on, CATALOGUE).findings).toContainEqual(
        expect.objectContaining({ id: 'seal/rating:camera/tail', verdict: 'stop' }),
      )
    }
  })
  it('a plug straight into the port has no patch lead and one contact less in its circuit', () => {
    const at = (headEndWith: Policies['headEndWith']) => {
      const { of, stages } = assessed({ headEndWith })
      const ohm = stages!.power!.result.figures.find(({ label }) => label.startsWith('Circuit'))!.reading
      return {
        head: CATALOGUE.connectors.get(of.terminate!.headEndId)!.kind,
        cordsM: of.route!.cordsM,
        ohm: 'value' in ohm ? ohm.value : NaN,
      }
    }
    const [jack, plug] = [at('jack'), at('plug')]
    expect([jack.head, jack.cordsM, plug.head, plug.cordsM]).toEqual(['jack', 2, 'plug', 0])
    // One contact of 0.2 Ω (ISO/IEC 11801) and 2 m of 26 AWG at 134 Ω/km (wire tables), both from memory.
    expect(jack.ohm - plug.ohm).toBeCloseTo(0.2 + 2 * 0.1337, 1)
  })
})
