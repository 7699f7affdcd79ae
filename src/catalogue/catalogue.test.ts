import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { fits } from '@/core/assembly'
import { testsOf } from '@/core/seal'
import { SOURCES } from '@/core/sources'
import { CAMERAS } from './cameras'
import { ACCESSORIES } from './accessories'
import { CABLES } from './cables'
import { CONDUITS } from './conduits'
import { CONNECTORS } from './connectors'
import { FIXINGS, WOODS } from './fixings'
import { MOUNTS } from './mounts'
import { SURFACES } from './surfaces'
import { EQUIPMENT } from './equipment'
import { SEALS } from './seals'
import { CATALOGUE } from '.'

const ALL = {
  CAMERAS,
  CABLES,
  CONDUITS,
  CONNECTORS,
  FIXINGS,
  WOODS,
  MOUNTS,
  SURFACES,
  SEALS,
  ACCESSORIES,
  EQUIPMENT,
}

describe('every table', () => {
  it.each(Object.entries(ALL))('%s has ids of its own and a name for each', (_, parts) => {
    expect(new Set(parts.map(({ id }) => id)).size).toBe(parts.length)
    for (const { id, name } of parts)
      expect([id, /^[a-z0-9][a-z0-9.-]*$/.test(id), name.length > 1]).toEqual([id, true, true])
  })
  it('names a source that exists wherever it gives a published figure', () => {
    for (const { id, source } of [...CABLES, ...FIXINGS, ...WOODS, ...SEALS, ...CONDUITS])
      expect([id, source in SOURCES]).toEqual([id, true])
  })
})

describe('cameras', () => {
  it.each(CAMERAS.map((camera) => [camera.id, camera] as const))(
    '%s has figures of possible size',
    (_, camera) => {
      const { sensor, lens, axisFromBaseDeg, massKg, fixing, power } = camera
      expect(sensor.widthPx / sensor.heightPx).toBeCloseTo(sensor.widthMm / sensor.heightMm, 1)
      expect(lens.focalMm[0]).toBeLessThanOrEqual(lens.focalMm[1])
      expect(axisFromBaseDeg[0]).toBeLessThanOrEqual(axisFromBaseDeg[1])
      expect(massKg).toBeGreaterThan(0.1)
      expect(fixing.atLeast).toBeLessThanOrEqual(fixing.holes)
      expect(power.poe || power.dcV !== null || power.mains).toBe(true)
      expect(power.poe || camera.cable !== 'pair').toBe(true)
    },
  )
  it('each goes onto something: a surface, or a stack that starts at one', () => {
    const reachable = new Set<string>(['surface'])
    for (let round = 0; round < MOUNTS.length; round++)
      for (const mount of MOUNTS)
        if ([...reachable].some((offers) => fits(offers as 'surface', mount.needs)))
          reachable.add(mount.offers)
    for (const { id, needs } of [...CAMERAS, ...MOUNTS])
      expect([id, [...reachable].some((offers) => fits(offers as 'surface', needs))]).toEqual([id, true])
  })
  it('each has a supply that feeds it', () => {
    for (const { id, power } of CAMERAS) {
      const fed = EQUIPMENT.some(
        ({ feeds }) =>
          (power.poe && feeds?.kind === 'poe switch') ||
          (power.dcV !== null && feeds?.kind === 'dc supply') ||
          (power.mains && feeds?.kind === 'mains'),
      )
      expect([id, fed]).toEqual([id, true])
    }
  })
})

describe('holding and closing', () => {
  it('every surface has a fixing that holds in it', () => {
    for (const { id, holding } of SURFACES)
      expect([id, FIXINGS.some(({ holdsIn }) => holdsIn.includes(holding))]).toEqual([id, true])
  })
  it('a fixing either cuts wood, and is computed, or has a value with its basis', () => {
    for (const { id, kind, pullN, rootMm, diameterMm, basis } of FIXINGS) {
      const screw = kind === 'wood screw' || kind === 'lag screw'
      expect([
        id,
        screw ? pullN === null && rootMm !== null && rootMm < diameterMm : pullN !== null && pullN > 0,
        basis.length > 10,
      ]).toEqual([id, true, true])
    }
  })
  it('every opening that needs a part has one in the catalogue that fits its hole', () => {
    for (const { id, openings } of [...CAMERAS, ...MOUNTS]) {
      for (const opening of openings) {
        if (opening.builtIn.length > 0) continue
        const part = SEALS.some(
          ({ closes, holeMm }) =>
            closes.includes(opening.kind) &&
            (holeMm === null || opening.holeMm === null || Math.abs(holeMm - opening.holeMm) <= 0.6),
        )
        expect([id, opening.key, part]).toEqual([id, opening.key, true])
      }
    }
  })
  it('every rating is understood', () => {
    const ratings = [
      ...SEALS.filter(({ id }) => id !== 'tape-plain').map(({ ratings }) => ratings),
      ...[...CAMERAS, ...MOUNTS].flatMap(({ openings }) =>
        openings.map(({ builtIn }) => builtIn).filter((list) => list.length > 0),
      ),
    ]
    for (const list of ratings) expect([list, testsOf(list).size > 0]).toEqual([list, true])
  })
  it('a seal with pieces before the plug does not also claim to pass a plug', () => {
    for (const { id, passesPlug, pieces } of SEALS)
      expect([id, passesPlug && pieces.some(({ when }) => when === 'before the plug')]).toEqual([id, false])
  })
})

describe('cables', () => {
  it('every one has a connector that takes it', () => {
    for (const cable of CABLES) {
      const suits = CONNECTORS.some(
        (c) =>
          c.takes.includes(cable.kind) &&
          c.conductor.includes(cable.conductor) &&
          (c.coax === null || c.coax === cable.coax) &&
          cable.fittingMm >= c.jacketMm[0] &&
          cable.fittingMm <= c.jacketMm[1],
      )
      expect([cable.id, suits]).toEqual([cable.id, true])
    }
  })
  /** NEC chapter 9 table 4, inside areas in square inches. */
  it.each([
    ['pvc-half', 0.285],
    ['pvc-three-quarter', 0.508],
    ['pvc-1', 0.832],
    ['pvc-2', 3.291],
    ['emt-three-quarter', 0.533],
    ['emt-1', 0.864],
  ])('conduit %s has the code’s inside area', (id, in2) => {
    expect(CATALOGUE.conduits.get(id)!.boreAreaMm2 / 645.16).toBeCloseTo(in2, 9)
  })
  /** NDS species table, specific gravity. */
  it('woods have the published specific gravities', () => {
    expect(Object.fromEntries(WOODS.map(({ id, specificGravity }) => [id, specificGravity]))).toEqual({
      'douglas-fir-larch': 0.5,
      'southern-pine': 0.55,
      'hem-fir': 0.43,
      'spruce-pine-fir': 0.42,
      'western-cedar': 0.36,
    })
  })
})

describe('the trade knows no part by its id', () => {
  /** Words that are ids too, but name a kind of end or seal, or how a cable is passed. */
  const PLAIN = new Set(['plug', 'jack', 'tape'])
  /** Old records name the parts of their day. */
  const OLD = /upgrades\.ts$/
  const files = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
      const path = `${folder}/${entry.name}`
      if (entry.isDirectory()) return files(path)
      return /\.ts$/.test(path) && !/\.test\.ts$/.test(path) && !OLD.test(path) ? [path] : []
    })
  it('what matters is a property of the part, so that a new part is judged like the others', () => {
    const ids = Object.values(CATALOGUE)
      .flatMap((table) => [...(table as ReadonlyMap<string, unknown>).keys()])
      .filter((id) => !PLAIN.has(id))
    const named = files('src/core').flatMap((path) => {
      const words = new Set(readFileSync(path, 'utf8').match(/'[^'\n]*'/g))
      return ids.filter((id) => words.has(`'${id}'`)).map((id) => `${path}: ${id}`)
    })
    expect(ids.length).toBeGreaterThan(80)
    expect(named).toEqual([])
  })
  it('every surface that is drilled or clamped has one usual fixing, and one wood is usual', () => {
    const surfaces = new Set([...CATALOGUE.surfaces.values()].map(({ holding }) => holding))
    for (const holding of surfaces) {
      const usual = FIXINGS.filter(({ usualFor }) => usualFor?.includes(holding))
      expect([holding, usual.map(({ holdsIn }) => holdsIn.includes(holding))]).toEqual([holding, [true]])
    }
    expect(WOODS.filter(({ usual }) => usual)).toHaveLength(1)
  })
})
