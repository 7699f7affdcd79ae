import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import type { Mount, Route } from './job'
import { bitMm, ladder, mountFacts, pilotMm } from './mount'
import { resolve } from './parts'
import { POE_CLASSES, powerAtEnd, voltsAtLoad } from './power'
import { allowedM, cutM, installedM, lengthItems, lengthUsedM } from './route'
import { assessSeal, covers, proposeSeal, testsOf } from './seal'
import { densityAt, imagerOf, project } from './sight'
import { ohmPerKm, pairLoopOhm } from './terminate'
import { device, job } from '@/testing/jobs'

/** Laws that hold whatever the numbers: more of a bad thing is never better. */

const context = (change: Parameters<typeof device>[0] = {}) => {
  const found = resolve(device(change), job(), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const mount = (change: Partial<Mount> = {}): Mount => ({
  fixingId: 'screw-8',
  fixingCount: 4,
  woodId: 'hem-fir',
  threadInWoodMm: 25,
  makersPullN: null,
  passage: 'bare cable',
  tethered: false,
  backed: false,
  edgeMm: null,
  slotMm: null,
  hole: 'new',
  holeMm: null,
  pole: null,
  ...change,
})
const route = (lengthM: number, temperatureC = 20, riseM = 0): Route => ({
  segments: [
    { id: 'a', space: 'trunking indoors', lengthM, riseM, temperatureC, conduitId: null, conduitName: '' },
  ],
  laid: 'new' as const,
  cordsM: 2,
  forced: null,
  lead: null,
})

describe('mount', () => {
  it('the pull on the top fixings is what balances the moment about the lower ones', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('junction-box', 'corner-adapter', 'housing-bracket', 'surface-hood'),
        fc.integer({ min: 2, max: 12 }),
        (base, fixingCount) => {
          const c = context({ surfaceId: 'brick', mountIds: [base] })
          const facts = mountFacts(c, mount({ fixingId: 'plug-6', fixingCount }))
          // The middle of mass of plate and camera together, as a scale would find it.
          const [part, camera] = [c.mounts[0]!, c.camera]
          const leverM =
            (part.massKg * part.reachMm * 0.5 + camera.massKg * (part.reachMm + camera.depthMm * 0.5)) /
            (part.massKg + camera.massKg) /
            1000
          const turning = facts.loadN * leverM
          const holding = facts.pullN * Math.floor(fixingCount / 2) * (facts.spacingMm / 1000)
          expect(holding / turning).toBeCloseTo(1, 9)
        },
      ),
    )
  })
  it('more thread, denser wood and a dry place never hold less', () => {
    fc.assert(
      fc.property(real(1, 27), real(0.1, 10), (thread, more) => {
        const holds = (change: Partial<Mount>, exposure: 'dry indoors' | 'marine' = 'dry indoors') =>
          mountFacts(context({ exposure }), mount(change)).capacityN
        expect(holds({ threadInWoodMm: thread + more })).toBeGreaterThanOrEqual(
          holds({ threadInWoodMm: thread }),
        )
        expect(holds({ woodId: 'douglas-fir-larch', threadInWoodMm: thread })).toBeGreaterThan(
          holds({ woodId: 'western-cedar', threadInWoodMm: thread }),
        )
        expect(holds({ threadInWoodMm: thread })).toBeGreaterThan(holds({ threadInWoodMm: thread }, 'marine'))
      }),
    )
  })
  it('the maker’s own figure decides where it is given', () =>
    expect(
      mountFacts(context({ surfaceId: 'brick' }), mount({ fixingId: 'plug-6', makersPullN: 1234 })).capacityN,
    ).toBe(1234))
  it('a bit for a pilot is never larger than asked, for a clear hole never smaller', () => {
    fc.assert(
      fc.property(real(1.5, 70), fc.constantFrom('metric' as const, 'imperial' as const), (mm, units) => {
        expect(bitMm(mm, 'pilot', units)).toBeLessThanOrEqual(mm + 1e-9)
        expect(bitMm(mm, 'clear', units)).toBeGreaterThanOrEqual(mm - 1e-9)
      }),
    )
  })
  it('a pilot is smaller than the root of its screw in any wood', () => {
    for (const fixing of CATALOGUE.fixings.values()) {
      for (const wood of CATALOGUE.woods.values()) {
        const pilot = pilotMm(fixing, wood.specificGravity)
        if (pilot !== null) expect(pilot).toBeLessThan(fixing.rootMm!)
      }
    }
  })
  it('a ladder, its foot and its top make a right angle', () => {
    fc.assert(
      fc.property(real(0.5, 12), (height) => {
        const { workingLengthM, footM } = ladder(height)
        expect(Math.hypot(height, footM)).toBeCloseTo(workingLengthM, 9)
        expect(workingLengthM / footM).toBeCloseTo(4, 9)
      }),
    )
  })
})

describe('route', () => {
  it('what is cut is never less than what is installed, and the items add up to it', () => {
    fc.assert(
      fc.property(real(0, 300), real(-30, 30), (length, rise) => {
        const items = lengthItems(context(), route(length, 20, rise))
        expect(cutM(items)).toBeGreaterThanOrEqual(installedM(items))
        expect(items.reduce((sum, { lengthM }) => sum + lengthM, 0)).toBeCloseTo(cutM(items), 9)
        expect(items.every(({ lengthM }) => lengthM > 0)).toBe(true)
      }),
    )
  })
  it('a drop costs as much cable as a rise', () => {
    fc.assert(
      fc.property(real(0, 60), real(0, 30), (length, rise) => {
        expect(cutM(lengthItems(context(), route(length, 20, rise)))).toBeCloseTo(
          cutM(lengthItems(context(), route(length, 20, -rise))),
          9,
        )
      }),
    )
  })
  it('warmer never lets a run be longer, a screen never shorter', () => {
    fc.assert(
      fc.property(real(-20, 80), real(0, 20), real(1, 90), (t, more, length) => {
        expect(allowedM(t + more, false)).toBeLessThanOrEqual(allowedM(t, false))
        expect(allowedM(t, true)).toBeGreaterThanOrEqual(allowedM(t, false))
        const used = (temperatureC: number) =>
          lengthUsedM([{ lengthM: length, temperatureC }], { screened: false })
        expect(used(t + more)).toBeGreaterThanOrEqual(used(t) - 1e-9)
      }),
    )
  })
})

describe('power', () => {
  it('a longer or thinner cable never brings more volts, a smaller load never fewer', () => {
    fc.assert(
      fc.property(real(10, 60), real(0.5, 40), real(0, 10), real(0, 5), (source, load, ohm, more) => {
        const at = (w: number, r: number) => voltsAtLoad(source, w, r) ?? 0
        expect(at(load, ohm + more)).toBeLessThanOrEqual(at(load, ohm) + 1e-9)
        expect(at(load / 2, ohm)).toBeGreaterThanOrEqual(at(load, ohm) - 1e-9)
        expect(at(load, 0)).toBeCloseTo(source, 9)
      }),
    )
  })
  /**
   * IEEE 802.3: the device power of a class never exceeds what its worst circuit leaves of the source
   * power.
   */
  it('no class promises more at the camera than its own circuit leaves', () => {
    // the table rounds to a tenth of a watt
    for (const { sourceW, sourceV, circuitOhm, deviceW, poeClass } of POE_CLASSES)
      expect([poeClass, powerAtEnd(sourceW, sourceV, circuitOhm) >= deviceW - 0.07]).toEqual([poeClass, true])
  })
  it('copper gains 0.39 % a degree and a loop is there and back', () => {
    fc.assert(
      fc.property(fc.constantFrom(18, 22, 23, 24, 26), real(1, 200), real(-20, 70), (awg, length, t) => {
        expect(ohmPerKm(awg, t + 1) - ohmPerKm(awg, t)).toBeCloseTo(ohmPerKm(awg) * 0.0039, 9)
        expect(pairLoopOhm(awg, length, t)).toBeCloseTo((2 * ohmPerKm(awg, t) * length) / 1000, 9)
      }),
    )
  })
})

describe('seal', () => {
  const cable = fc.constantFrom(...CATALOGUE.cables.keys())
  const exposure = fc.constantFrom(
    'dry indoors' as const,
    'under a soffit' as const,
    'open weather' as const,
    'marine' as const,
    'buried or flooding' as const,
  )
  it('what is proposed fits: a Stop is left only where the catalogue has nothing that does', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CATALOGUE.cameras.keys()),
        cable,
        exposure,
        fc.constantFrom<string[]>([], ['junction-box'], ['wall-arm', 'pendant-hood']),
        (cameraId, cableId, where, mountIds) => {
          const c = context({ cameraId, cableId, exposure: where, mountIds })
          const { findings } = assessSeal(c, proposeSeal(c))
          for (const { id } of findings.filter(({ verdict }) => verdict === 'stop'))
            expect(id).toMatch(/^seal\/(open|built-in):/)
        },
      ),
    )
  })
  it('the link named weakest is one that fails whenever any fails', () => {
    fc.assert(
      fc.property(
        exposure,
        fc.subarray(['mount-0/entry', 'mount-0/spare', 'mount-0/edge']),
        (where, left) => {
          const c = context({ exposure: where })
          const choices = proposeSeal(c).choices.map((choice) =>
            left.includes(choice.opening) ? { ...choice, sealId: null } : choice,
          )
          const { drawing } = assessSeal(c, { choices })
          const failing = drawing.links.filter(({ holds }) => !holds).map(({ ref }) => ref)
          if (failing.length > 0) expect(failing).toContain(drawing.weakest)
        },
      ),
    )
  })
  it('a rating that passed a test has passed every lower one up to jets', () => {
    for (let digit = 1; digit <= 6; digit++)
      expect(
        covers(
          testsOf([`IP6${digit}`]),
          Array.from({ length: digit }, (_, i) => i + 1),
        ),
      ).toBe(true)
  })
})

describe('sight', () => {
  const camera = CATALOGUE.cameras.get('bullet-4mp-vf')!
  it('turning the camera and its target together changes nothing', () => {
    fc.assert(
      fc.property(real(-180, 180), real(0, 60), real(3, 40), (panDeg, tiltDeg, distance) => {
        const imager = imagerOf(camera, 4, false)
        const at = (pan: number) => ({
          x: distance * Math.sin((pan * Math.PI) / 180),
          y: distance * Math.cos((pan * Math.PI) / 180),
          z: 1.6,
        })
        const pose = (pan: number) => ({ x: 0, y: 0, z: 3, panDeg: pan, tiltDeg, rollDeg: 0 })
        expect(densityAt(imager, pose(panDeg), at(panDeg))).toBeCloseTo(densityAt(imager, pose(0), at(0)), 5)
      }),
    )
  })
  it('rolling turns the picture about its middle and moves nothing on the axis', () => {
    fc.assert(
      fc.property(real(-45, 45), (rollDeg) => {
        const imager = imagerOf(camera, 4, false)
        const pose = { x: 0, y: 0, z: 3, panDeg: 0, tiltDeg: 0, rollDeg }
        const middle = project(imager, pose, { x: 0, y: 10, z: 3 })!
        expect([middle.u, middle.v]).toEqual([
          expect.closeTo(imager.widthPx / 2, 6),
          expect.closeTo(imager.heightPx / 2, 6),
        ])
        const aside = project(imager, pose, { x: 2, y: 10, z: 3 })!
        const ratio = imager.focalPxY / imager.focalPxX
        expect(Math.hypot((aside.u - middle.u) * ratio, aside.v - middle.v)).toBeCloseTo(
          (imager.focalPxY * 2) / 10,
          4,
        )
      }),
    )
  })
  it('nothing behind a pinhole is pictured', () =>
    expect(
      project(
        imagerOf(camera, 4, false),
        { x: 0, y: 0, z: 3, panDeg: 0, tiltDeg: 0, rollDeg: 0 },
        { x: 0, y: -1, z: 3 },
      ),
    ).toBeNull())
})
