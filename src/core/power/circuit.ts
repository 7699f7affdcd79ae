/**
 * Volts at a load that takes `loadW` whatever it gets, fed with `sourceV` through `circuitOhm`:
 * (Vs + √(Vs² − 4PR))/2. Null when the circuit cannot carry it at all.
 */
export function voltsAtLoad(sourceV: number, loadW: number, circuitOhm: number): number | null {
  const inside = sourceV ** 2 - 4 * loadW * circuitOhm
  return inside < 0 ? null : (sourceV + Math.sqrt(inside)) / 2
}

/** Power (W) that arrives at the far end when the source gives all of `sourceW` at `sourceV`: P − I²R. */
export function powerAtEnd(sourceW: number, sourceV: number, circuitOhm: number): number {
  return sourceW - (sourceW / sourceV) ** 2 * circuitOhm
}
