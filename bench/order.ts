import { Bench } from 'tinybench'
import toposort from 'toposort'
import { inOrder, PLACES, type Before, type Doable, type Place } from '@/core/order'

/**
 * Ordering as large devices ask for it, beside a general topological sort of the same constraints, which
 * knows nothing of places, ranks, reasons or contradictions.
 */

const NAMES = Object.keys(PLACES) as Place[]

/** Things to do that wander from place to place, each held by a few before it; the same for the same seed. */
function puzzle(count: number, seed: number): { items: Doable[]; befores: Before[] } {
  let state = seed
  const roll = (most: number) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return Math.floor((state / 2_147_483_648) * most)
  }
  let place = NAMES[0]!
  const items = Array.from({ length: count }, (_, i): Doable => {
    if (roll(6) === 0) place = NAMES[roll(NAMES.length)]!
    return { id: `t${i}`, place, rank: i % 20 }
  })
  const befores = items.slice(1).flatMap(({ id }, i) =>
    Array.from({ length: 3 }, (): Before => {
      const first = items[Math.max(0, i - roll(12))]!.id
      return { first, then: id, because: '', force: 'craft' }
    }),
  )
  return { items, befores }
}

export async function ordering(): Promise<void> {
  const bench = new Bench({ time: 800, warmupTime: 200 })
  const sizes = [15, 30, 60]
  for (const size of sizes) {
    let seed = 1
    bench.add(`anew ${size}`, () => {
      const { items, befores } = puzzle(size, seed++)
      inOrder(items, befores)
    })
    const { items, befores } = puzzle(size, 7)
    bench.add(`known ${size}`, () => void inOrder(items, befores))
    const edges = befores.map(({ first, then }) => [first, then] as [string, string])
    const ids = items.map(({ id }) => id)
    bench.add(`plain ${size}`, () => void toposort.array(ids, edges))
  }
  await bench.run()
  const median = (name: string) => {
    const { result } = bench.tasks.find((task) => task.name === name)!
    if (result.state !== 'completed') throw new Error(`${name} did not run.`)
    return result.latency.p50
  }
  console.log('\nPutting things in order (median), beside a general topological sort of the same constraints')
  for (const size of sizes) {
    const [anew, known, plain] = ['anew', 'known', 'plain'].map((name) => median(`${name} ${size}`))
    console.log(
      `  ${size} things   anew ${anew!.toFixed(3)} ms   asked before ${known!.toFixed(3)} ms   ` +
        `plain sort ${plain!.toFixed(3)} ms   1 : ${(anew! / plain!).toFixed(1)}`,
    )
  }
}
