import { chromium, type Page } from '@playwright/test'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Job, PlanThing } from '@/core/job'
import { demo } from './large'
import { imported, served } from './server'

const PORT = 3295
const MOVES = 60

interface Frames {
  readonly median: number
  readonly most: number
}

/** The demo's yard again and again, so small that one sheet shows them all. */
function crowded(things: number): Job {
  // Equipment stands on a plan once.
  const each = demo.things.filter(({ floor, kind }) => floor === 'ground' && kind !== 'equipment')
  const copies = Math.ceil(things / each.length)
  const across = Math.ceil(Math.sqrt(copies))
  const shrunk = (value: unknown, dx: number, dy: number): unknown => {
    if (Array.isArray(value)) return value.map((one) => shrunk(one, dx, dy))
    if (typeof value !== 'object' || value === null) return value
    const { x, y } = value as { x?: unknown; y?: unknown }
    if (typeof x === 'number' && typeof y === 'number') return { x: x / 4 + dx, y: y / 4 + dy }
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, shrunk(one, dx, dy)]))
  }
  const all = Array.from({ length: copies }, (_, i) => {
    const [dx, dy] = [(i % across) * 24, Math.floor(i / across) * 20]
    return each.map((thing): PlanThing => {
      const one = shrunk(thing, dx, dy) as PlanThing
      const openings = one.kind === 'wall' ? { openings: [] } : {}
      return { ...one, ...openings, id: `${thing.id}-${i}` }
    })
  }).flat()
  return { ...demo, things: all.slice(0, things), backgrounds: [], photos: [], records: [], faults: [] }
}

/** Frames while a hand drags from a spot, ms between one and the next. */
async function dragged(page: Page, from: readonly [number, number], shift = 0): Promise<Frames> {
  await page.mouse.move(...(from as [number, number]))
  await page.mouse.down()
  await page.mouse.move(from[0] + 8, from[1] + 8)
  await page.evaluate(() => {
    const seen: number[] = []
    const look = (now: number) => {
      seen.push(now)
      if (!Reflect.get(window, 'enough')) requestAnimationFrame(look)
    }
    Reflect.set(window, 'enough', false)
    Reflect.set(window, 'framesSeen', seen)
    requestAnimationFrame(look)
  })
  for (let i = 0; i < MOVES; i++) {
    const turn = (i / MOVES) * 2 * Math.PI
    await page.mouse.move(from[0] + 60 * Math.sin(turn) + shift, from[1] + 60 * (1 - Math.cos(turn)))
  }
  const gaps = await page.evaluate(() => {
    Reflect.set(window, 'enough', true)
    const seen = Reflect.get(window, 'framesSeen') as number[]
    return seen.slice(1).map((now, i) => now - seen[i]!)
  })
  await page.mouse.up()
  const sorted = gaps.sort((a, b) => a - b)
  return { median: sorted[sorted.length >> 1]!, most: sorted[Math.floor(sorted.length * 0.95)]! }
}

interface Shape {
  readonly className: string
  readonly points?: () => number[]
  readonly radius?: () => number
  readonly getAbsolutePosition: () => { x: number; y: number }
  readonly id: () => string
}
interface KonvaStage {
  readonly find: (of: (shape: Shape) => boolean) => Shape[]
}

/** The same lines and rings drawn on a bare canvas, ms a time; and where a device's mark stands. */
const bare = (page: Page, markId: string) =>
  page.evaluate((id) => {
    const konva = Reflect.get(window, 'Konva') as { readonly stages: KonvaStage[] }
    const shapes = konva.stages[0]!.find(({ className }) => className === 'Line' || className === 'Circle')
    const canvas = document.createElement('canvas')
    ;[canvas.width, canvas.height] = [904, 690]
    const context = canvas.getContext('2d')!
    const drawn = shapes.map((shape) => ({
      points: shape.points?.() ?? null,
      radius: shape.radius?.() ?? 0,
      at: shape.getAbsolutePosition(),
    }))
    const times = Array.from({ length: 30 }, () => {
      const start = performance.now()
      context.clearRect(0, 0, 904, 690)
      for (const { points, radius, at } of drawn) {
        context.beginPath()
        if (points) for (let i = 0; i < points.length; i += 2) context.lineTo(points[i]!, points[i + 1]!)
        else context.arc(at.x, at.y, radius, 0, 7)
        context.stroke()
      }
      context.getImageData(0, 0, 1, 1) // drawn, not only noted down
      return performance.now() - start
    }).sort((a, b) => a - b)
    const mark = konva.stages[0]!.find((shape) => shape.id() === id)[0]?.getAbsolutePosition()
    const box = document.querySelector('[data-testid=plan]')!.getBoundingClientRect()
    return {
      ms: times[15]!,
      shapes: shapes.length,
      at: mark ? ([box.x + mark.x, box.y + mark.y] as const) : null,
    }
  }, `device:${markId}`)

async function opened(page: Page, base: string, jobId: string): Promise<number> {
  await page.goto(`${base}/jobs/${jobId}`)
  await page.waitForFunction(() => window.neatBracketTap?.done)
  const start = performance.now()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByText('Looking through every camera…').waitFor({ state: 'hidden' })
  const ms = performance.now() - start
  await page.locator('[data-testid=plan] canvas').first().waitFor()
  await page.waitForTimeout(1500)
  return ms
}

const frames = ({ median, most }: Frames) => `${median.toFixed(1)} ms a frame (95th ${most.toFixed(1)})`

/** The plan under a hand, beside a bare canvas that draws the same lines and rings. */
export async function plan(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-plan-'))
  const server = await served(folder, PORT)
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-dev-shm-usage'],
  })
  try {
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    })
    await page.addInitScript('window.__name = (named) => named') // what the compiler wraps functions in
    console.log('\nThe plan under a hand, 1280 × 800')
    for (const [name, job] of [
      ['the demo', demo],
      ['5,000 things', crowded(5000)],
    ] as const) {
      const id = await imported(server.base, job)
      const first = await opened(page, server.base, id)
      const canvas = await bare(page, 'device-08')
      const panned = await dragged(page, [120, 690])
      console.log(
        `  ${name}: first survey after ${first.toFixed(0)} ms; ${canvas.shapes} lines and rings, ` +
          `bare ${canvas.ms.toFixed(1)} ms; panning ${frames(panned)}`,
      )
      if (canvas.at && job === demo) {
        const again = (await bare(page, 'device-08')).at!
        console.log(`    a camera dragged ${frames(await dragged(page, again))}`)
      }
    }
  } finally {
    await browser.close()
    server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
