import type { Catalogue } from '@/core/parts'
import { CARRIES, type Carried } from '@/core/run'
import type { Option } from '../kit/Choose'

/** Cables that carry it, and connectors that it ends in: what does not fit is not offered. */

export function cablesFor(carries: Carried, { cables }: Pick<Catalogue, 'cables'>): Option[] {
  const kinds: readonly string[] = CARRIES[carries].cables
  return [...cables.values()]
    .filter(({ kind }) => kinds.includes(kind))
    .map(({ id, name }) => ({ value: id, label: name }))
}

export function connectorsFor(
  carries: Carried,
  cableId: string,
  { cables, connectors }: Catalogue,
): Option[] {
  const kinds: readonly string[] = CARRIES[carries].ends
  const cable = cables.get(cableId)
  return [...connectors.values()]
    .filter(({ kind, takes }) => kinds.includes(kind) && (cable === undefined || takes.includes(cable.kind)))
    .map(({ id, name }) => ({ value: id, label: name }))
}
