import { Fastened, Interface } from './joining'
import { named, type Asked } from './fields'

/** What is asked alike of everything that is put up with screws: cameras and mounts. */

export const SITS_ON: Asked = {
  path: 'needs',
  label: 'Sits on',
  way: { as: 'choice', options: named(...Interface.options) },
  stages: ['mount'],
  costs: 'what it fits on',
}

export const SIZE_ASKED: readonly Asked[] = [
  {
    path: 'massKg',
    label: 'Mass',
    way: { as: 'quantity', kind: 'mass' },
    stages: ['mount'],
    costs: 'the load on every fixing',
  },
  {
    path: 'baseMm',
    label: 'Base, diameter or width',
    way: { as: 'quantity', kind: 'size' },
    stages: ['mount'],
    costs: 'what it fits on, and the wind on it',
  },
]

export const SCREWS_ASKED: readonly Asked[] = [
  {
    path: 'fixing/holes',
    label: 'Fixing holes',
    way: { as: 'quantity', kind: 'count' },
    stages: ['mount'],
    costs: 'how many share the load',
  },
  {
    path: 'fixing/atLeast',
    label: 'Screws it asks for at least',
    way: { as: 'quantity', kind: 'count' },
    stages: ['mount'],
    costs: 'how many share the load',
  },
  {
    path: 'fixing/spacingMm',
    label: 'Holes apart',
    way: { as: 'quantity', kind: 'size' },
    stages: ['mount'],
    costs: 'the pull of the outer screw, and the template',
  },
]

/** `options` are the ways in which this kind can be fastened. */
export const fastenedAsked = (options: readonly (typeof Fastened.options)[number][]): Asked => ({
  path: 'fastened',
  label: 'Its screws are turned',
  way: { as: 'choice', options: named(...options) },
  stages: ['mount'],
  costs: 'the order of the work',
})
