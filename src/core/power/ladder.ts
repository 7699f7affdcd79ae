import type { Supply } from '../parts'

/** What the power ladder draws. Null volts: the circuit cannot carry the load. */
export interface PowerLadder {
  readonly supplyName: string
  readonly partName: string
  readonly port: number | null
  readonly kind: Supply['kind']
  readonly sourceV: number
  readonly lengthM: number
  readonly circuitOhm: number
  readonly loadW: number
  readonly atCameraV: number | null
  readonly leastV: number
  readonly lossW: number
  readonly poeClass: number | null
  /**
   * What it takes of its supply in the worst hour, or what its port reserves; null when it cannot run from
   * it.
   */
  readonly drawW: number | null
}

/** What of it is known before anything is reckoned. */
export type Base = Pick<PowerLadder, 'supplyName' | 'partName' | 'port' | 'kind' | 'lengthM' | 'loadW'>
