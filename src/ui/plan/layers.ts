'use client'

import { useMemo, useSyncExternalStore } from 'react'
import { z } from 'zod'
import type { ThingName } from '@/core/plan'
import { OF_CABLES, SEEN, type Seen } from '@/drawings/plan'
import { useAuthor } from '../job/author'

/** What else may lie on the plan, from the undermost to the uppermost, and whether it does at first. */
export const SWITCHES = {
  background: { label: 'Drawing under it', at: true },
  grid: { label: 'Grid', at: true },
  floors: { label: 'Other floors, faint', at: false },
  things: { label: 'Walls and things', at: true },
  areas: { label: 'Areas and privacy', at: true },
  cable: { label: 'Pathways and cable', at: true },
  sun: { label: 'Sun now', at: false },
  infrared: { label: 'Infrared', at: false },
  faults: { label: 'Open faults', at: true },
  names: { label: 'Names and figures', at: true },
} as const
export type Switch = keyof typeof SWITCHES

const AREAS: ReadonlySet<ThingName> = new Set(['area', 'privacy', 'premises', 'target', 'walk'])

/** Which layer a kind of thing lies in. */
export function layerOf(kind: ThingName): Switch {
  if (AREAS.has(kind)) return 'areas'
  return OF_CABLES.has(kind) ? 'cable' : 'things'
}

const Layers = z.object({
  seen: z.enum(Object.keys(SEEN) as Seen[]).catch('density'),
  /** Looked at where faces are, not on the ground. */
  faces: z.boolean().catch(false),
  ...(Object.fromEntries(
    Object.entries(SWITCHES).map(([name, { at }]) => [name, z.boolean().catch(at)]),
  ) as Record<Switch, z.ZodCatch<z.ZodBoolean>>),
})
export type Layers = z.infer<typeof Layers>

const keyOf = (person: string) => `neat-bracket-layers:${person}`
const listeners = new Set<() => void>()
const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

function read(words: string | null): Layers {
  try {
    return Layers.parse(JSON.parse(words ?? '{}'))
  } catch {
    return Layers.parse({})
  }
}

/** Which layers a person looks at; kept on this device for whoever works with it. */
export function useLayers(): { readonly layers: Layers; readonly show: (change: Partial<Layers>) => void } {
  const person = useAuthor()
  const words = useSyncExternalStore(
    subscribe,
    () => window.localStorage.getItem(keyOf(person)),
    () => null,
  )
  return useMemo(() => {
    const layers = read(words)
    const show = (change: Partial<Layers>) => {
      const now = read(window.localStorage.getItem(keyOf(person)))
      window.localStorage.setItem(keyOf(person), JSON.stringify({ ...now, ...change }))
      for (const listener of listeners) listener()
    }
    return { layers, show }
  }, [words, person])
}
