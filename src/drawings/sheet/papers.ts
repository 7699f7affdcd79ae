import type { UnitSystem } from '@/core/units'

/** Papers that plans are printed on, lying, millimetres (ISO 216; ANSI/ASME Y14.1 for Letter and Tabloid). */
export const SHEETS = {
  a4: { name: 'A4', width: 297, height: 210 },
  a3: { name: 'A3', width: 420, height: 297 },
  letter: { name: 'Letter', width: 279.4, height: 215.9 },
  tabloid: { name: 'Tabloid', width: 431.8, height: 279.4 },
} as const
export type SheetPaper = keyof typeof SHEETS

/** Scales as they are printed: how many times smaller, and how that is said. Common practice, no source. */
export const SCALES: Readonly<Record<UnitSystem, readonly (readonly [times: number, words: string])[]>> = {
  metric: [20, 50, 100, 200, 250, 500, 1000, 2000, 5000].map((n) => [n, `1 : ${n}`]),
  imperial: [
    [24, '1/2" = 1\''],
    [48, '1/4" = 1\''],
    [96, '1/8" = 1\''],
    [192, '1/16" = 1\''],
    [240, '1" = 20\''],
    [360, '1" = 30\''],
    [600, '1" = 50\''],
    [1200, '1" = 100\''],
    [2400, '1" = 200\''],
    [6000, '1" = 500\''],
  ],
}

/** How a scale is said. */
export const scaleWords = (times: number, units: UnitSystem): string =>
  SCALES[units].find(([n]) => n === times)?.[1] ?? `1 : ${times}`
