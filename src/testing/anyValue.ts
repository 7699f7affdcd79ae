import fc from 'fast-check'
import { NOW } from './jobs'

/** Single values of generated jobs: extreme, but legal. */

export const keys = <T extends string>(table: Record<T, unknown>) =>
  fc.constantFrom(...(Object.keys(table) as T[]))
export const part = (table: ReadonlyMap<string, unknown>) => fc.constantFrom(...table.keys(), 'no-such-part')
export const real = (min: number, max: number) =>
  fc
    .oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max))
    .map((value) => (value === 0 ? 0 : value))
export const line = fc.constantFrom('', 'left of the door', 'Ünïcode “quoted” <b>')
export const moment = fc.constantFrom(NOW, '2020-02-29T23:59:59Z')
export const person = fc.constantFrom('Lead', 'Installer 1')
export const sha256 = fc.constantFrom('a'.repeat(64), 'b'.repeat(64))

export const planPoint = fc.record({ x: real(-50, 50), y: real(-50, 50) })
