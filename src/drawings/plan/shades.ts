/**
 * Colours of the density bands: one hue, even steps of lightness (OKLCH), so that more is always darker by
 * day and lighter by night, whoever looks. Computed once: L 0.93 → 0.40 and 0.32 → 0.85, hue 245.
 */
export const SHADES = {
  daylight: ['#DDEAF5', '#BACEDF', '#98B3CA', '#7698B5', '#557EA0', '#34648C', '#0A4B77'],
  loft: ['#233544', '#354D61', '#48667F', '#5C809F', '#719BC0', '#86B8E2', '#9CD5FF'],
} as const
export type Shades = keyof typeof SHADES
