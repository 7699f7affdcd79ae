/** Where a base is fixed: millimetres from its middle, x to the right and y down. */
export interface HoleSpot {
  readonly x: number
  readonly y: number
}

/**
 * The holes of a base: one in the middle, two above each other, three on a circle with one on top, four in
 * a square, more on a circle. Top and bottom are `spacingMm` apart. A generic pattern: the maker's own
 * template decides.
 */
export function holeSpots(count: number, spacingMm: number): HoleSpot[] {
  const half = spacingMm / 2
  if (count === 1) return [{ x: 0, y: 0 }]
  if (count === 2)
    return [
      { x: 0, y: -half },
      { x: 0, y: half },
    ]
  if (count === 4)
    return [
      { x: -half, y: -half },
      { x: half, y: -half },
      { x: half, y: half },
      { x: -half, y: half },
    ]
  const r = spacingMm / (1 + Math.sin(Math.PI / 6)) // one on top, two 1.5 r below it
  return Array.from({ length: count }, (_, i) => {
    const angle = -Math.PI / 2 + (2 * Math.PI * i) / count
    return { x: r * Math.cos(angle), y: r * Math.sin(angle) }
  })
}

/** From the middle of the base to its nearest fixing, mm; null for a part that has none of its own. */
export function nearestFixingMm(count: number, spacingMm: number): number | null {
  return count === 0 ? null : Math.min(...holeSpots(count, spacingMm).map(({ x, y }) => Math.hypot(x, y)))
}

/**
 * The pattern in words, with the distance that a tape measures between neighbouring holes of the template.
 */
export function holeWords(count: number, spacingMm: number, size: (mm: number) => string): string {
  const [a, b] = holeSpots(count, spacingMm)
  if (!a) return 'none of its own'
  if (!b) return '1, in the middle'
  const apart = `${size(Math.hypot(b.x - a.x, b.y - a.y))} apart`
  if (count === 2) return `2, one above the other, ${apart}`
  if (count === 4) return `4 in a square, ${apart}`
  return `${count} on a circle ${size(2 * Math.hypot(a.x, a.y))} across, ${apart}`
}
