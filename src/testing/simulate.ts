import { CATALOGUE } from '@/catalogue'
import type { Device } from '@/core/job'
import type { Camera, MountPart, Opening } from '@/core/parts'

/**
 * Carries the steps of a device out one by one with the physical rules alone: what passes what, what a hand
 * still reaches, what hangs on what, what is dead. It knows nothing of facts, constraints or reasons. Gives
 * the first thing that cannot be done, or null.
 */
export function carryOut(device: Device, stepIds: readonly string[]): string | null {
  const hands = new Hands(device, new Set(stepIds))
  for (const id of stepIds) {
    const refusal = hands.does(id)
    if (refusal) return `${id}: ${refusal}`
  }
  return null
}

type Part = MountPart | Camera

class Hands {
  private readonly parts: readonly Part[]
  private readonly up: boolean[]
  private readonly done = new Set<string>()
  private readonly finished: boolean

  constructor(
    private readonly device: Device,
    private readonly all: ReadonlySet<string>,
  ) {
    this.parts = [...device.mountIds.map((id) => CATALOGUE.mounts.get(id)!), this.camera]
    this.up = this.parts.map((_, i) => i < device.partsKept)
    this.finished = CATALOGUE.connectors.get(device.terminate?.cameraEndId ?? '')?.boot === 'moulded'
  }

  private get camera(): Camera {
    return CATALOGUE.cameras.get(this.device.cameraId)!
  }
  /** What brings the cable there, or finds it there. */
  private get there(): string {
    return this.all.has('route/look') ? 'route/look' : 'route/pull'
  }
  private get last(): number {
    return this.parts.length - 1
  }
  private get putsUp(): boolean {
    return this.all.has('mount/fix') || this.device.partsKept > 0
  }
  private has(id: string): boolean {
    return this.done.has(id)
  }
  /** Done, or nothing that is asked for here. */
  private past(id: string): boolean {
    return !this.all.has(id) || this.has(id)
  }

  does(id: string): string | null {
    const refusal = this.refuses(id)
    this.done.add(id)
    return refusal
  }

  private refuses(id: string): string | null {
    const mains = this.camera.power.mains || this.device.surfaceId === 'existing-box'
    const touches = !/^(bench|sight|test|handover|aim)\/|^mount\/reach$|^power\/(isolate|dead)$/.test(id)
    const atTheHeadEnd = id === 'terminate/head-end' || id === 'terminate/loop'
    if (mains && touches && !atTheHeadEnd && !this.past('power/dead')) return 'it may be live'
    if (id === 'mount/fix') return this.goesUp(0)
    const joined = /^mount\/join-(\d+)$/.exec(id)
    if (joined) return this.goesUp(Number(joined[1]))
    if (id === 'mount/camera') return this.goesUp(this.last)
    if (id.startsWith('seal/mount-') || id === 'seal/camera/entry') return this.seals(id)
    if (id === 'power/clamp') return this.clamps()
    switch (id) {
      case 'mount/cable-hole':
      case 'mount/cut-out':
        return this.up[0] ? 'the base covers where it is drilled' : null
      case 'mount/wall-hole':
        return this.up[0] ? 'the hole is behind the base' : this.needs(this.there, id)
      case 'mount/pilot':
        return this.up[0] ? 'the base covers where it is drilled' : null
      case 'route/pull':
        return this.past('mount/cable-hole') && this.past('mount/cut-out') ? null : 'there is no hole for it'
      case 'terminate/thread-on':
        return this.has('terminate/camera-end') ? 'the plug is on already' : this.needs(this.there, id)
      case 'seal/cable':
      case 'terminate/camera-end':
      case 'terminate/head-end':
        return this.needs(this.there, id)
      case 'terminate/wire-map':
        return this.needs('terminate/camera-end', id) ?? this.needs('terminate/head-end', id)
      case 'seal/grease':
        return this.has('power/connect') ? 'the contacts are covered' : null
      case 'power/connect':
      case 'power/mains':
        return this.connects(id)
      case 'seal/camera/tail':
        return this.reachesJoint() ?? this.needs('power/connect', id) ?? this.needs('terminate/thread-on', id)
      case 'seal/tails':
      case 'power/volts':
        return this.reachesJoint()
      case 'aim/tilt':
      case 'aim/level':
        return this.aims()
      case 'seal/before-closing':
        return this.reachesJoint()
      case 'mount/close':
        return this.up.every(Boolean) || !this.putsUp ? null : 'a part is not up'
      default:
        return null
    }
  }

  private needs(first: string, id: string): string | null {
    return this.past(first) ? null : `${first} comes before ${id}`
  }

  /** A part goes up: onto something that is up, or joined on the bench where the whole goes up after. */
  private goesUp(i: number): string | null {
    const part = this.parts[i]!
    if (this.up[i]) return 'it is up already'
    const support = this.parts[i - 1]
    const bench = part.fastened === 'from behind' || this.jointBehind() < i
    if (support && !this.up[i - 1] && !bench) return `nothing holds it: ${support.name} is not up`
    if (i === this.jointBehind() && !this.up.slice(i + 1).every(Boolean))
      return 'the tail of what is not on it yet runs through it'
    if (part.fastened === 'from behind' && this.up[i - 1]) return 'its screws are behind what is up'
    if (part.fastened === 'from its front' && (i < this.last ? this.up[i + 1] : this.has('mount/close')))
      return 'its screws are covered'
    if (i === this.device.partsKept && !this.past(this.there)) return 'the cable is not through yet'
    const made = this.has('terminate/camera-end') || (this.finished && this.has(this.there))
    const across = CATALOGUE.connectors.get(this.device.terminate?.cameraEndId ?? '')?.acrossMm ?? 0
    const narrow = part.openings.find((opening) => isEntry(opening) && opening.holeMm! < across)
    if (made && narrow && !this.finished) return `the plug does not pass the ${narrow.name}`
    this.up[i] = true
    return null
  }

  /** The part that the joint lies behind; beyond all parts where it lies in the open or in the camera. */
  private jointBehind(): number {
    const { passage } = this.device.mount ?? {}
    const box = this.boxes().at(-1)
    const hidden = passage === 'coupler' || passage === 'tail and plugs'
    if (this.camera.connection === 'inside' || (box === undefined && !hidden)) return Infinity
    const flat = (part: Part) => 'passesJoint' in part && part.passesJoint
    return this.parts.findIndex((part, i) => i > (box ?? -1) && !flat(part))
  }
  private boxes(): number[] {
    return this.parts.flatMap((part, i) => ('enclosesJoint' in part && part.enclosesJoint ? [i] : []))
  }

  /** The room between a part and what carries it: open until the part is up, or from behind an open back. */
  private open(i: number): boolean {
    const support = this.parts[i - 1]
    const back = support && 'openBehind' in support && support.openBehind && !this.up[i - 1]
    return !this.up[i] || back === true
  }
  /** The room inside a part. */
  private openInside(i: number): boolean {
    const part = this.parts[i]!
    const lidded = i === this.last || ('coversCamera' in part && part.coversCamera)
    return lidded ? !this.has('mount/close') : this.open(i + 1)
  }

  private seals(id: string): string | null {
    const [, ref, key] = id.split('/')
    const i = ref === 'camera' ? this.last : Number(ref!.slice('mount-'.length))
    const opening = this.parts[i]!.openings.find((one) => one.key === key)!
    if (opening.kind === 'wall edge') return this.up[i] ? null : 'there is no edge yet'
    if (isEntry(opening) && !this.past(this.there)) return 'there is no cable yet'
    if (isEntry(opening) && !this.past('terminate/thread-on')) return 'its pieces are not on the cable'
    if (opening.side === 'rear' && !this.open(i)) return 'it is covered from behind'
    if (opening.side === 'inside' && !this.openInside(i)) return 'it is covered'
    return null
  }

  /** The mains cable is clamped where it first enters a part. */
  private clamps(): string | null {
    const i = this.parts.findIndex(({ openings }) => openings.some(({ kind }) => kind === 'cable entry'))
    const { side } = this.parts[i]!.openings.find(({ kind }) => kind === 'cable entry')!
    if (side === 'side') return null
    const open = side === 'rear' ? this.open(i) : this.openInside(i)
    return open ? null : 'the clamp is covered'
  }

  private reachesJoint(): string | null {
    if (this.camera.connection === 'inside') {
      const housing = this.parts.findIndex((part) => 'coversCamera' in part && part.coversCamera)
      return this.openInside(housing < 0 ? this.last : housing) ? null : 'it is closed'
    }
    const before = this.jointBehind()
    return before === Infinity || this.open(before) ? null : 'the joint is covered'
  }

  private connects(id: string): string | null {
    const before = this.jointBehind()
    const held = this.camera.connection === 'inside' || before < this.last
    const carried = this.up.every((up, i) => up || i === before || (i === this.last && !held))
    if (this.putsUp && !carried) return 'the camera hangs on its cable'
    return (
      this.needs('terminate/camera-end', id) ??
      this.needs('terminate/head-end', id) ??
      this.needs('terminate/wire-map', id) ??
      this.reachesJoint()
    )
  }

  private aims(): string | null {
    if (!this.past('power/connect') || !this.past('power/mains')) return 'there is no picture'
    if (this.putsUp && !this.up[this.last]) return 'it is not fastened'
    const closed = this.has('mount/close')
    if (this.camera.head === 'gimbal' && closed) return 'the lens is under its cover'
    return this.camera.head === 'motors' && !this.past('mount/close') ? 'its motors are not free' : null
  }
}

const isEntry = ({ kind }: Opening) => kind === 'cable entry' || kind === 'grommet seat'
