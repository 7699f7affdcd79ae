import { TERMINATE_LIMITS } from './limits'

/** Diameter of a gauge in millimetres. */
export function awgDiameterMm(awg: number): number {
  return 0.127 * 92 ** ((36 - awg) / 39)
}

/** Resistance of one copper conductor, ohms per kilometre, at a temperature in °C. */
export function ohmPerKm(awg: number, temperatureC = 20): number {
  const areaMm2 = (Math.PI / 4) * awgDiameterMm(awg) ** 2
  return ((TERMINATE_LIMITS.copperOhmMm2M.value * 1000) / areaMm2) * warmth(temperatureC)
}

/** How much more copper resists at a temperature (°C) than at 20 °C. */
const warmth = (temperatureC: number): number =>
  1 + (TERMINATE_LIMITS.copperPerC.value / 100) * (temperatureC - 20)

/** Loop resistance of a pair, there and back: 2·r·L, ohms. */
export function pairLoopOhm(awg: number, lengthM: number, temperatureC = 20): number {
  return (2 * ohmPerKm(awg, temperatureC) * lengthM) / 1000
}

/**
 * Highest loop resistance that the cabling standard allows a pair of this length, ohms; stated at 20 °C, it
 * moves with the copper.
 */
export function loopLimitOhm(lengthM: number, temperatureC = 20): number {
  return ((2 * TERMINATE_LIMITS.conductorOhm100M.value * lengthM) / 100) * warmth(temperatureC)
}

/** Lowest loop resistance that can be this pair whole, ohms: less is a short somewhere on the way. */
export function loopLeastOhm(awg: number, lengthM: number, temperatureC = 20): number {
  return (pairLoopOhm(awg, lengthM, temperatureC) * TERMINATE_LIMITS.loopLeast.value) / 100
}
