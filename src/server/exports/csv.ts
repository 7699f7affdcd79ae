import 'server-only'
import Papa from 'papaparse'
import type { PullSheet } from '@/core/pull'

const rounded = (value: number, digits: number) => Number(value.toFixed(digits))

/** The lists of a pull sheet as CSV, in SI units named in the heads, whatever the job shows. */
export const PULL_LISTS = {
  'cut-list': ({ cuts }: PullSheet) => Papa.unparse(cuts.map(({ mark, name, cable, cutM, installedM }) => ({ mark, name, cable, cut_m: cutM === null ? '' : rounded(cutM, 2), installed_m: rounded(installedM, 2) }))),
  'drill-list': ({ drills }: PullSheet) => Papa.unparse(drills.map(({ surface, purpose, bit, bitMm, count, marks }) => ({ surface, purpose, bit, bit_mm: rounded(bitMm, 2), holes: count, devices: marks.join(' ') }))),
  'van-list': ({ van }: PullSheet) => Papa.unparse(van.map(({ kind, item, count, spare, unit, marks }) => ({ kind, item, count: rounded(count, 1), spare, unit, devices: marks.join(' ') }))),
} as const
