import { createHash } from 'node:crypto'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess } from '../assess'
import { apply, commandsOf, RECORD_VERSION, type Job } from '../job'
import { device, job, said } from '@/testing/jobs'
import { proposeSight } from '../sight'
import { resolve } from '../parts'
import { differences, frozenRecord, sealed, unsealed } from '.'

const context = resolve(device(), job(), CATALOGUE)
if ('missing' in context) throw new Error()
const sight = proposeSight(context)
const yard = job({ devices: [device({ sight })] })
const frozen = (on: Job) => frozenRecord(on, assess(on, CATALOGUE), CATALOGUE, null)
const sign = (on: Job) => {
  const facts = sealed(frozen(on), CATALOGUE, 'Customer', null)
  const applied = apply(on, said({ type: 'signRecord', recordId: 'r', facts }), CATALOGUE)
  if (!applied.ok) throw new Error(applied.reasons[0]!.message)
  return applied.job
}

it('what is signed carries figures, parts and versions, under the SHA-256 of its bytes', () => {
  const [record] = sign(yard).signed
  expect(record).toMatchObject({ signedBy: 'Customer', by: 'Lead', versions: { record: RECORD_VERSION } })
  expect(record!.sha256).toBe(createHash('sha256').update(record!.body, 'utf8').digest('hex'))
  const { devices } = unsealed(record!)!
  expect(Object.keys(devices[0]!.parts)).toEqual(
    expect.arrayContaining(['bullet-4mp-vf', 'junction-box', 'cat6-outdoor', 'timber-wall']),
  )
  expect(devices[0]!.stages.sight!.figures['At the target']).toMatch(/px\/m$/)
})

it('later work and later parts change what is computed, never what was signed; the difference is told', () => {
  const signed = sign(yard)
  const kept = unsealed(signed.signed[0]!)!
  expect(differences(kept, frozen(signed))).toEqual([])
  const moved = { ...signed, devices: [device({ sight: { ...sight, targetDistanceM: 12 } })] }
  const lines = differences(unsealed(moved.signed[0]!)!, frozen(moved))
  expect(lines.some((line) => /^01 sight, at the target: signed .+ px\/m, now .+ px\/m\.$/.test(line))).toBe(
    true,
  )
  const lens = { ...CATALOGUE.cameras.get('bullet-4mp-vf')!, name: 'Another bullet' }
  const other = { ...CATALOGUE, cameras: new Map([...CATALOGUE.cameras, [lens.id, lens]]) }
  expect(sealed(kept, other, 'x', null).versions.catalogue).not.toBe(signed.signed[0]!.versions.catalogue)
  expect(unsealed(signed.signed[0]!)).toEqual(kept)
})

it('equipment is signed too: what changes at its ports is told, and an old record without it is still read', () => {
  const signed = sign(yard)
  const kept = unsealed(signed.signed[0]!)!
  const fed = { ...signed, devices: [{ ...signed.devices[0]!, power: { supplyId: 'switch', port: 7 } }] }
  expect(differences(kept, frozen(fed))).toEqual(
    expect.arrayContaining([expect.stringMatching(/^E1 equipment, runs by port: signed .*, now 7: 01 /)]),
  )
  const { equipment: _, ...before } = kept
  expect(differences(before, frozen(signed))).toEqual([])
})

it('one that was changed is refused, and not read', () => {
  const facts = sealed(frozen(yard), CATALOGUE, 'Customer', null)
  const forged = { ...facts, body: facts.body.replace('Workshop', 'Workshed') }
  const applied = apply(yard, said({ type: 'signRecord', recordId: 'r', facts: forged }), CATALOGUE)
  expect(applied).toMatchObject({ ok: false, reasons: [{ path: '/facts/sha256' }] })
  const [record] = sign(yard).signed
  expect(unsealed({ ...record!, body: forged.body })).toBeNull()
})

it('is signed once, stays through the job file’s own commands, and never goes', () => {
  const signed = sign(yard)
  const again = said({ type: 'signRecord', recordId: 'r', facts: sealed(frozen(yard), CATALOGUE, 'x', null) })
  expect(apply(signed, again, CATALOGUE)).toMatchObject({ ok: false, reasons: [{ path: '/recordId' }] })
  let n = 0
  const rebuilt = commandsOf(signed, () => `00000000-0000-4000-8000-${String(n++).padStart(12, '0')}`)
  expect(rebuilt.at(-1)).toMatchObject({ type: 'signRecord', recordId: 'r' })
})
