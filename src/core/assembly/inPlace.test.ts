import { expect, it } from 'vitest'
import { CATALOGUE, KITS } from '@/catalogue'
import { firstMisfit, inPlaceOf } from '.'

const stackOf = ({ mountIds, cameraId }: { mountIds: readonly string[]; cameraId: string }) => ({
  mounts: mountIds.map((id) => CATALOGUE.mounts.get(id)!),
  camera: CATALOGUE.cameras.get(cameraId)!,
})

it('whatever is offered goes together with the rest of the stack, and what goes together is offered', () => {
  let offered = 0
  for (const { choice } of KITS) {
    const stack = stackOf(choice)
    for (const [i, there] of stack.mounts.entries()) {
      const candidates = inPlaceOf(stack, `mount-${i}`, CATALOGUE)
      expect(candidates.find(({ id }) => id === there.id)?.why).toBeNull()
      for (const { id, why } of candidates) {
        const part = CATALOGUE.mounts.get(id)!
        const together = firstMisfit({ ...stack, mounts: stack.mounts.with(i, part) }) === null
        const hangs = part.coversCamera !== true || i > 0
        expect([choice.mountIds, id, why === null]).toEqual([choice.mountIds, id, together && hangs])
        if (why === null) offered++
      }
    }
    for (const { id, why } of inPlaceOf(stack, 'camera', CATALOGUE)) {
      const camera = CATALOGUE.cameras.get(id)!
      const goes = firstMisfit({ ...stack, camera }) === null && camera.cable === stack.camera.cable
      expect([choice.mountIds, id, why === null]).toEqual([choice.mountIds, id, goes])
    }
  }
  expect(offered).toBeGreaterThan(KITS.length)
})

it('what does not fit says which face is wanted and which is there', () => {
  const stack = stackOf({
    mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'],
    cameraId: 'large-dome-4mp',
  })
  const why = (ref: string, id: string) => inPlaceOf(stack, ref, CATALOGUE).find((one) => one.id === id)!.why
  expect(why('mount-2', 'junction-box')).toMatch(/^It (needs|offers) a /)
  expect(why('camera', 'analogue-bullet-2mp')).not.toBeNull()
  expect(inPlaceOf(stack, 'mount-9', CATALOGUE)).toEqual([])
  expect(inPlaceOf(stack, 'somewhere', CATALOGUE)).toEqual([])
})
