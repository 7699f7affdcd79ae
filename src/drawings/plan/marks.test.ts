import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { thing } from '@/testing/anyThing'
import { device } from '@/testing/jobs'
import { wall } from '@/testing/plans'
import { deviceMarks, standingOn } from './devices'
import { toScreen } from './view'
import { marksOf, weightAt } from './things'
import { standOf } from './written'

const view = { perMetre: 9, x0: 0, y0: 0 }

describe('what a plan is drawn with', () => {
  it('everything drawn has finite places, and can be taken by its id', () =>
    fc.assert(
      fc.property(thing, fc.boolean(), (one, selected) => {
        const marks = marksOf(one, { id: `thing:${one.id}`, view, selected })
        expect(marks.some((mark) => 'id' in mark && mark.id === `thing:${one.id}`)).toBe(true)
        expect(JSON.stringify(marks)).not.toMatch(/null|NaN/)
      }),
    ))
  it('lines thin from afar and grow from near, within bounds', () => {
    const weights = [0.5, 2, 9, 30, 400].map((perMetre) => weightAt({ perMetre }))
    expect(weights).toEqual([...weights].sort((a, b) => a - b))
    expect([weights[0], weights[2], weights[4]]).toEqual([0.6, 1, 1.5])
    const heavy = (perMetre: number) => {
      const [line] = marksOf(wall(0, 0, 4, 0), { id: 'w', view: { ...view, perMetre }, selected: false })
      return (line as { wide: number }).wide
    }
    expect(heavy(9)).toBe(3)
    expect(heavy(2)).toBeLessThan(2.2)
  })
  it('a low wall is dashed, one that nobody looks over is not', () => {
    const dashed = (heightM: number) =>
      'dash' in marksOf(wall(0, 0, 4, 0, { heightM }), { id: 'w', view, selected: false })[0]!
    expect([dashed(1.99), dashed(2), dashed(2.01)]).toEqual([true, false, false])
  })
})

describe('a device on the plan', () => {
  const place = { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
  const sight = { wish: { at: null }, place } as never
  const standing = (change: Partial<Parameters<typeof deviceMarks>[0]> = {}) =>
    deviceMarks({
      device: device({ id: 'd', mark: '07', sight }),
      place,
      view,
      stands: [0, 0],
      half: 30,
      selected: false,
      aimed: false,
      verdict: 'good',
      faults: 0,
      infraredM: 0,
      ...change,
    })
  const corners = (verdict: 'check' | 'stop') =>
    standing({ verdict }).flatMap((mark) =>
      mark.is === 'line' && mark.fill === verdict ? [mark.spots.length] : [],
    )
  it('Check is a triangle and Stop a square; what is good has neither', () => {
    expect(corners('check')).toEqual([3])
    expect(corners('stop')).toEqual([4])
    expect(standing().some((mark) => mark.is === 'line' && mark.closed)).toBe(false)
  })
  it('what leads to a mark beside its spot is drawn below the mark that covers the spot', () => {
    const at = (id: string, x: number) =>
      device({ id, mark: id, sight: { ...(sight as object), place: { ...place, x } } as never })
    const devices = [at('first', 0), at('second', 0), at('third', 9), at('dot', 20)]
    const stand = standOf(devices.slice(0, 3), 'ground', view, [])
    expect(standingOn(devices, 'ground', view, stand).map(({ device: { id } }) => id)).toEqual([
      'dot',
      'second',
      'first',
      'third',
    ])
  })
  it('where it has no room it is one sign alone on its own spot, taken as the device', () => {
    for (const [verdict, is] of [
      ['good', 'circle'],
      ['check', 'line'],
      ['stop', 'line'],
    ] as const) {
      const [only, ...more] = standing({ stands: null, verdict })
      expect([more, only!.is, 'id' in only! && only.id]).toEqual([[], is, 'device:d'])
      if (only?.is === 'circle') expect(only.at).toEqual(toScreen(view, place))
    }
  })
  it('its mark stands where it is put, with a leader only where that is aside', () => {
    const leaders = (stands: readonly [number, number]) =>
      standing({ stands, aimed: true }).filter((mark) => mark.is === 'line').length
    expect([leaders([0, 0]), leaders([1, 0]), leaders([1.01, 0])]).toEqual([0, 0, 1])
    const [mark] = standing({ stands: [30, 0] }).filter((one) => one.is === 'letters')
    expect(mark).toMatchObject({ at: [30, 0], words: '07' })
  })
  it('looks to where it is turned: up the sheet at 0°', () => {
    const [look] = standing().filter((mark) => mark.is === 'line')
    const [left, at, right] = look!.spots
    expect(at).toEqual([0, 0])
    expect(left![1]).toBeCloseTo(-26 * Math.cos(Math.PI / 6), 6)
    expect(right![0]).toBeCloseTo(13, 6)
  })
  it('open faults are counted, and nothing is said of none', () => {
    const said = (faults: number) =>
      standing({ faults }).flatMap((mark) => (mark.is === 'letters' ? [mark.words] : []))
    expect([said(0), said(3)]).toEqual([['07'], ['07', '3']])
  })
})
