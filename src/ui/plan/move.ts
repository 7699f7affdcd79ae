import type { PlanPoint } from '@/core/geometry'
import type { PlanThing } from '@/core/job'

/** A thing carried along by so much. */
export function moved(thing: PlanThing, dx: number, dy: number): PlanThing {
  const by = ({ x, y }: PlanPoint) => ({ x: tidy(x + dx), y: tidy(y + dy) })
  switch (thing.kind) {
    case 'wall':
    case 'soffit':
      return { ...thing, from: by(thing.from), to: by(thing.to) }
    case 'obstacle':
      return {
        ...thing,
        form:
          thing.form.is === 'round'
            ? { ...thing.form, at: by(thing.form.at) }
            : { ...thing.form, outline: thing.form.outline.map(by) },
      }
    case 'walk':
      return { ...thing, path: thing.path.map(by) }
    case 'target':
    case 'head end':
      return { ...thing, at: by(thing.at) }
    default:
      return { ...thing, outline: thing.outline.map(by) }
  }
}

/** The corners of a thing that can be taken by the hand. */
export function corners(thing: PlanThing): readonly PlanPoint[] {
  switch (thing.kind) {
    case 'wall':
    case 'soffit':
      return [thing.from, thing.to]
    case 'obstacle':
      return thing.form.is === 'round'
        ? [{ x: thing.form.at.x + thing.form.radiusM, y: thing.form.at.y }]
        : thing.form.outline
    case 'walk':
      return thing.path
    case 'target':
    case 'head end':
      return []
    default:
      return thing.outline
  }
}

/** A thing with one of its corners put elsewhere; the corner of a round obstacle is its rim. */
export function withCorner(thing: PlanThing, index: number, at: PlanPoint): PlanThing {
  const put = (points: readonly PlanPoint[]) =>
    points.map((point, i) => (i === index ? { x: at.x, y: at.y } : point))
  switch (thing.kind) {
    case 'wall':
    case 'soffit':
      return index === 0 ? { ...thing, from: { ...at } } : { ...thing, to: { ...at } }
    case 'obstacle':
      return {
        ...thing,
        form:
          thing.form.is === 'round'
            ? {
                ...thing.form,
                radiusM: Math.max(0.02, Math.hypot(at.x - thing.form.at.x, at.y - thing.form.at.y)),
              }
            : { ...thing.form, outline: put(thing.form.outline) },
      }
    case 'walk':
      return { ...thing, path: put(thing.path) }
    case 'target':
    case 'head end':
      return { ...thing, at: { ...at } }
    default:
      return { ...thing, outline: put(thing.outline) }
  }
}

const tidy = (value: number) => Math.round(value * 1e6) / 1e6
