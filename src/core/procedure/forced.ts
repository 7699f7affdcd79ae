import { finding, type Finding } from '../findings'
import { inOrder, type Before, type BeforeLast, type Ordered } from '../order'
import { text } from '../units'
import type { Fact } from './fact'
import { rankOf } from './phases'
import type { Because, Step } from './step'
import type { Task } from './task'

/** Tasks as steps in their forced order, and what no order could meet. */
export interface Forced {
  readonly steps: readonly Step[]
  readonly contradictions: readonly (readonly Told[])[]
}

/** A constraint between two steps by their titles. */
export interface Told {
  readonly first: string
  readonly then: string
  readonly because: string
  readonly wayOut: string | null
}

/** Puts tasks in order; each step tells what holds it in its place. Pure and total. */
export function inForcedOrder(tasks: readonly Task[]): Forced {
  const { order, contradictions } = ordered(tasks)
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const title = (id: string) => byId.get(id)!.title
  const told = ({ first, then, because, wayOut }: Before): Told => ({
    first: title(first),
    then: title(then),
    because,
    wayOut: wayOut ?? null,
  })
  return {
    steps: order.map(({ id, after, before }) => {
      const because: Because[] = []
      const add = (when: Because['when'], stepId: string, { because: why, force }: Before) =>
        because.push({ when, stepId, title: title(stepId), why, force })
      if (before) add('before', before.then, before)
      if (after) add('after', after.first, after)
      return stepOf(byId.get(id)!, because)
    }),
    // A habit that cannot be kept gives way: it stops nobody.
    contradictions: contradictions
      .filter((circle) => circle.every(({ force }) => force !== 'habit'))
      .map((circle) => circle.map(told)),
  }
}

function stepOf(task: Task, because: readonly Because[]): Step {
  const { phase: _, gives: _gives, after: _after, before: _before, reach: _reach, ...step } = task
  return { ...step, because }
}

/** The constraints between tasks that what they bring about and need comes to. */
function ordered(tasks: readonly Task[]): Ordered {
  const bringing = new Map<Fact, string[]>()
  for (const { id, gives } of tasks)
    for (const fact of gives) bringing.set(fact, [...(bringing.get(fact) ?? []), id])
  const of = (fact: Fact): readonly string[] => bringing.get(fact) ?? []
  const befores: Before[] = []
  const lasts: BeforeLast[] = []
  for (const { id, phase, place, after, before, reach } of tasks) {
    for (const { fact, because, force = 'craft', wayOut } of after)
      for (const first of of(fact))
        befores.push({ first, then: id, because, force, ...(wayOut && { wayOut }) })
    for (const { fact, because, force = 'craft', wayOut } of before)
      for (const then of of(fact))
        befores.push({ first: id, then, because, force, ...(wayOut && { wayOut }) })
    for (const { closings, because } of reach) {
      const closing = closings.flatMap(of)
      if (closing.length > 0) lasts.push({ first: id, closings: closing, because, force: 'reach' })
    }
    if (place === 'at the device' && rankOf(phase) > rankOf('reach'))
      for (const first of of('way up'))
        befores.push({ first, then: id, because: 'It is done up there.', force: 'craft' })
  }
  const items = tasks.map(({ id, place, phase }) => ({ id, place, rank: rankOf(phase) }))
  return inOrder(items, befores, lasts)
}

/** What no order meets, as a Stop with its ways out. */
export function contradictionFinding(circle: readonly Told[], index: number): Finding {
  const ways = circle.flatMap(({ wayOut }) => (wayOut === null ? [] : [wayOut]))
  return finding('mount', index === 0 ? 'order' : `order-${index}`, {
    verdict: 'stop',
    title: 'The steps wait for each other',
    short: 'steps wait for each other',
    figure: text([...new Set(circle.map(({ first }) => first))].join(' ↔ ')),
    limit: null,
    reason: circle
      .map(({ first, then, because }) => `"${first}" comes before "${then}": ${because}`)
      .join(' '),
    source: 'catalogue',
    advice:
      ways.length > 0 ? [...new Set(ways)].join(' ') : 'Choose other parts, or another way for the cable.',
  })
}
