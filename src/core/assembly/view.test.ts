import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { assessDevice } from '../assess'
import type { Device } from '../job'
import { assemblyView } from '.'

const viewOf = (change: Partial<Device>, plannedTo: 'the end' | 'nothing' = 'the end') => {
  const of = plannedTo === 'the end' ? plannedThrough(device(change)) : device(change)
  const assessed = assessDevice(of, job({ devices: [of] }), CATALOGUE)
  return { view: assemblyView(job(), of, assessed, CATALOGUE)!, steps: assessed.steps }
}

describe('how a device goes together', () => {
  it('numbers its parts by their steps and tells what each puts out of reach', () => {
    const { view, steps } = viewOf({})
    expect(view.parts.map(({ ref, stepId }) => [ref, stepId])).toEqual([
      ['mount-0', 'mount/fix'],
      ['camera', 'mount/camera'],
    ])
    for (const { number, stepId } of view.parts) expect(steps[number! - 1]!.step.id).toBe(stepId)
    const [box, camera] = view.parts
    const idsOf = (part: typeof box) => part!.closes.map(({ number }) => steps[number - 1]!.step.id)
    expect(idsOf(box)).toEqual(['mount/wall-hole', 'seal/mount-0/entry'])
    expect(idsOf(camera)).toContain('seal/before-closing')
    expect(box!.pieces).toEqual([{ name: 'gland nut', way: 'thread toward the entry' }])
    expect(view.sentence).toMatch(/^01 Workshop doors goes together in \d+ steps\.$/)
    expect(view.weakest).toMatch(/^Weakest opening: .* of the \w+/)
  })
  it('says which part waits for another that goes on it', () => {
    const { view } = viewOf({
      cameraId: 'large-dome-4mp',
      surfaceId: 'concrete-ceiling',
      mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-hood'],
    })
    expect(view.sentence).toMatch(/; the pendant hood waits for the large dome\.$/)
    const [, , hood, dome] = view.parts
    expect(dome!.number).toBeLessThan(hood!.number!)
    expect(hood!.closes.map(({ number }) => number)).toContain(dome!.number)
  })
  it('says of parts that do not fit that they do not go together, however their steps are numbered', () => {
    const { view } = viewOf({ cameraId: 'ptz-2mp' })
    expect(view.sentence).toBe(
      '01 Workshop doors does not go together: the pan-tilt-zoom needs a pipe thread; the ' +
        'junction box offers a box lid.',
    )
    expect(viewOf({ cameraId: 'ptz-2mp', mountIds: [] }).view.sentence).toMatch(
      /; the surface offers a surface\.$/,
    )
  })
  it('shows what stays as it was made, its number that of the look over it', () => {
    const { view, steps } = viewOf({ partsKept: 1 })
    const [box, camera] = view.parts
    expect([box!.name, box!.stepId, steps[box!.number! - 1]!.step.id]).toEqual([
      'Junction box, 120 mm, stays',
      'mount/kept-parts',
      'mount/kept-parts',
    ])
    expect(box!.openings.map(({ rating, old }) => [/ when new$/.test(rating), old])).toEqual(
      box!.openings.map(() => [true, true]),
    )
    expect(camera!.openings.map(({ old }) => old)).not.toContain(true)
    expect(view.sentence).toMatch(/goes together/)
  })
  it('says of a device in the dry that nothing has to keep water out', () => {
    const dry = { exposure: 'dry indoors', cameraId: 'mini-dome-2mp', mountIds: [] } as const
    expect(viewOf({ ...dry, mountIds: [] }).view.weakest).toBe('No opening of it has to keep water out.')
  })
  it('shows parts as chosen while nothing is planned, and nothing where a part is lacking', () => {
    const { view } = viewOf({}, 'nothing')
    expect(view.sentence).toMatch(/is not planned yet: its parts are shown as chosen\.$/)
    expect(view.weakest).toBe('No opening is judged yet: plan its seals.') // proposed seals are not judged
    expect(view.parts.flatMap(({ openings }) => openings)).toEqual([])
    expect(view.parts.every(({ number, closes }) => number === null && closes.length === 0)).toBe(true)
    const gone = device({ cameraId: 'gone' })
    expect(assemblyView(job(), gone, assessDevice(gone, job(), CATALOGUE), CATALOGUE)).toBeNull()
  })
})
