import { describe, expect, it } from 'vitest'
import { scratchRecord } from '@/testing/record'
import { endPhone, pair, PAIRING_MS, phones, startPairing } from './phones'

const NOW = Date.parse('2026-03-02T09:30:00.000Z')

describe('pairing', () => {
  const held = scratchRecord()
  it('is open until the code lapses, to one phone', () => {
    for (const [after, paired] of [
      [PAIRING_MS - 1, true],
      [PAIRING_MS, false],
      [PAIRING_MS + 1, false],
    ] as const) {
      const { secret, lapsesAt } = startPairing(held.db, NOW)
      expect(Date.parse(lapsesAt)).toBe(NOW + PAIRING_MS)
      expect([after, pair(held.db, { secret, name: 'Lead' }, NOW + after) !== null]).toEqual([after, paired])
      expect(pair(held.db, { secret, name: 'Another' }, NOW + after)).toBeNull()
    }
    expect(phones(held.db).map(({ name }) => name)).toEqual(['Lead'])
  })
  it('leaves several codes open at once, each for one', () => {
    const [a, b] = [startPairing(held.db, NOW), startPairing(held.db, NOW)]
    expect(pair(held.db, { secret: b.secret, name: 'B' }, NOW)).not.toBeNull()
    expect(pair(held.db, { secret: a.secret, name: 'A' }, NOW + 1)).not.toBeNull()
    expect(phones(held.db).map(({ name }) => name)).toEqual(['A', 'B'])
  })
  it('keeps neither code nor token as it is given out', () => {
    const { secret } = startPairing(held.db, NOW)
    const token = pair(held.db, { secret: startPairing(held.db, NOW).secret, name: 'Lead' }, NOW)!
    const all = JSON.stringify(
      ['pairing', 'phone'].map((table) => held.db.prepare(`SELECT * FROM ${table}`).all()),
    )
    expect(all).not.toContain(secret)
    expect(all).not.toContain(token)
    expect(token.length).toBeGreaterThan(40)
  })
  it('ends one phone and leaves the others', () => {
    for (const name of ['A', 'B']) pair(held.db, { secret: startPairing(held.db, NOW).secret, name }, NOW)
    const { id } = phones(held.db).find(({ name }) => name === 'A')!
    expect([endPhone(held.db, id), endPhone(held.db, id)]).toEqual([true, false])
    expect(phones(held.db).map(({ name }) => name)).toEqual(['B'])
  })
})
