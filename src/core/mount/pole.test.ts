import fc from 'fast-check'
import { lusolve, matrix, subset, index } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { bandLengthMm, bentByForce, bentByWind, stiffnessNm2, tubeInertiaM4 } from '.'

const TUBE = { material: 'steel' as const, diameterMm: 114.3, wallMm: 3.6, heightM: 4 }

describe('a pole as a beam', () => {
  /**
   * Steel tube 114.3 × 3.6 mm: I = 1.92×10⁻⁶ m⁴; E 200 GPa, 58.85 N at 4 m → 3.27 mm, slope 0.070° (beam
   * theory, handbook tables).
   */
  it('bends as the handbook has it', () => {
    expect(tubeInertiaM4(TUBE) * 1e6).toBeCloseTo(1.92, 2)
    const { deflectionM, slopeRad } = bentByForce(58.85, 4, stiffnessNm2(TUBE))
    expect(deflectionM * 1000).toBeCloseTo(3.27, 2)
    expect((slopeRad * 180) / Math.PI).toBeCloseTo(0.07, 3)
  })
  it('has the section that summing thin rings gives', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 400, noNaN: true }),
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        (diameterMm, share) => {
          const wallMm = diameterMm * share
          const [outer, inner] = [diameterMm / 2000, Math.max(0, diameterMm / 2 - wallMm) / 1000]
          let sum = 0
          const rings = 2000
          for (let i = 0; i < rings; i++) {
            const r = inner + ((outer - inner) * (i + 0.5)) / rings
            sum += Math.PI * r ** 3 * ((outer - inner) / rings) // a ring's second moment: half of 2πr·dr·r²
          }
          expect(tubeInertiaM4({ diameterMm, wallMm }) / sum).toBeCloseTo(1, 4)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('bends under force and wind as a general matrix library solves it, element by element', () => {
    // A cantilever of twenty two-node beam elements; unknown are the deflection and slope of every node but
    // the foot.
    const [elements, heightM, stiffness, forceN, loadNm] = [20, 6, 3.8e5, 40, 12]
    const l = heightM / elements
    const size = 2 * elements
    const k = Array.from({ length: size }, () => new Array<number>(size).fill(0))
    const f = new Array<number>(size).fill(0)
    const own = [
      [12, 6 * l, -12, 6 * l],
      [6 * l, 4 * l * l, -6 * l, 2 * l * l],
      [-12, -6 * l, 12, -6 * l],
      [6 * l, 2 * l * l, -6 * l, 4 * l * l],
    ]
    const even = [(loadNm * l) / 2, (loadNm * l * l) / 12, (loadNm * l) / 2, (-loadNm * l * l) / 12]
    for (let e = 0; e < elements; e++) {
      for (let i = 0; i < 4; i++) {
        const row = 2 * e + i - 2
        if (row < 0) continue
        f[row]! += even[i]!
        for (let j = 0; j < 4; j++) {
          const column = 2 * e + j - 2
          if (column >= 0) k[row]![column]! += (stiffness / l ** 3) * own[i]![j]!
        }
      }
    }
    const at = 15 // the node the camera hangs from, at 4.5 m
    f[2 * at - 2]! += forceN
    const solved = lusolve(matrix(k), matrix(f))
    const [deflectionM, slopeRad] = [
      subset(solved, index(2 * at - 2, 0)),
      subset(solved, index(2 * at - 1, 0)),
    ] as unknown as [number, number]
    const [byForce, byWind] = [
      bentByForce(forceN, 4.5, stiffness),
      bentByWind(loadNm, heightM, 4.5, stiffness),
    ]
    expect(byForce.deflectionM + byWind.deflectionM).toBeCloseTo(deflectionM, 9)
    expect(byForce.slopeRad + byWind.slopeRad).toBeCloseTo(slopeRad, 9)
  })
  it('takes a band once round and its tail', () => expect(bandLengthMm(114.3)).toBeCloseTo(359.1 + 100, 1))
})
