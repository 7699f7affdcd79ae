import { describe, expect, it } from 'vitest'
import { Turns } from './turns'

function* counting(upTo: number, seen: number[]): Generator<number, string> {
  for (let i = 1; i <= upTo; i++) {
    seen.push(i)
    yield i / upTo
  }
  return 'counted'
}

describe('turns', () => {
  it('give the result, and say how far they are', async () => {
    const heard: number[] = []
    expect(await new Turns(0).run(counting(4, []), (share) => heard.push(share))).toBe('counted')
    expect(heard).toEqual([0.25, 0.5, 0.75, 1])
  })
  it('end when a newer one begins, which goes on', async () => {
    const turns = new Turns(0)
    const [older, newer]: [number[], number[]] = [[], []]
    const [first, second] = await Promise.all([
      turns.run(counting(1000, older), () => undefined),
      turns.run(counting(3, newer), () => undefined),
    ])
    expect([first, second, newer.length]).toEqual([null, 'counted', 3])
    expect(older.length).toBeLessThan(3)
  })
  it('end when cancelled', async () => {
    const turns = new Turns(0)
    const seen: number[] = []
    const running = turns.run(counting(1000, seen), (share) => share >= 0.005 && turns.cancel())
    expect(await running).toBeNull()
    expect(seen.length).toBe(5)
  })
})
