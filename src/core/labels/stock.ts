/**
 * Sheets of labels as they are sold, by their dimensions alone, mm. Common practice, no source: to be held
 * against the sheet at hand before it is printed on.
 */
interface Stock {
  readonly name: string
  readonly paper: readonly [width: number, height: number]
  readonly columns: number
  readonly rows: number
  readonly label: readonly [width: number, height: number]
  /** From the paper's edges to the first label. */
  readonly from: readonly [left: number, top: number]
  /** From one label's edge to the next one's. */
  readonly pitch: readonly [across: number, down: number]
}

const A4 = [210, 297] as const
const LETTER = [215.9, 279.4] as const

export const STOCKS = {
  'a4-21': {
    name: 'A4, 21 of 63.5 × 38.1 mm',
    paper: A4,
    columns: 3,
    rows: 7,
    label: [63.5, 38.1],
    from: [7.25, 15.15],
    pitch: [66, 38.1],
  },
  'a4-24': {
    name: 'A4, 24 of 70 × 37 mm',
    paper: A4,
    columns: 3,
    rows: 8,
    label: [70, 37],
    from: [0, 0.5],
    pitch: [70, 37],
  },
  'a4-65': {
    name: 'A4, 65 of 38.1 × 21.2 mm',
    paper: A4,
    columns: 5,
    rows: 13,
    label: [38.1, 21.2],
    from: [4.75, 10.7],
    pitch: [40.6, 21.2],
  },
  'letter-30': {
    name: 'Letter, 30 of 2 5/8 × 1 in',
    paper: LETTER,
    columns: 3,
    rows: 10,
    label: [66.675, 25.4],
    from: [4.7625, 12.7],
    pitch: [69.85, 25.4],
  },
  'letter-10': {
    name: 'Letter, 10 of 4 × 2 in',
    paper: LETTER,
    columns: 2,
    rows: 5,
    label: [101.6, 50.8],
    from: [3.96875, 12.7],
    pitch: [106.3625, 50.8],
  },
} as const satisfies Readonly<Record<string, Stock>>
export type StockId = keyof typeof STOCKS

/** Labels on a sheet. */
export const onSheet = (stock: StockId): number => STOCKS[stock].columns * STOCKS[stock].rows

/** Where a label lies: its sheet, from 0, and its upper left corner on it, millimetres. */
export interface Spot {
  readonly sheet: number
  readonly x: number
  readonly y: number
}

/** The spot of the label at a place, counted from 0 over all sheets, row by row. */
export function spotOn(stock: StockId, place: number): Spot {
  const { columns, from, pitch } = STOCKS[stock]
  const sheet = Math.floor(place / onSheet(stock))
  const at = place % onSheet(stock)
  return {
    sheet,
    x: from[0] + (at % columns) * pitch[0],
    y: from[1] + Math.floor(at / columns) * pitch[1],
  }
}
