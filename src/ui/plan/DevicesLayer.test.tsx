import type { ReactElement } from 'react'
import { expect, it } from 'vitest'
import { device, plannedThrough } from '@/testing/jobs'
import type { Floor } from '@/core/job'
import { Devices, DevicesBeyond } from './DevicesLayer'
import type { Inks } from './shapes/marks'

const { sight } = plannedThrough(device())
const at = (id: string, floor: Floor | null, state: 'new' | 'taken away' = 'new') =>
  device({
    ...{ id, mark: id, state },
    sight: { ...sight!, place: floor && { floor, x: 1, y: 1, panDeg: 0, rollDeg: 0, locked: false } },
  })

it('devices of the other floors show their marks, and only theirs', () => {
  const layers = DevicesBeyond.type({
    devices: [
      at('here', 'ground'),
      at('up', 'upper'),
      at('top', 'roof'),
      at('gone', 'roof', 'taken away'),
      at('none', null),
    ],
    floor: 'ground',
    view: { x0: 0, y0: 100, perMetre: 10 },
    ink: {} as Inks,
    halfFov: () => 30,
  }) as ReactElement<Parameters<typeof Devices>[0]>[]
  const shown = layers.flatMap(({ props }) =>
    (Devices(props) as (ReactElement<{ device: { id: string } }> | null)[]).flatMap(
      (one) => one?.props.device.id ?? [],
    ),
  )
  expect(shown).toEqual(['up', 'top'])
})
