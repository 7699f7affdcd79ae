import loadHighs from 'highs'
import { firstFit } from '@/core/reels/fill'
import { openedBy, type Opened, type Packing } from '@/core/reels/packing'
import { solveSteps } from '@/core/reels/solve'

const RUNS = 300
const NEW_BOX_DM = 3050
/** Lengths of runs, dm: of houses and yards, of long sites, and such of which few fit a box. */
const KINDS = [
  ['10 to 90 m', 100, 900],
  ['20 to 120 m', 200, 1200],
  ['80 to 160 m', 800, 1600],
  ['60 to 160 m', 600, 1600],
] as const

/** 300 runs out of begun and new boxes, beside the first fit of the longest first. */
export async function reels(): Promise<void> {
  const highs = await loadHighs()
  let seed = 7
  const next = () => (seed = (seed * 48271) % 2147483647) / 2147483647
  console.log(`${RUNS} runs out of boxes`)
  for (const [name, least, most] of KINDS) {
    const packing: Packing = {
      sizes: Array.from({ length: RUNS }, () => Math.floor(least + next() * (most - least))).sort(
        (a, b) => b - a,
      ),
      begun: [1200, 640, 2200, 900],
      fresh: NEW_BOX_DM,
    }
    const metres = ({ fresh, begun }: Opened) => (fresh * packing.fresh + begun) / 10
    const since = performance.now()
    const first = openedBy(packing, firstFit(packing, [...packing.begun.keys()]))
    const firstMs = performance.now() - since
    const steps = solveSteps(packing, highs)
    let step = steps.next()
    while (!step.done) step = steps.next()
    const ms = performance.now() - since - firstMs
    const { opened, least: bound } = step.value
    console.log(
      `  ${name}: ${ms.toFixed(0)} ms, ${opened.fresh} new boxes (no fewer than ${bound.fresh}), ` +
        `${(metres(opened) / metres(bound)).toFixed(4)} of the bound; first fit ${firstMs.toFixed(1)} ms, ` +
        `${first.fresh} new boxes, ${(metres(first) / metres(bound)).toFixed(4)} of it`,
    )
  }
}
