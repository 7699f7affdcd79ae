import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { assessDevice } from '../assess'
import { calledIn, firstMisfit } from '.'

it('fits parts by interface', () => {
  const stack = (camera: string, ...mounts: string[]) =>
    firstMisfit({
      mounts: mounts.map((id) => CATALOGUE.mounts.get(id)!),
      camera: CATALOGUE.cameras.get(camera)!,
    })?.part ?? null
  expect(stack('turret-5mp-2.8', 'ceiling-plate', 'pendant-rod-500', 'pendant-box')).toBeNull()
  expect(stack('large-dome-4mp', 'pole-adapter', 'wall-arm', 'pendant-hood')).toBeNull()
  expect(stack('box-4mp-5-50', 'housing-bracket', 'outdoor-housing')).toBeNull()
  expect(stack('box-4mp-5-50', 'housing-bracket')).toBe('Box camera, 4 MP, 5–50 mm')
  expect(stack('ptz-2mp')).toBe('Pan-tilt-zoom, 2 MP, 5–50 mm')
})

it('what is advised to be put between fits, and where nothing does that is said', () => {
  let named = 0
  for (const camera of CATALOGUE.cameras.values())
    for (const first of [null, ...CATALOGUE.mounts.keys()]) {
      const advised = (mountIds: string[]) => {
        const of = plannedThrough(device({ cameraId: camera.id, mountIds }))
        return (
          assessDevice(of, job(), CATALOGUE).findings.find(({ id }) => id === 'mount/stack')?.advice ?? null
        )
      }
      const mountIds = first === null ? [] : [first]
      const advice = advised(mountIds)
      const name = /^Put the (.+) between\.$/.exec(advice ?? '')?.[1]
      if (advice === null || !name) {
        if (advice !== null) expect(advice).toMatch(/^No part here goes between:/)
        continue
      }
      named++
      const between = [...CATALOGUE.mounts.values()].find((part) => calledIn(part.name) === name)!
      const stack = { mounts: mountIds.map((id) => CATALOGUE.mounts.get(id)!), camera }
      const after = stack.mounts.findIndex((part) => part.name === firstMisfit(stack)!.part)
      expect([
        mountIds,
        advised(mountIds.toSpliced(after < 0 ? mountIds.length : after, 0, between.id)),
      ]).toEqual([mountIds, null])
    }
  expect(named).toBeGreaterThan(20)
})
